import { OUTFALLS } from '../catalogue/outfalls';
import { elementOf } from '../job/job';
import { LEVEL_TOLERANCE, type Rule } from './snag';

/** The pipe's head lies lower than the lid, so the line never drains. */
export const popupHolds: Rule = {
  code: 'popupHolds',
  short: 'holds water',
  find: (job, { budgets }) =>
    budgets
      .filter(
        (budget) =>
          budget.left < -LEVEL_TOLERANCE && !OUTFALLS[elementOf(job, 'discharge', budget.discharge)!.form].drainsDry,
      )
      .map((budget) => ({
        code: 'popupHolds',
        severity: 'fix',
        at: budget.discharge,
        measure: 'small',
        figure: -budget.left,
        limit: 0,
      })),
  tell: (snag, say) => ({
    headline: `The line behind ${say.name(snag.at)} holds water ${say.show('small', snag.figure)} deep after the rain.`,
    why: 'The pipe ends lower than the lid. Standing water freezes, smells and breeds mosquitoes unless it can weep away or come out to daylight.',
  }),
};
