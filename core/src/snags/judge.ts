/** Runs every rule over a solution. */
import type { Job } from '../job/job';
import type { Solution } from '../plan/solution';
import { RULES } from './rules';
import { SEVERITIES, type Severity, type Snag } from './snag';

/** All snags, worst first; of equally bad ones in the order of the rules. */
export function judge(job: Job, solution: Solution): Snag[] {
  const bySeverity: Record<Severity, Snag[]> = { stop: [], fix: [], mind: [] };
  for (const rule of RULES) for (const snag of rule.find(job, solution)) bySeverity[snag.severity].push(snag);
  return SEVERITIES.flatMap((severity) => bySeverity[severity]);
}
