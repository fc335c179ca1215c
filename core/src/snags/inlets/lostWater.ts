import type { Rule } from '../snag';

/** A face or surface, or an upper downspout, whose water is led nowhere. */
export const lostWater: Rule = {
  code: 'lostWater',
  find: (_, { sources, rain }) =>
    [...sources.lost].map(([id, area]) => ({
      code: 'lostWater',
      severity: 'fix',
      at: id,
      measure: 'flow',
      figure: area * rain,
      limit: 0,
    })),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} is not led anywhere.`,
    why: `${say.show('flow', snag.figure)} runs off it in the design rain. Say where it goes, so that it is counted once and in the right pipe.`,
  }),
};
