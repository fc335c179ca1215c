/** What is wrong with an outline that no schema can see. */
import { areaOf, crossedSides, distance, sidesOf, type Place } from '../../site/place';

/** Nothing that has a side of less is an outline, m. */
const LEAST_SIDE = 0.005;
/** m² */
const LEAST_AREA = 0.0025;

/** Faults of an outline, by its field; none of one that is not drawn. */
export function outlineFaults(outline: readonly Place[] | undefined): { field: string; sentence: string }[] {
  if (!outline) return [];
  const fault = (sentence: string) => [{ field: 'outline', sentence }];
  const nothing = sidesOf(outline).findIndex(([a, b]) => distance(a, b) < LEAST_SIDE);
  if (nothing !== -1) return fault(`has a side of no length, its ${ordinal(nothing + 1)}`);
  const crossed = crossedSides(outline);
  if (crossed) return fault(`crosses itself: its ${ordinal(crossed[0] + 1)} side and its ${ordinal(crossed[1] + 1)}`);
  return areaOf(outline) < LEAST_AREA ? fault('holds no area: its corners lie in a line') : [];
}

/** A way with a stretch of no length, by its field. */
export function wayFaults(way: readonly Place[] | undefined): { field: string; sentence: string }[] {
  const nothing = (way ?? []).findIndex((place, k) => k > 0 && distance(way![k - 1]!, place) < LEAST_SIDE);
  return nothing < 1 ? [] : [{ field: 'way', sentence: `has a stretch of no length, its ${ordinal(nothing)}` }];
}

const ordinal = (n: number): string => {
  const tail = n % 100 > 10 && n % 100 < 14 ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th');
  return `${n}${tail}`;
};
