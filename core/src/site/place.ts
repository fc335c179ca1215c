/** Plane geometry of a site. Coordinates in m about the job's own origin, east and north; bearings in rad from north, clockwise. */

export interface Place {
  east: number;
  north: number;
}

export const distance = (a: Place, b: Place): number => Math.hypot(b.east - a.east, b.north - a.north);

/** From north, clockwise, 0 to 2π; 0 for two places that are one. */
export function bearing(a: Place, b: Place): number {
  const angle = Math.atan2(b.east - a.east, b.north - a.north);
  return angle < 0 ? angle + 2 * Math.PI : angle;
}

/** The place so far from another along a bearing. */
export const onward = (from: Place, along: number, length: number): Place => ({
  east: from.east + length * Math.sin(along),
  north: from.north + length * Math.cos(along),
});

export const between = (a: Place, b: Place, share: number): Place => ({
  east: a.east + share * (b.east - a.east),
  north: a.north + share * (b.north - a.north),
});

/** Length of a way from place to place, m. */
export function wayLength(way: readonly Place[]): number {
  let sum = 0;
  for (let k = 1; k < way.length; k++) sum += distance(way[k - 1]!, way[k]!);
  return sum;
}

/** Sides of an outline: each corner with the next, the last with the first. */
export const sidesOf = (outline: readonly Place[]): [Place, Place][] =>
  outline.map((corner, k) => [corner, outline[(k + 1) % outline.length]!]);

/** Twice the signed area of a triangle, m²: positive where c lies left of the way from a to b. */
export const leftness = (a: Place, b: Place, c: Place): number =>
  (b.east - a.east) * (c.north - a.north) - (b.north - a.north) * (c.east - a.east);

/** m²; positive where the corners go round anticlockwise. */
export function signedArea(outline: readonly Place[]): number {
  // About the first corner, so that far coordinates lose no digits.
  const origin = outline[0];
  if (!origin) return 0;
  let twice = 0;
  for (const [a, b] of sidesOf(outline)) twice += leftness(origin, a, b);
  return twice / 2;
}

export const areaOf = (outline: readonly Place[]): number => Math.abs(signedArea(outline));

/** Centre of gravity of an outline; the mean of its corners where it has no area. */
export function centreOf(outline: readonly Place[]): Place {
  const origin = outline[0] ?? { east: 0, north: 0 };
  let twice = 0;
  let east = 0;
  let north = 0;
  for (const [a, b] of sidesOf(outline)) {
    const part = leftness(origin, a, b);
    twice += part;
    east += part * (a.east + b.east - 2 * origin.east);
    north += part * (a.north + b.north - 2 * origin.north);
  }
  if (Math.abs(twice) < 1e-12) {
    const sum = outline.reduce((s, p) => ({ east: s.east + p.east, north: s.north + p.north }), { east: 0, north: 0 });
    return { east: sum.east / (outline.length || 1), north: sum.north / (outline.length || 1) };
  }
  return { east: origin.east + east / (3 * twice), north: origin.north + north / (3 * twice) };
}

/** Whether a place lies within an outline (even-odd; its edge may be told either way). */
export function isWithin(outline: readonly Place[], place: Place): boolean {
  let inside = false;
  for (const [a, b] of sidesOf(outline)) {
    if (a.north > place.north !== b.north > place.north) {
      const east = a.east + ((place.north - a.north) / (b.north - a.north)) * (b.east - a.east);
      if (east > place.east) inside = !inside;
    }
  }
  return inside;
}

export interface Foot {
  place: Place;
  /** Share of the way from a to b, 0 to 1. */
  share: number;
  distance: number;
}

/** The place on a straight stretch that is nearest to another. */
export function footOn(a: Place, b: Place, place: Place): Foot {
  const east = b.east - a.east;
  const north = b.north - a.north;
  const square = east * east + north * north;
  const along = square === 0 ? 0 : ((place.east - a.east) * east + (place.north - a.north) * north) / square;
  const share = Math.min(1, Math.max(0, along));
  const foot = between(a, b, share);
  return { place: foot, share, distance: distance(foot, place) };
}

