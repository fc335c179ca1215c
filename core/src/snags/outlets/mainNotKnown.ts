import { OUTFALLS } from '../../catalogue/outfalls';
import { reached } from '../ends';
import type { Rule } from '../snag';

/** A line led into a main of which nobody knows what it carries. */
export const mainNotKnown: Rule = {
  code: 'mainNotKnown',
  find: (job, { ends }) =>
    reached(job, ends)
      .filter(({ form, mainIs }) => OUTFALLS[form].hasCapacity && mainIs === 'unknown')
      .map(({ id }) => ({
        code: 'mainNotKnown',
        severity: 'stop' as const,
        at: id,
        measure: 'count' as const,
        figure: 0,
        limit: 1,
      })),
  tell: (snag, say) => ({
    headline: `Nobody knows whether ${say.name(snag.at)} carries rain or sewage.`,
    why: 'Rain led into a sanitary sewer comes up in somebody’s basement.',
    instead: 'Ask the town for its plan, or run dyed water from a house drain and look; then say what it is.',
  }),
};
