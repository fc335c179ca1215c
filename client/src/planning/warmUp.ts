/**
 * What the first edit of a page runs for the first time takes twice as long as the same later: the browser has read none of it yet. It is
 * run while nobody waits, on changes that are never made.
 */
import { changed, changeSchema, put, type Job } from '@katabasis/core';
import { faultOf } from '../sync/faultOf';
import { isPlannedHere, planHere } from './planner';

/** Sizes, m, that it is tried in, and how often: what has run a few times is made fast by the browser. */
const SIZES = [0.1016, 0.1524] as const;
const TIMES = 6;

function tryOn(job: Job, nominal: number): void {
  const run = job.elements.ofKind('run').at(-1)!;
  const change = put('Size', { ...run, nominal });
  changeSchema.safeParse(change, { reportInput: true });
  if (faultOf(job, change) === null) planHere(changed(job, change));
}

/** Warms up for edits of a job; what it gives calls that off. */
export function warmUp(job: Job): () => void {
  if (typeof requestIdleCallback === 'undefined' || job.elements.ofKind('run').length === 0 || !isPlannedHere(job))
    return () => undefined;
  let asked = 0;
  const again = (left: number): void => {
    asked = requestIdleCallback(() => {
      tryOn(job, SIZES[left % SIZES.length]!);
      if (left > 1) again(left - 1);
    });
  };
  again(TIMES);
  return () => cancelIdleCallback(asked);
}
