import { LEVEL_TOLERANCE, type Rule } from './snag';

/** Less soil over the crown than the least for what passes over it. */
export const coverShort: Rule = {
  code: 'coverShort',
  short: 'cover short',
  find: (_, { runs }) =>
    Object.values(runs).flatMap((run) => {
      const cover = Math.min(run.coverUp, run.coverDown ?? Number.POSITIVE_INFINITY);
      if (cover >= run.leastCover - LEVEL_TOLERANCE) return [];
      return [
        {
          code: 'coverShort',
          severity: 'fix' as const,
          at: run.id,
          measure: 'small' as const,
          figure: cover,
          limit: run.leastCover,
        },
      ];
    }),
  tell: (snag, say) => ({
    headline:
      snag.figure < 0
        ? `${say.name(snag.at)} sticks ${say.show('small', -snag.figure)} out of the ground.`
        : `${say.name(snag.at)} has ${say.show('small', snag.figure)} of cover; it needs ${say.show('small', snag.limit)}.`,
    why: 'A shallow pipe is cut by spades and aerators, lifts with frost and crushes under wheels.',
  }),
};
