/** Moving a pipe up or down past what lies in its way. */
import { put } from '../../job/change';
import { setInvert } from '../../job/edits/setInvert';
import type { Job } from '../../job/job';
import type { Run } from '../../job/kinds';
import type { RunPlan } from '../../plan/solution';
import { fixOfChange, type Fix } from './fix';

interface Move {
  run: Run;
  planned: RunPlan;
  /** Share of its length down it at which it is to lie otherwise, and by how much, m. */
  share: number;
  by: number;
  says: string;
}

/** Its foot stays where it was, and the pipe turns about it; or the whole of it is moved. */
export function* movePast(job: Job, { run, planned, share, by, says }: Move): Generator<Fix> {
  const change = setInvert(job, run.from, planned.invertUp + by / Math.max(0.05, 1 - share));
  if (change) yield fixOfChange({ ...change, label: says });
  const grade = { type: 'levels', up: planned.invertUp + by, down: planned.invertDown + by } as const;
  yield fixOfChange(put(says, { ...run, grade }));
}
