import { valuesOf } from '../valuesOf';
import type { Rule } from '../snag';
import { each } from '../each';

/** Fast enough to wear pipe and joints, and to scour where it comes out. */
export const velocityHigh: Rule = {
  code: 'velocityHigh',
  short: 'too fast',
  find: (job, { runs, settings }) =>
    each(valuesOf(job, runs), ({ id, topVelocity }) => {
      const stops = topVelocity > settings.stopVelocity;
      const limit = stops ? settings.stopVelocity : settings.highVelocity;
      if (topVelocity <= limit) return null;
      const severity = stops ? ('stop' as const) : ('mind' as const);
      return { code: 'velocityHigh', severity, at: id, measure: 'velocity', figure: topVelocity, limit };
    }),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} runs fast, at ${say.show('velocity', snag.figure)}.`,
    why: `Over ${say.show('velocity', snag.limit)} joints wear and the outfall scours: take the drop at a basin, and put stone where it comes out.`,
  }),
};
