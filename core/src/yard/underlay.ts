/** A picture under the plan, put to scale by two of its spots. */
import type { Underlay } from '../job/kinds';
import { distance, type Place } from '../site/place';

/** A spot of a picture: shares of its width and of its height. */
type SpotOf = Underlay['a']['spot'];

/** The spot of a picture that lies at a place; null off the picture. */
export function spotAt({ a, b, ratio }: Underlay, place: Place): SpotOf | null {
  // Across and up, in picture heights, as one complex number; the picture lies on the plan by a turn and a scale.
  const [ux, uy] = [(b.spot.across - a.spot.across) * ratio, a.spot.down - b.spot.down];
  const [px, py] = [b.place.east - a.place.east, b.place.north - a.place.north];
  const [dx, dy] = [place.east - a.place.east, place.north - a.place.north];
  const square = px * px + py * py;
  if (square === 0) return null;
  const [x, y] = [(dx * px + dy * py) / square, (dy * px - dx * py) / square];
  const across = a.spot.across + (x * ux - y * uy) / ratio;
  const down = a.spot.down - (x * uy + y * ux);
  return across >= 0 && across <= 1 && down >= 0 && down <= 1 ? { across, down } : null;
}

/**
 * The picture so large that two places that were tapped on it are `length` m apart; the first stays where it is. Null where they are one,
 * or off the picture.
 */
export function scaledBy(underlay: Underlay, first: Place, second: Place, length: number): Underlay | null {
  const [a, b] = [spotAt(underlay, first), spotAt(underlay, second)];
  const now = distance(first, second);
  if (!a || !b || now < 0.01) return null;
  const times = length / now;
  return {
    ...underlay,
    a: { spot: a, place: first },
    b: {
      spot: b,
      place: {
        east: first.east + times * (second.east - first.east),
        north: first.north + times * (second.north - first.north),
      },
    },
  };
}
