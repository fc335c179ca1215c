import type { Rule } from './snag';

/** Fast enough to wear pipe and joints, and to scour where it comes out. */
export const velocityHigh: Rule = {
  code: 'velocityHigh',
  find: (_, { runs, settings }) =>
    Object.values(runs)
      .filter((run) => !run.overloaded && run.velocity > settings.highVelocity)
      .map((run) => ({
        code: 'velocityHigh',
        severity: 'mind',
        at: run.id,
        measure: 'velocity',
        figure: run.velocity,
        limit: settings.highVelocity,
      })),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} runs fast, at ${say.show('velocity', snag.figure)}.`,
    why: `Over ${say.show('velocity', snag.limit)} joints wear and the outfall scours: take the drop at a basin, and put stone where it comes out.`,
  }),
};
