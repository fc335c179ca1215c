import type { Job } from '../job/job';
import { tellSnag } from '../snags/tell';
import { planJob } from '../verdict/planJob';

/** Headline of a job's first snag of a code, its spaces plain. */
export function told(job: Job, code: string): string {
  const plan = planJob(job);
  const snag = plan.snags.find((each) => each.code === code)!;
  return tellSnag(job, plan, snag).headline.replaceAll('\u00a0', ' ');
}
