/** Which way pipes lie under an outline: as the ground falls, or along its longest side. */
import type { Surface as GroundSurface } from '../ground/surface';
import { bearing, type Place } from '../site/place';

/** Bearing of an outline's longest side: where no fall is known, pipes run along it. */
export function longest(outline: readonly Place[]): number {
  let [most, way] = [0, 0];
  outline.forEach((a, k) => {
    const b = outline[(k + 1) % outline.length]!;
    const side = Math.hypot(b.east - a.east, b.north - a.north);
    if (side > most) [most, way] = [side, bearing(a, b)];
  });
  return way;
}

/** Which way (rad from north) the ground under an outline falls: the plane through its corners that misses them least. Null where it is not levelled, or level. */
export function fallUnder(ground: GroundSurface | null, outline: readonly Place[]): number | null {
  const corners = outline.flatMap((place) => {
    const level = ground?.levelAt(place) ?? null;
    return level === null ? [] : [{ ...place, level }];
  });
  if (corners.length < 3) return null;
  const sum = (of: (corner: (typeof corners)[number]) => number): number =>
    corners.reduce((all, corner) => all + of(corner), 0);
  const [east, north, level] = [sum((c) => c.east), sum((c) => c.north), sum((c) => c.level)].map(
    (all) => all / corners.length,
  ) as [number, number, number];
  const ee = sum((c) => (c.east - east) ** 2);
  const nn = sum((c) => (c.north - north) ** 2);
  const en = sum((c) => (c.east - east) * (c.north - north));
  const el = sum((c) => (c.east - east) * (c.level - level));
  const nl = sum((c) => (c.north - north) * (c.level - level));
  const whole = ee * nn - en * en;
  if (whole <= 1e-9) return null;
  const [rise, climb] = [(el * nn - nl * en) / whole, (nl * ee - el * en) / whole];
  return Math.hypot(rise, climb) < 1e-4 ? null : Math.atan2(-rise, -climb);
}
