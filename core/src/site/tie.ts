/** A place by two tapes from two known ones. */
import { bearing, distance, onward, type Place } from './place';

export interface Tie {
  a: Place;
  b: Place;
  fromA: number;
  fromB: number;
  /** Left or right of the way from a to b. */
  side: 'left' | 'right';
}

export type Tied =
  | { ok: true; place: Place; /** Angle at which the tapes cut, rad, 0 to π/2. */ cut: number }
  | { ok: false; /** Why they do not meet, and by how much, m. */ why: 'short' | 'long' | 'onePlace'; by: number };

/** Where two tapes meet. Angles from 60° to 120° are best; under 30° a small error in a tape moves the place far. */
export function tie({ a, b, fromA, fromB, side }: Tie): Tied {
  const base = distance(a, b);
  if (base === 0) return { ok: false, why: 'onePlace', by: 0 };
  if (fromA + fromB < base) return { ok: false, why: 'short', by: base - fromA - fromB };
  if (Math.abs(fromA - fromB) > base) return { ok: false, why: 'long', by: Math.abs(fromA - fromB) - base };
  const along = (fromA ** 2 - fromB ** 2 + base ** 2) / (2 * base);
  const off = Math.sqrt(Math.max(0, fromA ** 2 - along ** 2));
  const way = bearing(a, b);
  const foot = onward(a, way, along);
  const place = onward(foot, way + (side === 'left' ? -Math.PI / 2 : Math.PI / 2), off);
  const cosine = (fromA ** 2 + fromB ** 2 - base ** 2) / (2 * fromA * fromB || 1);
  const angle = Math.acos(Math.min(1, Math.max(-1, cosine)));
  return { ok: true, place, cut: Math.min(angle, Math.PI - angle) };
}

/** A place so far along a wall from its first corner and so far off it, m; off is positive to the right of the way along it. */
export function alongAndOff(from: Place, to: Place, along: number, off: number): Place {
  const way = bearing(from, to);
  return onward(onward(from, way, along), way + Math.PI / 2, off);
}
