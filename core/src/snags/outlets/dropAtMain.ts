import type { Rule } from '../snag';

/** Higher than this over a main a pipe needs a drop of its own to come down to it, m: what a wye turned up makes good. */
const MADE_GOOD = 0.05;

/** A pipe that comes in above the main that it is to join. */
export const dropAtMain: Rule = {
  code: 'dropAtMain',
  short: 'drop at the main',
  find: (_, { ends }) =>
    ends
      .filter(({ drop }) => drop > MADE_GOOD)
      .map(({ run, discharge, drop }) => ({
        code: 'dropAtMain',
        severity: 'mind' as const,
        at: run,
        other: discharge,
        measure: 'small' as const,
        figure: drop,
        limit: 0,
      })),
  tell: (snag, say) => ({
    headline: `Line ${say.line(snag.at)} comes in ${say.show('small', snag.figure)} above ${say.name(snag.other!)}.`,
    why: 'Plan a drop there: a bend down, an upright piece and a bend or wye into the main, bedded so that it cannot settle. Its trench goes down to the main.',
    instead: 'Or lay the line deeper, so that it comes in at the main’s crown.',
  }),
};
