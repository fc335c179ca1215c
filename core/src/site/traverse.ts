/** Pacing round a house, wall by wall: corners, how far the walk fails to close, and which wall is most likely wrong. */
import { onward, type Place } from './place';

/** One wall: its length, m, and its bearing, rad from north, clockwise. */
export interface Side {
  length: number;
  bearing: number;
}

export interface Traverse {
  /** From where the walk began to where it ended, m. */
  misclosure: number;
  /** Misclosure over the whole way. */
  ratio: number;
  /** As many as there are walls, the first at the origin; the error shared by length. */
  corners: Place[];
}

/** As walked, from the origin: one place more than there are walls. */
export function walked(sides: readonly Side[]): Place[] {
  const places: Place[] = [{ east: 0, north: 0 }];
  for (const side of sides) places.push(onward(places.at(-1)!, side.bearing, side.length));
  return places;
}

/** Corners of a walk that should end where it began: Bowditch's rule, each corner moved by the error's share of the way to it. */
export function closeTraverse(sides: readonly Side[]): Traverse {
  const places = walked(sides);
  const error = places.at(-1)!;
  const whole = sides.reduce((sum, { length }) => sum + length, 0);
  let gone = 0;
  const corners = sides.map((side, k) => {
    const share = whole > 0 ? gone / whole : 0;
    gone += side.length;
    return { east: places[k]!.east - share * error.east, north: places[k]!.north - share * error.north };
  });
  const misclosure = Math.hypot(error.east, error.north);
  return { misclosure, ratio: whole > 0 ? misclosure / whole : 0, corners };
}

/** A wall that, so much longer, would close the walk best; what would still be open then. */
export interface Suspect {
  side: number;
  /** m to add to its length. */
  by: number;
  open: number;
}

/** Several walls may explain an error alike, as the two long ones of a plain house do: within this much of the best, m. */
const ALIKE = 0.02;

/**
 * Walls whose length alone explains the error best, likeliest first: one tape read wrong is the usual mistake, and it moves the end
 * along its own wall. A wall that would have to become shorter than nothing is none.
 */
export function suspects(sides: readonly Side[]): Suspect[] {
  const error = walked(sides).at(-1)!;
  const all = sides.flatMap((side, k): Suspect[] => {
    const east = Math.sin(side.bearing);
    const north = Math.cos(side.bearing);
    const by = -(error.east * east + error.north * north);
    if (side.length + by <= 0) return [];
    return [{ side: k, by, open: Math.hypot(error.east + by * east, error.north + by * north) }];
  });
  const least = Math.min(...all.map(({ open }) => open));
  return all
    .filter(({ open }) => open <= least + ALIKE)
    .sort((a, b) => Math.abs(a.by) - Math.abs(b.by) || a.side - b.side);
}

/** Bearings of walls told by turns: each from the one before, rad, right positive; the first from the start's bearing. */
export function bearingsOf(start: number, turns: readonly number[]): number[] {
  let along = start;
  return turns.map((turn, k) => {
    along = k === 0 ? start : along + turn;
    return ((along % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
  });
}
