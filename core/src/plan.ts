/** The one door: everything derived from a job. */
import type { Job } from './job/job';
import { judge } from './snags/judge';
import type { Snag } from './snags/snag';
import { solve, type Solution } from './solve';
import { verdictOf, type Verdict } from './verdict';

export interface Plan extends Solution {
  /** Worst first. */
  snags: Snag[];
  verdict: Verdict;
}

/** The plan of a job. Pure; never throws on a job that its schema accepts, however poor: impossible things are snags. */
export function planJob(job: Job): Plan {
  const solution = solve(job);
  const snags = judge(job, solution);
  return { ...solution, snags, verdict: verdictOf(job, solution, snags) };
}
