/** How far a test in a yard can be trusted: what nobody knows of a sound line, and how well a bucket and a watch tell. */
import { dice } from '../../numeric/dice';

/** Standard deviations, as shares: a pipe's roughness round its usual figure; a flow by bucket and watch; a time by eye and shout, with what it is at least, s. */
export const ROUGHNESS_SPREAD = 0.12;
export const BUCKET_SPREAD = 0.05;
export const TIME_SPREAD = 0.03;
export const SHOUT = 2;

/** One way that the unknown may lie. */
export interface Draw {
  /** Share of what stands full that was full before; roughness over the usual. */
  full: number;
  rough: number;
  /** True flow over the one that the bucket at the hose told. */
  flow: number;
  /** Four numbers from 0 to 1 for what may be wrong, and two errors of reading, in standard deviations. */
  wrong: readonly [number, number, number, number];
  timeError: number;
  outError: number;
}

/** A standard normal number of two even ones (Box and Muller 1958). */
export const normal = (one: number, other: number): number =>
  Math.sqrt(-2 * Math.log(1 - one)) * Math.cos(2 * Math.PI * other);

export function drawOf(roll: () => number): Draw {
  return {
    full: roll(),
    rough: Math.exp(ROUGHNESS_SPREAD * normal(roll(), roll())),
    flow: Math.exp(BUCKET_SPREAD * normal(roll(), roll())),
    wrong: [roll(), roll(), roll(), roll()],
    timeError: normal(roll(), roll()),
    outError: normal(roll(), roll()),
  };
}

/** The same draws at every asking, so that the same test is told the same. */
export function draws(count: number, seed = 1): Draw[] {
  const roll = dice(seed * 7919);
  return Array.from({ length: count }, () => drawOf(roll));
}

/** Standard deviation of a time's logarithm, of one read off a watch. */
export const timeSpread = (seconds: number): number => Math.hypot(TIME_SPREAD, SHOUT / Math.max(SHOUT, seconds));
