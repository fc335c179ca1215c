/** Rain over time: how hard it falls, minute by minute. */
import { alternatingBlock } from '../../rain/alternatingBlock';
import { intensityOf, type IntensityTable } from '../../rain/intensity';

/** Intensities (m/s) of even steps (s), from the first on; none after the last. */
export interface Rainfall {
  step: number;
  intensities: readonly number[];
}

export const RAIN_SHAPES = ['middle', 'front', 'late', 'block', 'triangle'] as const;
export type RainShape = (typeof RAIN_SHAPES)[number];

/** Step of a storm that is made of a table, s. */
const STEP = 60;

/** Where in the storm the hardest rain falls, as a share of its length, of a loaded shape. */
const PEAK: Record<'front' | 'middle' | 'late', number> = { front: 0.25, middle: 0.5, late: 0.75 };

/**
 * A storm of so long (s) from a table: its depth is the table's for that duration. `block` falls evenly; `triangle` rises to twice that in
 * its middle and falls again; the others are the table's own increments, the largest at their peak and the next to either side in turn,
 * so that every duration about it brings what the table says (alternating blocks; Chow, Maidment & Mays 1988, §14.4).
 */
export function stormFrom(table: IntensityTable, length: number, shape: RainShape): Rainfall {
  const count = Math.max(1, Math.round(length / STEP));
  const mean = intensityOf(table, length);
  const even = (k: number): number => (k + 0.5) / count;
  if (shape === 'block') return { step: STEP, intensities: new Array<number>(count).fill(mean) };
  if (shape === 'triangle') {
    const shares = Array.from({ length: count }, (_, k) => 1 - Math.abs(2 * even(k) - 1));
    const whole = shares.reduce((sum, share) => sum + share, 0);
    return { step: STEP, intensities: shares.map((share) => (share / whole) * mean * count) };
  }
  const odd = count % 2 === 1 ? count : count + 1;
  const largest = alternatingBlock(table, STEP, odd)
    .sort((one, other) => other - one)
    .slice(0, count);
  return { step: STEP, intensities: loaded(largest, PEAK[shape]) };
}

/** Some amounts, the largest first, laid out about a share of their count: each next to the one before, on the side with more room left. */
function loaded(largest: readonly number[], peak: number): number[] {
  const count = largest.length;
  const laid = new Array<number>(count).fill(0);
  let [low, high] = [Math.min(count - 1, Math.floor(peak * count)), Math.min(count - 1, Math.floor(peak * count))];
  largest.forEach((amount, rank) => {
    if (rank === 0) laid[low] = amount;
    else if (low > 0 && (high === count - 1 || peak * count - low <= high - peak * count + 1)) laid[--low] = amount;
    else laid[++high] = amount;
  });
  return laid;
}

/** Rain that falls within a step of `dt` s from a time (s) on, m. */
export function depthIn({ step, intensities }: Rainfall, from: number, dt: number): number {
  let depth = 0;
  const first = Math.max(0, Math.floor(from / step));
  for (let k = first; k < intensities.length && k * step < from + dt; k++) {
    const shared = Math.min(from + dt, (k + 1) * step) - Math.max(from, k * step);
    depth += intensities[k]! * Math.max(0, shared);
  }
  return depth;
}

export const lengthOfRain = ({ step, intensities }: Rainfall): number => step * intensities.length;
export const depthOfRain = ({ step, intensities }: Rainfall): number =>
  step * intensities.reduce((sum, intensity) => sum + intensity, 0);

/** Two storms, the second so long after the first has ended, s. */
export function twice(rain: Rainfall, pause: number): Rainfall {
  const dry = new Array<number>(Math.round(pause / rain.step)).fill(0);
  return { step: rain.step, intensities: [...rain.intensities, ...dry, ...rain.intensities] };
}
