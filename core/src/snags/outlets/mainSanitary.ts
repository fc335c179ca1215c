import { OUTFALLS } from '../../catalogue/outfalls';
import { reached } from '../ends';
import type { Rule } from '../snag';

/** Storm water led into a main that carries sewage. */
export const mainSanitary: Rule = {
  code: 'mainSanitary',
  find: (job, { ends }) =>
    reached(job, ends)
      .filter(({ form, mainIs }) => OUTFALLS[form].hasCapacity && mainIs === 'sanitary')
      .map(({ id }) => ({
        code: 'mainSanitary',
        severity: 'stop' as const,
        at: id,
        measure: 'count' as const,
        figure: 1,
        limit: 0,
      })),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} is a sanitary sewer: no rain may be led into it.`,
    why: 'It backs sewage up into houses and is against the law nearly everywhere.',
    instead: 'Look for another way out: daylight, a swale, a storm main, a pit.',
  }),
};
