/** The one door: everything derived from a job. */
import type { Job } from '../job/job';
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

const plans = new WeakMap<Job, Plan>();
let made = 0;

/** How many plans have been made, rather than remembered, since the program began. */
export const plansMade = (): number => made;

/**
 * The plan of a job; the same one again for the same job. Pure; never throws on a job that its schema accepts, however poor:
 * impossible things are snags.
 */
export function planJob(job: Job): Plan {
  const known = plans.get(job);
  if (known) return known;
  made++;
  const here = situated(job);
  const solution = solve(here);
  const snags = judge(here, solution);
  const plan = { ...solution, snags, verdict: verdictOf(here, solution, snags) };
  plans.set(job, plan);
  return plan;
}
