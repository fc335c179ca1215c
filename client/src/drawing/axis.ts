/** The one axis: round figures in the unit that is read, and where they stand in the numbers that are drawn. */
import { decimals } from '@katabasis/core';
import { tickStep } from 'd3-array';

export interface Range {
  /** Least and greatest value shown, in the numbers that are drawn. */
  low: number;
  high: number;
  /** How much of those numbers one shown unit is. */
  per: number;
  /** About how many parts. */
  count: number;
  /** Least step, in shown units. */
  leastStep?: number;
}

/** Round figures within a range: where each stands, and what is written there. */
export function ticksOf({ low, high, per, count, leastStep = 0 }: Range): { at: number; said: string }[] {
  const step = Math.max(tickStep(0, (high - low) / per, count), leastStep);
  const places = Math.max(0, -Math.floor(Math.log10(step) + 1e-9));
  const first = Math.ceil(low / per / step - 1e-9);
  const last = Math.floor(high / per / step + 1e-9);
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, k) => ({
    at: (first + k) * step * per,
    said: decimals((first + k) * step, places),
  }));
}
