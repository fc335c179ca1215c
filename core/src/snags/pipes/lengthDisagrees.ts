import { ofKind } from '../../job/job';
import { wayOfRun } from '../../job/places';
import { wayLength } from '../../site/place';
import type { Rule } from '../snag';
import { each } from '../each';
import { isLaid } from '../../job/kinds';

/** Of a paced or taped length, and what a tape sags and slips at least, m. */
const TAPE = 0.02;
const LEAST = 0.15;

/** A taped length that the plan does not bear out: one of them is wrong, and neither is changed for the other. */
export const lengthDisagrees: Rule = {
  code: 'lengthDisagrees',
  find: (job) =>
    each(ofKind(job, 'run'), (run) => {
      const way = run.lengthFrom === 'plan' || !isLaid(run) ? null : wayOfRun(job, run);
      if (!way) return null;
      const onPlan = wayLength(way);
      if (Math.abs(onPlan - run.length) <= Math.max(LEAST, TAPE * run.length)) return null;
      return {
        code: 'lengthDisagrees',
        severity: 'mind',
        at: run.id,
        measure: 'length',
        figure: run.length,
        limit: onPlan,
      };
    }),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} was taped at ${say.show('length', snag.figure)}; on the plan it is ${say.show('length', snag.limit)}.`,
    why: 'A tape’s error is about one in fifty. Tape it again, or put its ends where they stand; or let it take its length from the plan.',
  }),
};
