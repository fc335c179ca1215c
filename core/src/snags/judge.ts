/** Runs every rule over a solution. */
import type { Job } from '../job/job';
import type { Solution } from '../plan/solution';
import { RULES } from './rules';
import { SEVERITIES, type Snag } from './snag';

/** All snags, worst first. */
export function judge(job: Job, solution: Solution): Snag[] {
  const found = RULES.flatMap((rule) => rule.find(job, solution));
  return SEVERITIES.flatMap((severity) => found.filter((snag) => snag.severity === severity));
}
