/**
 * Ground and cover along one run. Ground is straight between landings; before a daylight end it drops over the bank that the way out
 * states, or else the last stretch is let be: a pipe that comes out of the ground must come near its surface somewhere.
 *
 *    ground up ______            _ top of the bank
 *                     ‾‾‾‾‾‾‾‾‾‾‾ \
 *    crown    ─────────────────────\──── end        covered to here | comes out
 */
import { OUTFALLS } from '../catalogue/outfalls';
import type { Discharge, Landing, Run } from '../job/kinds';
import type { Settings } from '../job/settings';

/** Where wheels pass, no more than this before the end may lie shallower, m: 3 ft. */
const OUTCROP_UNDER_CARS = 0.9144;

export interface CoveredTo {
  /** m from the run's head to where the least cover is asked last, and ground there, m. */
  station: number;
  ground: number;
}

/** Whether a pipe's end there comes out of the ground. */
export const comesOut = (landing: Landing): landing is Discharge =>
  landing.kind === 'discharge' && OUTFALLS[landing.form].opensOut;

/** How far down a run the least cover is asked: all of it, but for the last stretch before daylight. */
export function coveredTo(run: Run, upper: Landing, lower: Landing, settings: Settings): CoveredTo {
  if (!comesOut(lower)) return { station: run.length, ground: lower.groundLevel };
  const { bank } = lower;
  if (bank) {
    if (bank.length >= run.length) return { station: 0, ground: upper.groundLevel };
    return { station: run.length - bank.length, ground: bank.topLevel };
  }
  const open = run.under === 'cars' ? Math.min(settings.outcrop, OUTCROP_UNDER_CARS) : settings.outcrop;
  const station = Math.max(0, run.length - open);
  const share = station / run.length;
  return { station, ground: upper.groundLevel + (lower.groundLevel - upper.groundLevel) * share };
}
