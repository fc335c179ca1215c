/**
 * How fast a pit, a bed or a garden lets its water into the soil, from its level against time: v A dh/dt = −K (A + P h), whose level falls as
 * h = (h0 + A/P) e^(−K P t/(v A)) − A/P. K and h0 by least squares (Gauss and Newton), with K's range from what the readings leave over.
 */
import { tWithin } from '../numeric/studentT';

/** What the water stands in: floor, m²; length round it, m; share of it that water fills. */
export interface Pit {
  area: number;
  perimeter: number;
  voids: number;
}

export interface Reading {
  /** s after the first, and depth of the water, m. */
  time: number;
  depth: number;
}

export interface PitFit {
  /** m/s; nine of ten lie between `low` and `high`. */
  conductivity: number;
  low: number;
  high: number;
  /** Depth at the first reading as fitted, m, and how far the readings lie off, m (root of their mean square). */
  start: number;
  off: number;
}

/** What a tape in water is off by, m, known as well as so many readings beyond two would tell it: an eighth of an inch, in a pit that one leans into. */
const TAPE = 0.003175;
const KNOWN = 4;
const NINE_OF_TEN = 0.9;
const ROUNDS = 30;

/** Level of a pit's water after so long, m; not below its floor. */
export function levelAfter({ area, perimeter, voids }: Pit, conductivity: number, start: number, time: number): number {
  const reach = area / perimeter;
  return Math.max(0, (start + reach) * Math.exp((-conductivity * perimeter * time) / (voids * area)) - reach);
}

/** s until it has drained from a depth; the pit's own formula for its time to drain. */
export const timeToDrain = ({ area, perimeter, voids }: Pit, conductivity: number, start: number): number =>
  ((voids * area) / (conductivity * perimeter)) * Math.log(1 + (start * perimeter) / area);

/**
 * Fits K to readings while water still stands. A sentence where they tell nothing: fewer than two, or water that does not fall.
 */
export function fitPit(pit: Pit, readings: readonly Reading[]): PitFit | { sentence: string } {
  // What was read dry says only that it was dry by then.
  const wet = readings.filter(({ depth }, k) => depth > 0 || k === 0);
  if (wet.length < 2) return { sentence: 'It takes two readings at least, with water still standing.' };
  const [first, last] = [wet[0]!, wet.at(-1)!];
  if (last.depth >= first.depth) return { sentence: 'The water did not fall between the first reading and the last.' };
  const reach = pit.area / pit.perimeter;
  const pace = pit.perimeter / (pit.voids * pit.area);
  let start = first.depth;
  let k = Math.log((first.depth + reach) / (last.depth + reach)) / (pace * (last.time - first.time));
  let curvature = 0;
  for (let round = 0; round < ROUNDS; round++) {
    const [a, b, c, d, e] = wet.reduce<[number, number, number, number, number]>(
      ([saa, sab, sbb, sar, sbr], { time, depth }) => {
        const decay = Math.exp(-k * pace * (time - first.time));
        const byK = -(start + reach) * pace * (time - first.time) * decay;
        const rest = depth - ((start + reach) * decay - reach);
        return [saa + byK * byK, sab + byK * decay, sbb + decay * decay, sar + byK * rest, sbr + decay * rest];
      },
      [0, 0, 0, 0, 0],
    );
    const whole = a * c - b * b;
    if (whole <= 0) break;
    const step = (c * d - b * e) / whole;
    start += (a * e - b * d) / whole;
    k = Math.max(k / 4, k + step);
    curvature = whole / c;
    if (Math.abs(step) < 1e-9 * k) break;
  }
  const squares = wet.reduce(
    (sum, { time, depth }) => sum + (depth - levelAfter(pit, k, start, time - first.time)) ** 2,
    0,
  );
  const free = wet.length - 2;
  // What the readings leave over and what is known of tapes, taken together: a few that happen to lie on a line are no better than the tape.
  const error = Math.sqrt((KNOWN * TAPE ** 2 + squares) / (KNOWN + free));
  const off = (tWithin(NINE_OF_TEN, KNOWN + free) * error) / Math.sqrt(curvature);
  return {
    conductivity: k,
    low: Math.max(k / 20, k - off),
    high: k + off,
    start,
    off: Math.sqrt(squares / wet.length),
  };
}
