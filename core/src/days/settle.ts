/** What is settled of a step of the work by hand: its day, its crew, that it is done and the hours that it took. */
import { put, type Change } from '../job/change';
import { defined } from '../job/edits/defined';
import { freshId } from '../job/ids';
import { ofKind, type Job } from '../job/job';
import type { Step } from '../job/kinds';

/** Puts it into the job; what is undefined is taken out, and what is left unsaid stays. */
export function settleStep(job: Job, key: string, next: { [K in keyof Step]?: Step[K] | undefined }): Change {
  const known = ofKind(job, 'step').find(({ of }) => of === key);
  return put(
    'Settle a step',
    defined({ id: freshId('step'), kind: 'step' as const, of: key, ...known, ...next } as Step),
  );
}
