/** A snag in words, in the job's units. */
import { headOf, type Job } from '../job/job';
import type { Solution } from '../plan/solution';
import { RULE_BY_CODE } from './rules';
import type { Snag, SnagWords } from './snag';
import type { Shown } from '../units';
import { showMeasure, tellerOf } from '../words/teller';
import { situated } from '../yard/situate';

export function tellSnag(
  given: Job,
  solution: Pick<Solution, 'runs' | 'here'>,
  snag: Snag,
): SnagWords & { figure: Shown; limit: Shown } {
  const job = situated(given, solution);
  const { units } = headOf(job);
  return {
    ...RULE_BY_CODE.get(snag.code)!.tell(snag, tellerOf(job, solution)),
    figure: showMeasure(snag.measure, snag.figure, units),
    limit: showMeasure(snag.measure, snag.limit, units),
  };
}

/** In two or three words what a snag is. */
export const shortOf = (snag: Snag): string | undefined => RULE_BY_CODE.get(snag.code)?.short;
