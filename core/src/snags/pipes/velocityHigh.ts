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
    instead:
      snag.severity === 'stop'
        ? 'Take the fall in one or more drops, each down into a basin, and lay the pipe flatter between them. What must lie as steep is anchored each 10 to 20 ft, its joints held, and its force taken at the foot by a drop basin or by stone.'
        : 'Take some of the fall in a drop at a basin, or put stone where it comes out.',
  }),
};
