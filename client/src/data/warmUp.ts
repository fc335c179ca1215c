/**
 * What the first edit of a page runs for the first time takes twice as long as the same later: the browser has read none of it yet. It is
 * run once while nobody waits, on a change that is never made.
 */
import { changed, changeSchema, put, type Job } from '@katabasis/core';
import { faultOf } from './faultOf';
import { isPlannedHere, planHere } from './planner';

/** Two sizes, m, one of which a run has not got. */
const SIZES = [0.1016, 0.1524] as const;

export function warmUp(job: Job): void {
  const run = job.elements.ofKind('run').at(-1);
  if (!run || !isPlannedHere(job)) return;
  const change = put('Size', { ...run, nominal: SIZES.find((size) => size !== run.nominal)! });
  changeSchema.safeParse(change, { reportInput: true });
  if (faultOf(job, change) === null) planHere(changed(job, change));
}

/** Has `act` done when there is nothing better to do; what it gives calls that off. */
export function whenIdle(act: () => void): () => void {
  if (typeof requestIdleCallback === 'undefined') return () => undefined;
  const asked = requestIdleCallback(act);
  return () => cancelIdleCallback(asked);
}
