import { OUTFALLS } from '../../catalogue/outfalls';
import { mainCapacityOf, mainOf } from '../../network/receiving';
import { reached } from '../ends';
import type { Rule } from '../snag';

/** A main of which it is not known how high its own water stands, or how much it holds. */
export const mainUnknown: Rule = {
  code: 'mainUnknown',
  find: (job, { ends }) =>
    reached(job, ends)
      .filter(
        (discharge) =>
          OUTFALLS[discharge.form].hasCapacity &&
          (mainCapacityOf(discharge) === null || (discharge.standingLevel === undefined && mainOf(discharge) === null)),
      )
      .map(({ id }) => ({
        code: 'mainUnknown',
        severity: 'mind' as const,
        at: id,
        measure: 'count' as const,
        figure: 0,
        limit: 1,
      })),
  tell: (snag, say) => ({
    headline: `How full ${say.name(snag.at)} runs is not known.`,
    why: 'The line is worked out as if the main stood empty. A main that runs full backs up into it, and comes up at its lowest inlet.',
    instead: 'Type the main’s size and pitch, and what others send down it; or the level at which its water stands.',
  }),
};
