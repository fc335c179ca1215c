import { valuesOf } from '../valuesOf';
import type { Rule } from '../snag';

/** An ordinary rain leaves the grit where it lies. */
export const willSilt: Rule = {
  code: 'willSilt',
  short: 'holds grit',
  find: (job, { runs, settings }) =>
    valuesOf(job, runs)
      // Without rain there is no grit: ground water comes clear through its stone.
      .filter((run) => run.pitch > 0 && run.effectiveArea > 0 && !run.overloaded && !run.cleans)
      .map((run) =>
        run.ordinaryShear < run.criticalShear
          ? {
              code: 'willSilt',
              severity: 'fix',
              at: run.id,
              measure: 'shear',
              figure: run.ordinaryShear,
              limit: run.criticalShear,
            }
          : {
              code: 'willSilt',
              severity: 'fix',
              at: run.id,
              measure: 'velocity',
              figure: run.velocity,
              limit: settings.leastVelocity,
            },
      ),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} will not keep itself clean.`,
    why:
      snag.measure === 'shear'
        ? `An ordinary rain drags at ${say.show('shear', snag.figure)}; grit moves at ${say.show('shear', snag.limit)}. It settles, and the pipe slowly fills.`
        : `Even the design rain runs at only ${say.show('velocity', snag.figure)}. Grit settles, and the pipe slowly fills.`,
  }),
};
