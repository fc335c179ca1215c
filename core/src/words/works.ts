/** What a work does, in figures that a crew lead asks for: each with its name, and in the job's units. */
import { headOf, type Job } from '../job/job';
import type { Solution } from '../plan/solution';
import { workOf } from '../works';
import type { Fact } from '../works/work';

export type { Fact };

/** Facts of a work in the design rain; none where it has no plan. */
export function workFacts(job: Job, { works, landings }: Pick<Solution, 'works' | 'landings'>, id: string): Fact[] {
  const plan = works[id];
  return plan ? workOf(plan).facts(plan, headOf(job).units, landings[id]?.entering ?? 0) : [];
}
