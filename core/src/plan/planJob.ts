/** The one door: everything derived from a job. */
import type { Job } from '../job/job';
import { lastFew } from '../numeric/lastFew';
import { situated } from '../yard/situate';
import { judge } from '../snags/judge';
import type { Snag } from '../snags/snag';
import type { Solution } from './solution';
import { solve } from './solve';
import { verdictOf, type Verdict } from './verdict';

export interface Plan extends Solution {
  /** Worst first. */
  snags: Snag[];
  verdict: Verdict;
}

/** Plans remembered: of the jobs as made and under the finger, and of what is tried on them. */
const REMEMBERED = 4;
let made = 0;

/** How many plans have been made, rather than remembered, since the program began. */
export const plansMade = (): number => made;

/**
 * The plan of a job; the same one again for the same job, while it is among the last few. Pure; never throws on a job that its schema
 * accepts, however poor: impossible things are snags.
 */
export const planJob: (job: Job) => Plan = lastFew(REMEMBERED, (job: Job): Plan => {
  made++;
  const here = situated(job);
  const solution = solve(here);
  const snags = judge(here, solution);
  return { ...solution, snags, verdict: verdictOf(here, solution, snags) };
});
