import { rainOf } from '../job/job';
import type { Rule } from './snag';

/** No design rain, so nothing has been sized. */
export const noRain: Rule = {
  code: 'noRain',
  find: (job) =>
    rainOf(job) ? [] : [{ code: 'noRain', severity: 'stop', at: 'job', measure: 'count', figure: 0, limit: 1 }],
  tell: () => ({
    headline: 'No design rain is set.',
    why: 'Without a rain nothing can be sized. Take it from the rain office, or type the one that local practice uses.',
  }),
};
