import { isControlKnown, OUTFALLS } from '../../catalogue/outfalls';
import { dischargeAt, worstEnds } from '../ends';
import { LEAST_SHORT } from '../../numeric/tolerance';
import type { Rule } from '../snag';

/** A pipe that ends, as it is laid, under what should take its water. The figure is how far before its end it comes down to that level. */
export const outOfFall: Rule = {
  code: 'outOfFall',
  short: 'out of fall',
  find: (job, { ends }) =>
    worstEnds(ends)
      .filter((end) => {
        const discharge = dischargeAt(job, end);
        return end.over < -LEAST_SHORT && isControlKnown(discharge) && OUTFALLS[discharge.form].drainsDry;
      })
      .map((end) => ({
        code: 'outOfFall',
        severity: 'stop',
        at: end.discharge,
        other: end.run,
        measure: 'length',
        figure: end.shortBy,
        limit: end.over,
      })),
  tell: (snag, say) => ({
    headline: `Line ${say.line(snag.other!)} lacks ${say.show('small', -snag.limit)} of fall: it runs out ${say.show('length', snag.figure)} before ${say.name(snag.at)}.`,
    why: 'As it is laid its pipe ends under the bottom of what should take the water.',
  }),
};
