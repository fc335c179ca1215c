/** Runs every rule over a solution. */
import { headOf, type Job } from '../job/job';
import type { Solution } from '../plan/solution';
import { acceptanceOf } from './accepted';
import { RULES } from './rules';
import type { Snag } from './snag';

/** All snags, worst first, of either sort what is accepted last; of equally bad ones in the order of the rules. */
export function judge(job: Job, solution: Solution): Snag[] {
  const stops: Snag[] = [];
  const fixes: Snag[] = [];
  const minds: Snag[] = [];
  for (const rule of RULES) {
    const found = rule.find(job, solution);
    for (let k = 0; k < found.length; k++) {
      const snag = found[k]!;
      const { severity } = snag;
      (severity === 'stop' ? stops : severity === 'fix' ? fixes : minds).push(snag);
    }
  }
  if (!headOf(job).accepted) return stops.concat(fixes, minds);
  const told = (snags: Snag[]): [open: Snag[], accepted: Snag[]] => {
    const said = snags.map((snag) => {
      const found = acceptanceOf(job, snag);
      return found ? { ...snag, accepted: { reason: found.reason, on: found.on } } : snag;
    });
    return [said.filter(({ accepted }) => !accepted), said.filter(({ accepted }) => accepted)];
  };
  const [[toMend, wanted], [toMind, accepted]] = [told(fixes), told(minds)];
  return stops.concat(toMend, wanted, toMind, accepted);
}
