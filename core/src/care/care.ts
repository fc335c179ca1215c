/** What has to be looked after of what was laid, when in the year, and why: for the contractor, and in plain words for the customer. */
import { nameOf, type Job } from '../job/job';
import type { Plan } from '../verdict/planJob';
import { RULES } from './rules';
import { keepingOf, seasonOf } from './season';
import type { CareTask } from './task';

/** All care that a job needs, in the order of the list of rules. */
export function careOf(job: Job, plan: Plan): CareTask[] {
  const season = seasonOf(keepingOf(job));
  return Object.entries(RULES).flatMap(([key, rule]) => {
    const found = rule(job, plan, season);
    return found ? [{ key, ...found }] : [];
  });
}

/** What a task is of, by name; nothing where it is of the whole job, or of more than is worth a line. */
export function careAbout(job: Job, { of }: CareTask): string {
  if (of[0] === 'job' || of.length > 4) return '';
  return of.map((id) => nameOf(job, id)).join(', ');
}
