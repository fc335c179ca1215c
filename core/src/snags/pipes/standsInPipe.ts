import { OUTFALLS } from '../../catalogue/outfalls';
import { dischargeAt } from '../ends';
import { LEVEL_TOLERANCE } from '../../numeric/tolerance';
import type { Rule } from '../snag';

/** Water that stands at a way out in the design rain reaches into the pipe. Into a main it always does; there it counts from the crown. */
export const standsInPipe: Rule = {
  code: 'standsInPipe',
  short: 'stands in water',
  find: (job, { ends, runs }) =>
    ends.flatMap((end) => {
      const discharge = dischargeAt(job, end);
      const { drainsDry, hasCapacity } = OUTFALLS[discharge.form];
      if (!drainsDry || discharge.standingLevel === undefined) return [];
      const into = discharge.standingLevel - end.invert;
      if (into <= LEVEL_TOLERANCE + (hasCapacity ? runs[end.run]!.diameter : 0)) return [];
      return [
        {
          code: 'standsInPipe',
          severity: 'mind' as const,
          at: end.run,
          other: end.discharge,
          measure: 'small' as const,
          figure: into,
          limit: runs[end.run]!.diameter,
        },
      ];
    }),
  tell: (snag, say) => ({
    headline: `Water at ${say.name(snag.other!)} stands ${say.show('small', snag.figure)} over the invert of line ${say.line(snag.at)}.`,
    why:
      snag.figure >= snag.limit
        ? 'In the design rain the end of the pipe is under water, and the line above it fills. That is counted in; grit settles there all the same.'
        : 'In the design rain the end of the pipe stands in water. That is counted in; grit settles there all the same.',
    instead: 'Bring it out higher, where the fall allows.',
  }),
};
