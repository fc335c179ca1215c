import { applyChange, put } from '../job/change';
import { headOf } from '../job/job';
import { choicesOf, solve } from '../solve';
import { showNominal, text } from '../units';
import { resized, runOf } from './edits';
import type { Rule } from './snag';

/** Pitches that a crew would set on purpose, m/m: 1½, 2, 3 and 4 %. */
const STEEPER = [0.015, 0.02, 0.03, 0.04];

/** An ordinary rain leaves the grit where it lies. */
export const willSilt: Rule = {
  code: 'willSilt',
  find: (_, { runs, settings }) =>
    Object.values(runs)
      .filter((run) => run.pitch > 0 && !run.overloaded && !run.cleans)
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
        ? `An ordinary rain drags at ${say.show('shear', snag.figure)}; shingle grit moves at ${say.show('shear', snag.limit)}. It settles, and the pipe slowly fills.`
        : `Even the design rain runs at only ${say.show('velocity', snag.figure)}. Grit settles, and the pipe slowly fills.`,
  }),
  fix: (snag, job, solution) => {
    const run = runOf(job, snag.at);
    const better = choicesOf(solution, solution.runs[run.id]!).find((choice) => choice.verdict === 'works');
    const { units } = headOf(job);
    const tries = [
      ...(better ? [put(`Make it ${text(showNominal(better.nominal, units))}`, resized(run, better.nominal))] : []),
      ...STEEPER.map((pitch) => put(`Set it to ${pitch * 100}% pitch`, { ...run, grade: { type: 'pitch', pitch } })),
    ];
    for (const change of tries) {
      const after = solve(applyChange(job, change).job);
      const short =
        after.budgets.some((budget) => budget.left < 0) && !solution.budgets.some((budget) => budget.left < 0);
      const mended = after.runs[run.id]!;
      if (mended.cleans && !mended.overloaded && !short) return { label: change.label, change };
    }
    return null;
  },
};
