/**
 * Doors that are drawn, by the walk of the trials. Where nobody measured the ground between, water that stands somewhere stands as high at a
 * door beside it; where it was measured, as far as a puddle of that level spreads, cell by cell, over ground that lies under it.
 */
import { STONE_FACTS } from '../../catalogue/stone';
import { elementOf, ofKind } from '../../job/job';
import { placesOf } from '../../job/places';
import { wayLength, type Place } from '../../site/place';
import { groundOf } from '../../yard/ground';
import { WATER, type Walk } from './walking';

/** Beside it, m: 10 ft, and a hand less for how the two measure. */
const BESIDE = 2.95;
/** Of a cell of the puddle, m; and how far from a door it must come. */
const CELL = 0.4;
const AT_DOOR = 0.5;
/** So much lower than the water the ground must lie: two ways to draw it differ, m. */
const UNDER = 0.04;

/** A stretch, walked along. */
const along = (from: Place, to: Place): Place[] =>
  Array.from({ length: 101 }, (_, k) => ({
    east: from.east + ((to.east - from.east) * k) / 100,
    north: from.north + ((to.north - from.north) * k) / 100,
  }));

const apart = (one: readonly Place[], other: readonly Place[]): number =>
  Math.min(...one.flatMap((a) => other.map((b) => Math.hypot(a.east - b.east, a.north - b.north))));

const walked = (places: readonly Place[]): Place[] =>
  places.length === 1 ? [...places] : places.slice(1).flatMap((place, k) => along(places[k]!, place));

interface Water {
  id: string;
  places: readonly Place[];
  level: number;
  sill: number | undefined;
}

/** Water that stands in the open, by this walk. */
function watersOf({ job, plan, stands }: Walk): Water[] {
  const inlets = [...ofKind(job, 'basin'), ...ofKind(job, 'channel')].flatMap((inlet) => {
    const level = stands.get(inlet.id);
    return level === undefined ? [] : [{ id: inlet.id, places: placesOf(inlet), level, sill: inlet.sillLevel }];
  });
  const stones = ofKind(job, 'stoneDrain').flatMap((drain) => {
    const flow = plan.landings[drain.id]?.entering ?? 0;
    const length = drain.length ?? (drain.way ? wayLength(drain.way) : 0);
    const open = 1 - (drain.clogging ?? 0.3);
    // Holes of 20 cm² a metre under the water in its stone.
    const head = drain.depth - (drain.nominal ?? 0.1016) * (drain.perforations === 'slots' ? 0.5 : 0.25);
    const holes = 0.6 * 20e-4 * open * length * (drain.pipes ?? 1) * Math.sqrt(19.6133 * Math.max(0, head));
    const takes = Math.min(holes, STONE_FACTS[drain.stone ?? 'round'].through * drain.width * length * open);
    if (flow <= 0 || length <= 0) return [];
    const over = Math.max(0, flow - takes);
    const level =
      over > 0
        ? Math.max(drain.slabLevel ?? -Infinity, drain.groundLevel) + (over / (1.7 * length)) ** (2 / 3)
        : drain.groundLevel;
    return [{ id: drain.id, places: placesOf(drain), level, sill: drain.sillLevel }];
  });
  return [...inlets, ...stones].filter(({ places }) => places.length > 0);
}

/** Whether a puddle that stands at `level` about some places comes to a door. One that would reach over the edge of the measured ground never stands so high: it runs off there. */
function comesTo(
  door: readonly Place[],
  water: Water,
  ground: (place: Place) => number | null,
  barred: (place: Place) => boolean,
): boolean {
  const key = (east: number, north: number): string => `${east}/${north}`;
  const wet = new Set<string>();
  const left = walked(water.places).map(({ east, north }): [number, number] => [
    Math.round(east / CELL),
    Math.round(north / CELL),
  ]);
  let comes = false;
  for (let cell = left.pop(); cell && wet.size < 20_000; cell = left.pop()) {
    const [east, north] = cell;
    const place = { east: east * CELL, north: north * CELL };
    const lies = ground(place);
    if (lies === null) return false;
    if (wet.has(key(east, north)) || lies > water.level - UNDER || barred(place)) continue;
    wet.add(key(east, north));
    comes ||= apart([place], door) < AT_DOOR;
    left.push([east + 1, north], [east - 1, north], [east, north + 1], [east, north - 1]);
  }
  return comes;
}

const inside = (outline: readonly Place[], { east, north }: Place): boolean =>
  outline.reduce((odd, a, k) => {
    const b = outline[(k + 1) % outline.length]!;
    const crosses = a.north > north !== b.north > north;
    return crosses && east < a.east + ((b.east - a.east) * (north - a.north)) / (b.north - a.north) ? !odd : odd;
  }, false);

/** Judges every drawn door. `margin`: least that must be left under a sill, m. */
export function walkDoors(walk: Walk, margin = walk.plan.settings.openingMargin): void {
  const { job, wrong } = walk;
  const waters = watersOf(walk);
  const { surface } = groundOf(job);
  const outlines = ofKind(job, 'building').flatMap(({ outline }) => (outline ? [outline] : []));
  const barred = (place: Place): boolean => outlines.some((outline) => inside(outline, place));
  for (const { id, building, wall, along: middle, width = 0.9, sillLevel } of ofKind(job, 'opening')) {
    const outline = building === undefined ? undefined : elementOf(job, 'building', building)?.outline;
    if (!outline || wall === undefined || sillLevel === undefined) continue;
    const [a, b] = [outline[wall]!, outline[(wall + 1) % outline.length]!];
    const length = Math.hypot(b.east - a.east, b.north - a.north);
    const door = along(a, b).filter((_, k) => Math.abs((k / 100) * length - (middle ?? length / 2)) <= width / 2);
    const measured = surface !== null && door.every((place) => surface.levelAt(place) !== null);
    for (const water of waters) {
      if (sillLevel - water.level >= margin - WATER) continue;
      // What the inlet's own sill is judged by is told there.
      if (water.sill !== undefined && water.sill <= sillLevel + 1e-9) continue;
      const comes = measured
        ? comesTo(door, water, (place) => surface.levelAt(place), barred)
        : apart(door, walked(water.places)) <= BESIDE;
      if (comes) wrong.push(`water from ${water.id} comes near ${id}`);
    }
  }
}
