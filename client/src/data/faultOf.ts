import { changed, changeFaults, type Change, type Job } from '@katabasis/core';

/** What a change would make wrong with a job, as a sentence; null when nothing. */
export function faultOf(job: Job, change: Change): string | null {
  const [fault] = changeFaults(job, changed(job, change), change);
  return fault ? `${fault.path} ${fault.sentence}.` : null;
}
