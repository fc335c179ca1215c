import { put } from '../job/change';
import { rainOf } from '../job/job';
import { METRES_PER_SECOND_PER_INCH_PER_HOUR } from '../units/constants';
import type { Rule } from './snag';

/** A middling 10-year 5-minute rain, m/s: 6 in/h. */
const USUAL_RAIN = 6 * METRES_PER_SECOND_PER_INCH_PER_HOUR;

/** No design rain, so nothing has been sized. */
export const noRain: Rule = {
  code: 'noRain',
  find: (job) =>
    rainOf(job) ? [] : [{ code: 'noRain', severity: 'stop', at: 'job', measure: 'count', figure: 0, limit: 1 }],
  tell: () => ({
    headline: 'No design rain is set.',
    why: 'Without a rain nothing can be sized. Take it from the rain office, or type the one that local practice uses.',
  }),
  fix: () => {
    const label = 'Start with 6 in/h (152 mm/h)';
    return {
      label,
      change: put(label, { id: 'rain', kind: 'rain', intensity: USUAL_RAIN, source: { type: 'typed' } }),
    };
  },
};
