import type { Surface as GroundSurface } from '../ground/surface';
import type { Place } from '../site/place';

/** Ground at a place, m; null where nobody has levelled it. */
export type LevelAt = (place: Place) => number | null;

export const levelsUnder =
  (ground: GroundSurface | null): LevelAt =>
  (place) =>
    ground?.levelAt(place) ?? null;
