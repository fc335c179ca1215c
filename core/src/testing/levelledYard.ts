/** Levels every 2 m over 24 m square, in a test of the ground: of any lie, turned and moved as a whole. */
import type { SpotLevel } from '../job/kinds';
import { bearing, distance, onward, type Place } from '../site/place';

export const at = (east: number, north: number): Place => ({ east, north });

export const spot = (id: string, place: Place, level: number): SpotLevel => ({
  id,
  kind: 'spotLevel',
  name: id,
  place,
  level,
});

/** A plane that falls north, with a bowl about (12, 12). */
export const bowl = (place: Place): number =>
  1 - 0.01 * place.north - 0.3 * Math.exp(-(distance(place, at(12, 12)) ** 2) / 9);

/** A place turned about the origin (rad), which itself is moved to `by`. */
export const moved = (place: Place, turn: number, by: Place): Place =>
  onward(by, bearing(at(0, 0), place) + turn, distance(at(0, 0), place));

export const levelled = (level: (place: Place) => number, turn = 0, by = at(0, 0)): SpotLevel[] =>
  Array.from({ length: 169 }, (_, k) => {
    const place = at(2 * (k % 13), 2 * Math.floor(k / 13));
    return spot(`level${k}`, moved(place, turn, by), level(place));
  });
