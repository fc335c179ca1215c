/** The one door: everything derived from a job. */
import type { Job } from '../job/job';
import { holding, Kept } from '../numeric/kept';
import { eitherWay } from '../snags/eitherWay';
import { judge } from '../snags/judge';
import type { Snag } from '../snags/snag';
import { atSteepest, situated } from '../yard/situate';
import type { Solution } from '../plan/solution';
import { solve } from '../plan/solve';
import { verdictOf, type Verdict } from './verdict';

export interface Plan extends Solution {
  /** Worst first. */
  snags: Snag[];
  verdict: Verdict;
}

/**
 * The plan of a job. `before`: a plan of the job before an edit, or of whatever is like it: what reads the same is kept of it, and the plan
 * is the one that is made without it, to the last bit. Never throws on a job that its schema accepts, however poor: impossible things are
 * snags.
 */
export function planJob(job: Job, before?: Pick<Plan, 'here'>): Plan {
  const kept = new Kept(before?.here?.kept);
  const here = situated({ id: job.id, elements: job.elements, kept });
  const solution = solve(here);
  const steep = atSteepest(here);
  const steeper = steep && solve(steep);
  const found = judge(here, solution);
  const snags = steeper ? eitherWay(found, judge(steep, steeper)) : found;
  const leftOf = ({ budgets: [first] }: Solution): number => first?.left ?? 0;
  const tightest = steeper && leftOf(steeper) < leftOf(solution) ? steeper : solution;
  const plan = { ...solution, snags, verdict: verdictOf(here, tightest, snags) };
  kept.close();
  return holding(plan, 'here', here);
}

/** A plan that came from elsewhere, as from a worker, with the job that it is of: what is asked of both is worked out here when it is first asked. */
export function madeElsewhere<P extends Plan>(plan: P, job: Job): P {
  let here: Job | undefined;
  const first = (): Job => (here ??= situated({ id: job.id, elements: job.elements, kept: new Kept() }));
  return Object.defineProperty(plan, 'here', { get: first, enumerable: false });
}
