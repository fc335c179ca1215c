import { LEVEL_TOLERANCE } from '../../numeric/tolerance';
import { each } from '../each';
import type { Rule } from '../snag';
import { valuesOf } from '../valuesOf';

/** A pipe that is covered before daylight only if the ground drops there as a bank, which nobody has measured. */
export const bankAssumed: Rule = {
  code: 'bankAssumed',
  find: (job, { runs }) =>
    each(valuesOf(job, runs), (run) => {
      if (!run.bankAssumed || run.cover < run.leastCover - LEVEL_TOLERANCE) return null;
      const share = run.comesOutOver / run.length;
      const even = run.groundDown + (run.groundUp - run.groundDown) * share;
      const over = even - (run.crownDown + run.drop * share);
      if (over >= run.leastCover - LEVEL_TOLERANCE) return null;
      return {
        code: 'bankAssumed',
        severity: 'mind',
        at: run.id,
        other: run.to,
        measure: 'small',
        figure: over,
        limit: run.leastCover,
        length: run.comesOutOver,
      };
    }),
  tell: (snag, say) => ({
    headline: `The ground is taken to drop as a bank over the last ${say.show('length', snag.length!)} before ${say.name(snag.other!)}: nobody has measured it.`,
    why: `If it falls evenly instead, the pipe ${
      snag.figure < 0
        ? `sticks ${say.show('small', -snag.figure)} out of it there`
        : `has ${say.show('small', snag.figure)} of cover there`
    }, and its end wants to be dug in, or mounded over.`,
    instead: `Take a level ${say.show('length', snag.length!)} before the end, and say it at ${say.name(snag.other!)}.`,
  }),
};
