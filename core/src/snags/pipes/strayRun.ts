import type { Rule } from '../snag';

/** A run that fits in no line: an end is missing, it goes round, or its landing has a way out already. */
export const strayRun: Rule = {
  code: 'strayRun',
  find: (_, { stray }) =>
    stray.map((id) => ({ code: 'strayRun', severity: 'stop', at: id, measure: 'count', figure: 1, limit: 0 })),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} fits in no line.`,
    why: 'It goes round in a loop, lacks an end, or is a second way out of its landing.',
  }),
};
