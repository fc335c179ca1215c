import { ofKind, rainOf, type Job } from '../../job/job';
import type { Rule } from '../snag';

/** Whether nothing of a job comes from rain: what runs in it always runs. */
const onlyFixed = (job: Job): boolean =>
  ofKind(job, 'fixedFlow').length > 0 && ofKind(job, 'roofFace').length === 0 && ofKind(job, 'surface').length === 0;

/** No design rain, so nothing has been sized. */
export const noRain: Rule = {
  code: 'noRain',
  find: (job) =>
    rainOf(job) || onlyFixed(job)
      ? []
      : [{ code: 'noRain', severity: 'stop', at: 'job', measure: 'count', figure: 0, limit: 1 }],
  tell: () => ({
    headline: 'No design rain is set.',
    why: 'Without a rain nothing can be sized. Take it from the rain office, or type the one that local practice uses.',
  }),
};
