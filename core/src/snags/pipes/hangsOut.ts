import { comesOut } from '../../network/covered';
import { dischargeAt } from '../ends';
import type { Rule } from '../snag';

/** Higher than this over the ground a pipe's end is no longer bedded, m: what an apron makes good. */
const BEDDED = 0.1;

/** A pipe set so high that its end hangs over the ground where it should come out. */
export const hangsOut: Rule = {
  code: 'hangsOut',
  short: 'ends in the air',
  find: (job, { ends }) =>
    ends.flatMap((end) => {
      const discharge = dischargeAt(job, end);
      const over = end.invert - discharge.groundLevel;
      if (!comesOut(discharge) || over <= BEDDED) return [];
      return [
        {
          code: 'hangsOut',
          severity: 'fix' as const,
          at: end.run,
          other: end.discharge,
          measure: 'small' as const,
          figure: over,
          limit: 0,
        },
      ];
    }),
  tell: (snag, say) => ({
    headline: `Line ${say.line(snag.at)} ends ${say.show('small', snag.figure)} above the ground at ${say.name(snag.other!)}.`,
    why: 'A pipe that hangs out of a bank sags, breaks at its last joint and lets its water fall where it scours.',
  }),
};
