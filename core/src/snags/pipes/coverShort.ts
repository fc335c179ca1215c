import { valuesOf } from '../valuesOf';
import { LEVEL_TOLERANCE } from '../../numeric/tolerance';
import type { Rule } from '../snag';
import { each } from '../each';

/** Less soil over the crown than the least for what passes over it. */
export const coverShort: Rule = {
  code: 'coverShort',
  short: 'cover short',
  find: (job, { runs }) =>
    each(valuesOf(job, runs), (run) => {
      const { cover } = run;
      if (cover >= run.leastCover - LEVEL_TOLERANCE) return null;
      return {
        code: 'coverShort',
        severity: 'fix',
        at: run.id,
        measure: 'small',
        figure: cover,
        limit: run.leastCover,
        ...(run.comesOutOver > 0 ? { length: run.comesOutOver } : {}),
      };
    }),
  tell: (snag, say) => ({
    headline:
      snag.figure < 0
        ? `${say.name(snag.at)} sticks ${say.show('small', -snag.figure)} out of the ground.`
        : `${say.name(snag.at)} has ${say.show('small', snag.figure)} of cover; it needs ${say.show('small', snag.limit)}.`,
    why: `A shallow pipe is cut by spades and aerators, lifts with frost and crushes under wheels.${snag.length === undefined ? '' : ` Only in the last ${say.show('length', snag.length)} before daylight may it lie shallower.`}`,
    ...(snag.length === undefined
      ? {}
      : { instead: 'Put in a bend where the ground drops away, or say how long the bank is and where its top lies.' }),
  }),
};
