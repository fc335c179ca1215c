import { valuesOf } from './valuesOf';
import type { Rule, Snag } from './snag';

/** Fast enough to wear pipe and joints, and to scour where it comes out. */
export const velocityHigh: Rule = {
  code: 'velocityHigh',
  short: 'too fast',
  find: (_, { runs, settings }) =>
    valuesOf(runs).flatMap(({ id, topVelocity }): Snag[] => {
      const stops = topVelocity > settings.stopVelocity;
      const limit = stops ? settings.stopVelocity : settings.highVelocity;
      if (topVelocity <= limit) return [];
      const severity = stops ? 'stop' : 'mind';
      return [{ code: 'velocityHigh', severity, at: id, measure: 'velocity', figure: topVelocity, limit }];
    }),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} runs fast, at ${say.show('velocity', snag.figure)}.`,
    why: `Over ${say.show('velocity', snag.limit)} joints wear and the outfall scours: take the drop at a basin, and put stone where it comes out.`,
  }),
};
