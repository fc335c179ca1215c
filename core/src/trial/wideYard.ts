/** A large yard that lies on measured ground, for benches of what runs over it. */
import { jobFrom, type Job } from '../job/job';
import type { Element } from '../job/kinds';
import type { Place } from '../site/place';
import { largeYard } from './seeded';

/** Levels along a side. */
const LEVELS = 25;

/** m: a plane that falls to one corner, with hollows. */
const levelAt = ({ east, north }: Place): number =>
  3 - 0.01 * east - 0.006 * north + 0.15 * Math.sin(east / 7) * Math.cos(north / 9);

/** Its landings in rows over a square of so many metres, and levels all over that. */
export function wideYard(runs: number, side: number): Job {
  const elements = largeYard(runs, runs * 3).elements.all;
  const landings = elements.filter((element) => 'groundLevel' in element);
  const across = Math.ceil(Math.sqrt(landings.length));
  const placeOf = (k: number, of: number): Place => ({
    east: (((k % of) + 0.5) * side) / of,
    north: ((Math.floor(k / of) + 0.5) * side) / of,
  });
  const placed = new Map(landings.map(({ id }, k) => [id, placeOf(k, across)]));
  const levels = Array.from({ length: LEVELS ** 2 }, (_, k): Element => {
    const place = {
      east: ((k % LEVELS) * side) / (LEVELS - 1),
      north: (Math.floor(k / LEVELS) * side) / (LEVELS - 1),
    };
    return { id: `level${k}`, kind: 'spotLevel', name: `Level ${k}`, place, level: levelAt(place) };
  });
  const situated = elements.map(
    (element) => ({ ...element, ...(placed.has(element.id) && { place: placed.get(element.id) }) }) as Element,
  );
  return jobFrom('wide', [...situated, ...levels]);
}
