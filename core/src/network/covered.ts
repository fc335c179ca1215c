/**
 * Ground and cover along one run. Ground is straight between landings. Before a daylight end it drops over a bank: the one that the way
 * out states, or the ground that was levelled there, or else a bank that is assumed: a pipe that comes out of the ground must come near
 * its surface somewhere, and most ways out lie at the foot of something.
 *
 *    ground up ______            _ top of the bank
 *                     ‾‾‾‾‾‾‾‾‾‾‾ \
 *    crown    ─────────────────────\──── end        covered to here | comes out
 */
import { OUTFALLS } from '../catalogue/outfalls';
import { diameterOf, type Discharge, type Landing, type Run } from '../job/kinds';
import type { Settings } from '../job/settings';
import { leastCoverOf, leastPitchOf } from './leastOf';

/** Where wheels pass, no more than this before the end may lie shallower, m: 3 ft. */
const OUTCROP_UNDER_CARS = 0.9144;
/** What lies at the foot of a bank: the ground is near even until its top. */
const BANKED: ReadonlySet<Discharge['receiving']> = new Set(['swale', 'ditch']);
/** Steepest that such a bank is taken to be, m/m: earth of two on one stands. */
const STEEPEST_BANK = 0.5;

export interface CoveredTo {
  /** m from the run's head to where the least cover is asked last, and ground there, m. */
  station: number;
  ground: number;
  /** True where nobody has said or measured what the ground does between there and the end. */
  assumed: boolean;
}

/** Whether a pipe's end there comes out of the ground. */
export const comesOut = (landing: Landing): landing is Discharge =>
  landing.kind === 'discharge' && OUTFALLS[landing.form].opensOut;

/** How far before its end a run may lie shallower, m, where the way out states no bank. */
export const outcropOf = (run: Run, settings: Settings): number =>
  run.under === 'cars' ? Math.min(settings.outcrop, OUTCROP_UNDER_CARS) : settings.outcrop;

/**
 * Top of a bank that nobody has measured, `open` m before a run's end, m. It stands over the straight slope by as much as covers a pipe that
 * comes out at its foot; over a swale or ditch the ground is even until there. Never over the run's head, nor steeper than earth stands.
 */
function assumedTop(run: Run, upper: Landing, lower: Discharge, open: number, settings: Settings): number {
  const [head, end] = [upper.groundLevel, lower.groundLevel];
  const rise = ((head - end) * open) / run.length;
  const covers = Math.max(rise, leastPitchOf(run, settings) * open) + diameterOf(run) + leastCoverOf(run, settings);
  const bank = BANKED.has(lower.receiving) ? Math.max(covers, open * STEEPEST_BANK) : covers;
  return Math.max(end + rise, Math.min(head, end + bank));
}

/** How far down a run the least cover is asked: all of it, but for the last stretch before daylight. `seen`: ground there as levelled, m. */
export function coveredTo(run: Run, upper: Landing, lower: Landing, settings: Settings, seen?: number): CoveredTo {
  if (!comesOut(lower)) return { station: run.length, ground: lower.groundLevel, assumed: false };
  // Before a channel the paving runs on to its grate, and nothing drops, whatever was said of it as another way out.
  const { inChannel } = OUTFALLS[lower.form];
  const bank = inChannel ? undefined : lower.bank;
  const open = bank?.length ?? outcropOf(run, settings);
  if (open >= run.length) return { station: 0, ground: upper.groundLevel, assumed: false };
  const even = inChannel
    ? lower.groundLevel + ((upper.groundLevel - lower.groundLevel) * open) / run.length
    : undefined;
  const known = bank?.topLevel ?? seen ?? even;
  const ground = known ?? assumedTop(run, upper, lower, open, settings);
  return { station: run.length - open, ground, assumed: known === undefined };
}