export interface FootOnWay extends Foot {
  /** Which stretch, from 0. */
  side: number;
  /** From the way's start, m. */
  along: number;
}

/** The nearest place on a way of several stretches; null for a way of no stretch. */
export function footOnWay(way: readonly Place[], place: Place): FootOnWay | null {
  let best: FootOnWay | null = null;
  let before = 0;
  for (let k = 1; k < way.length; k++) {
    const length = distance(way[k - 1]!, way[k]!);
    const foot = footOn(way[k - 1]!, way[k]!, place);
    if (!best || foot.distance < best.distance) {
      best = { ...foot, side: k - 1, along: before + foot.share * length };
    }
    before += length;
  }
  return best;
}

/** An outline as the way round it, back to where it began. */
export const roundOf = (outline: readonly Place[]): Place[] => (outline.length > 0 ? [...outline, outline[0]!] : []);

/** From a place to an outline, m; 0 within it. */
export function distanceTo(outline: readonly Place[], place: Place): number {
  if (isWithin(outline, place)) return 0;
  return footOnWay(roundOf(outline), place)?.distance ?? Infinity;
}

export interface Crossing {
  place: Place;
  /** Shares along the first stretch and the second, 0 to 1. */
  first: number;
  second: number;
}

/** Where two straight stretches meet; null where they do not, or run along one another. */
export function crossing(a: Place, b: Place, c: Place, d: Place): Crossing | null {
  const east = b.east - a.east;
  const north = b.north - a.north;
  const east2 = d.east - c.east;
  const north2 = d.north - c.north;
  const turn = east * north2 - north * east2;
  if (Math.abs(turn) <= 1e-12 * (Math.hypot(east, north) * Math.hypot(east2, north2) + 1e-300)) return null;
  const first = ((c.east - a.east) * north2 - (c.north - a.north) * east2) / turn;
  const second = ((c.east - a.east) * north - (c.north - a.north) * east) / turn;
  if (first < 0 || first > 1 || second < 0 || second > 1) return null;
  return { place: between(a, b, first), first, second };
}

/** Sides of an outline that cross each other, by index; null where it is plain. Neighbours share a corner and are let be. */
export function crossedSides(outline: readonly Place[]): [number, number] | null {
  const sides = sidesOf(outline);
  for (let i = 0; i < sides.length; i++) {
    for (let j = i + 2; j < sides.length; j++) {
      if (i === 0 && j === sides.length - 1) continue;
      if (crossing(...sides[i]!, ...sides[j]!)) return [i, j];
    }
  }
  return null;
}

/** The convex outline round some places, anticlockwise (Andrew 1979, monotone chains). */
export function hullOf(places: readonly Place[]): Place[] {
  const sorted = [...places].sort((a, b) => a.east - b.east || a.north - b.north);
  const chain = (along: readonly Place[]): Place[] => {
    const kept: Place[] = [];
    for (const place of along) {
      while (kept.length > 1 && leftness(kept.at(-2)!, kept.at(-1)!, place) <= 0) kept.pop();
      kept.push(place);
    }
    return kept.slice(0, -1);
  };
  return [...chain(sorted), ...chain(sorted.toReversed())];
}

export interface Extent {
  west: number;
  east: number;
  south: number;
  north: number;
}

/** The smallest upright rectangle round some places; null round none. */
export function extentOf(places: Iterable<Place>): Extent | null {
  let extent: Extent | null = null;
  for (const { east, north } of places) {
    if (!extent) extent = { west: east, east, south: north, north };
    else {
      extent.west = Math.min(extent.west, east);
      extent.east = Math.max(extent.east, east);
      extent.south = Math.min(extent.south, north);
      extent.north = Math.max(extent.north, north);
    }
  }
  return extent;
}

/** Middle of some places: the mean of each coordinate. */
export const middleOf = (places: readonly Place[]): Place => ({
  east: places.reduce((sum, { east }) => sum + east, 0) / places.length,
  north: places.reduce((sum, { north }) => sum + north, 0) / places.length,
});
