/** Runs every rule over a solution, and tells or mends a snag when asked. */
import { headOf, type Job } from '../job/job';
import type { Solution } from '../solve';
import { RULE_BY_CODE, RULES } from './rules';
import { SEVERITIES, type Fix, type ShownFigure, type Snag, type Told } from './snag';
import { showMeasure, tellerOf } from './teller';

/** All snags, worst first. */
export function judge(job: Job, solution: Solution): Snag[] {
  const found = RULES.flatMap((rule) => rule.find(job, solution));
  return SEVERITIES.flatMap((severity) => found.filter((snag) => snag.severity === severity));
}

/** A snag in words, in the job's units. */
export function tellSnag(job: Job, solution: Solution, snag: Snag): Told & ShownFigure {
  const { units } = headOf(job);
  return {
    ...RULE_BY_CODE.get(snag.code)!.tell(snag, tellerOf(job, solution)),
    figure: showMeasure(snag.measure, snag.figure, units),
    limit: showMeasure(snag.measure, snag.limit, units),
  };
}

/** The one-tap mend of a snag; null when only a person on site can. */
export function fixOf(job: Job, solution: Solution, snag: Snag): Fix | null {
  return RULE_BY_CODE.get(snag.code)!.fix(snag, job, solution);
}
