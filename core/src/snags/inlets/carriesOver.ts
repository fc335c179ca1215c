import type { Rule } from '../snag';

/** Water that runs over an inlet on a slope and is led nowhere. */
export const carriesOver: Rule = {
  code: 'carriesOver',
  find: (_, { onSlope }) =>
    [...onSlope].flatMap(([id, inlet]) =>
      inlet.to === null && inlet.passed > 0.02 * inlet.offered
        ? [
            {
              code: 'carriesOver',
              severity: 'fix' as const,
              at: id,
              measure: 'flow' as const,
              figure: inlet.passed,
              limit: inlet.offered,
            },
          ]
        : [],
    ),
  tell: (snag, say) => ({
    headline: `${say.show('flow', snag.figure)} of ${say.show('flow', snag.limit)} runs on past ${say.name(snag.at)}.`,
    why: 'On a slope the sheet is too fast, or too wide, to fall in. Set it in a dip, set a longer or wider one, or say which inlet below takes the rest.',
  }),
};
