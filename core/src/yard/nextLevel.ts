/** The next most useful level: where one more reading could change an answer most. */
import { placeOf } from '../ground/grid';
import { ofKind, type Job, keeping } from '../job/job';
import { distance, type Place } from '../site/place';
import { groundOf, type Ground } from './ground';
import { seenOf } from './seen';
import { yardWater } from './water';

export interface NextLevel {
  place: Place;
  /** What hangs on it. */
  on: 'wetSpot' | 'spill' | 'pond' | 'wayOut' | 'door' | 'gap';
  /** Of that, by id; null of a pond or a gap. */
  id: string | null;
  /** The chance that the reading there changes the answer, 0 to 1. */
  chance: number;
}

/** Ground between levels strays from a straight line by about so much of the way to the nearest one, m/m. */
const STRAY = 0.025;
/** What a level itself is good for, m. */
const READING = 0.005;
/** Nearer to a level than this another one tells nothing, m. */
const KNOWN = 0.6;

/** How much each answer matters beside the others. */
const STAKE: Record<NextLevel['on'], number> = { door: 1, wayOut: 1, wetSpot: 0.9, spill: 0.8, pond: 0.6, gap: 0.25 };

/** The chance that a normal error of some spread is more than a margin, one-sided (Abramowitz & Stegun 26.2.17, to 1e-5). */
function chanceOver(margin: number, spread: number): number {
  const x = margin / spread;
  const t = 1 / (1 + 0.2316419 * Math.abs(x));
  const tail =
    (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return x >= 0 ? tail : 1 - tail;
}

/** How far the ground at a place may be from what the levels around say, m. */
export function uncertaintyAt({ points }: Ground, place: Place): number {
  const away = Math.min(...points.map((point) => distance(point, place)));
  return Math.hypot(READING, STRAY * away);
}

/** Where to put the rod next, the most useful first; at most so many. */
export function nextLevels(given: Job, most = 3): NextLevel[] {
  const job = keeping(given);
  const ground = groundOf(job);
  const asked: NextLevel[] = [];
  const ask = (place: Place | undefined, on: NextLevel['on'], id: string | null, chance: number): void => {
    if (!place || ground.points.some((point) => distance(point, place) < KNOWN)) return;
    asked.push({ place, on, id, chance });
  };
  const spread = (place: Place): number => (ground.points.length > 0 ? uncertaintyAt(ground, place) : 1);
  for (const { wet, pond } of seenOf(job)) {
    const { place } = wet;
    // Seen and not held by the levels: they are wrong there, or the water has another cause.
    ask(place, 'wetSpot', wet.id, pond ? chanceOver(pond.depth, spread(place!)) : 0.9);
  }
  for (const { id, place, levelFrom, assumed } of ofKind(job, 'discharge'))
    if (levelFrom === 'ground' || assumed) ask(place, 'wayOut', id, place ? Math.min(0.9, spread(place) / 0.1) : 0);
  const water = yardWater(job);
  for (const pond of water?.ponds ?? []) {
    const { grid } = water!;
    if (pond.spill >= 0) {
      const place = placeOf(grid, pond.spill);
      ask(place, 'spill', null, 2 * chanceOver(pond.depth, spread(place)));
    }
    const place = placeOf(grid, pond.deepest);
    ask(place, 'pond', null, chanceOver(pond.depth, spread(place)));
  }
  ask(widestGap(job), 'gap', null, 0.5);
  return asked
    .map((each) => ({ ...each, chance: Math.min(1, each.chance) }))
    .sort((a, b) => STAKE[b.on] * b.chance - STAKE[a.on] * a.chance)
    .filter((each, k, all) => all.findIndex((other) => distance(other.place, each.place) < KNOWN) === k)
    .slice(0, most);
}

/** The middle of the largest triangle of the ground: where the levels are fewest. */
function widestGap(job: Job): Place | undefined {
  const { surface } = groundOf(job);
  if (!surface) return undefined;
  let largest = 0;
  let middle: Place | undefined;
  for (let k = 0; k < surface.size; k++) {
    const [a, b, c] = surface.corners(k);
    const area = Math.abs((b.east - a.east) * (c.north - a.north) - (c.east - a.east) * (b.north - a.north));
    if (area <= largest) continue;
    largest = area;
    middle = { east: (a.east + b.east + c.east) / 3, north: (a.north + b.north + c.north) / 3 };
  }
  return middle;
}
