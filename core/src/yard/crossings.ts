/** What a line meets on its way over the plan: services, roots, slabs, walls, fences, boundaries, and the ground beside footings. */
import { ofKind, type Job } from '../job/job';
import { rootReach, USUAL_HAND_DIG, type Element, type Run } from '../job/kinds';
import { placeAlong, wayOfRun } from '../job/places';
import { bearing, crossing, extentOf, footOnWay, isWithin, wayLength, type Extent, type Place } from '../site/place';

/** What a trench may meet on its way. */
export const MET = ['service', 'barrier', 'breakline', 'tree', 'surface', 'building'] as const;

export interface Crossing {
  /** What is met. */
  id: string;
  kind: Element['kind'];
  /** From the line's head to where it meets it, m. */
  from: number;
  /** To where it has left it again; `from` of what has no width. */
  to: number;
  /** Between the line and what it crosses, rad, 0 to π/2; null of what has no way of its own. */
  angle: number | null;
}

/** Steps that a way is looked at in, m. */
const STEP = 0.1;

interface Line {
  id: string;
  kind: Element['kind'];
  way?: readonly Place[] | undefined;
}

/** Lines that a way crosses, each as often as it does. */
export function linesCrossed(way: readonly Place[], lines: readonly Line[]): Crossing[] {
  const met: Crossing[] = [];
  for (const { id, kind, way: other = [] } of lines) {
    let gone = 0;
    for (let k = 1; k < way.length; k++) {
      const [a, b] = [way[k - 1]!, way[k]!];
      const length = wayLength([a, b]);
      for (let j = 1; j < other.length; j++) {
        const at = crossing(a, b, other[j - 1]!, other[j]!);
        if (!at) continue;
        const from = gone + at.first * length;
        if (met.some((each) => each.id === id && Math.abs(each.from - from) < 0.01)) continue;
        const turn = Math.abs(Math.sin(bearing(a, b) - bearing(other[j - 1]!, other[j]!)));
        met.push({ id, kind, from, to: from, angle: Math.asin(Math.min(1, turn)) });
      }
      gone += length;
    }
  }
  return met;
}

/** All that a way meets, in the order met. */
export function crossingsOf(job: Job, way: readonly Place[]): Crossing[] {
  const box = extentOf(way);
  const kerbs = ofKind(job, 'breakline').filter(({ form }) => form === 'kerb');
  const met = linesCrossed(
    way,
    [...ofKind(job, 'service'), ...ofKind(job, 'barrier'), ...kerbs].filter((line) => isNear(box, line.way)),
  );
  const within = (id: string, kind: Element['kind'], inside: (place: Place) => boolean): void => {
    for (const [from, to] of stretches(way, inside)) met.push({ id, kind, from, to, angle: null });
  };
  for (const tree of ofKind(job, 'tree')) {
    const { place } = tree;
    if (place && isNear(box, [place], rootReach(tree)))
      within(tree.id, tree.kind, (at) => Math.hypot(at.east - place.east, at.north - place.north) < rootReach(tree));
  }
  for (const { id, kind, outline, cover } of ofKind(job, 'surface'))
    if (outline && HARD.has(cover) && isNear(box, outline)) within(id, kind, (at) => isWithin(outline, at));
  for (const { id, kind, outline } of ofKind(job, 'building'))
    if (outline && isNear(box, outline)) within(id, kind, (at) => isWithin(outline, at));
  return met.sort((a, b) => a.from - b.from);
}

const extents = new WeakMap<readonly Place[], Extent | null>();

/** Extent of a way or an outline, worked out once for as long as it is the same. */
function extentAt(places: readonly Place[]): Extent | null {
  let extent = extents.get(places);
  if (extent === undefined) extents.set(places, (extent = extentOf(places)));
  return extent;
}

/** Whether something with a reach round it, m, may touch what lies within a box at all. */
function isNear(box: Extent | null, places: readonly Place[] | undefined, reach = 0): boolean {
  const own = places && extentAt(places);
  if (!box || !own) return false;
  return (
    own.west - reach <= box.east &&
    own.east + reach >= box.west &&
    own.south - reach <= box.north &&
    own.north + reach >= box.south
  );
}

const HARD = new Set(['paving', 'pavers', 'permeablePavers']);

/** Parts of a way, from and to in m, on which something holds. */
function stretches(way: readonly Place[], holds: (place: Place) => boolean): [number, number][] {
  const whole = wayLength(way);
  const count = Math.max(1, Math.ceil(whole / STEP));
  const found: [number, number][] = [];
  let open: number | null = null;
  for (let k = 0; k <= count; k++) {
    const at = (whole * k) / count;
    const here = holds(placeAlong(way, at));
    if (here && open === null) open = at;
    if (!here && open !== null) {
      found.push([open, at]);
      open = null;
    }
  }
  if (open !== null) found.push([open, whole]);
  return found;
}

/** A run's crossings; none of one that is not on the plan. */
export function crossingsOfRun(job: Job, run: Run): Crossing[] {
  const way = wayOfRun(job, run);
  return way ? crossingsOf(job, way) : [];
}

/** How near a way comes to a line, m, and where along it. */
export function nearest(way: readonly Place[], line: readonly Place[]): { away: number; along: number } {
  const whole = wayLength(way);
  const count = Math.max(1, Math.ceil(whole / STEP));
  let best = { away: Infinity, along: 0 };
  for (let k = 0; k <= count; k++) {
    const along = (whole * k) / count;
    const away = footOnWay(line, placeAlong(way, along))?.distance ?? Infinity;
    if (away < best.away) best = { away, along };
  }
  return best;
}

/** Half the width in which only a spade digs beside a service, m. */
export const handDigOf = ({ handDig = USUAL_HAND_DIG }: { handDig?: number | undefined }): number => handDig;
