import type { Discharge } from '../job/elements';
import { put } from '../job/change';
import { dischargeOf } from './edits';
import { LEVEL_TOLERANCE, type Rule } from './snag';

/** The pipe's head lies lower than the lid, so the line never drains. */
export const popupHolds: Rule = {
  code: 'popupHolds',
  find: (job, { budgets }) =>
    budgets
      .filter(
        (budget) => budget.left < -LEVEL_TOLERANCE && (job.elements[budget.discharge] as Discharge).form === 'popup',
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
  fix: (snag, job) => {
    const discharge = dischargeOf(job, snag.at);
    const label = 'Bring it to daylight lower down, to be found';
    return {
      label,
      change: put(label, {
        ...discharge,
        form: 'daylight',
        groundLevel: discharge.groundLevel - snag.figure,
        assumed: true,
      }),
    };
  },
};
