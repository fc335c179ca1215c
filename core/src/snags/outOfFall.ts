import { OUTFALLS } from '../catalogue/outfalls';
import { elementOf } from '../job/job';
import { LEVEL_TOLERANCE, type Rule } from './snag';

/** The fall of a route does not reach the discharge's control level at the least pitch. */
export const outOfFall: Rule = {
  code: 'outOfFall',
  short: 'out of fall',
  find: (job, { budgets }) =>
    budgets
      .filter(
        (budget) =>
          budget.left < -LEVEL_TOLERANCE && OUTFALLS[elementOf(job, 'discharge', budget.discharge)!.form].drainsDry,
      )
      .map((budget) => ({
        code: 'outOfFall',
        severity: 'stop',
        at: budget.discharge,
        other: budget.spent[0]!.run,
        measure: 'length',
        figure: budget.shortBy,
        limit: budget.left,
      })),
  tell: (snag, say) => ({
    headline: `Line ${say.line(snag.other!)} runs out of fall ${say.show('length', snag.figure)} short of ${say.name(snag.at)}.`,
    why: `At the least pitch and cover the pipe would come out ${say.show('small', -snag.limit)} too low: under the bottom of what should take the water.`,
  }),
};
