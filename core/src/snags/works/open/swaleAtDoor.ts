import { sillsBeside } from '../../../works/swale';
import { rarerIn, SMALL, worksIn, workRule } from '../work';
import { worst } from './alike';

export const swaleAtDoor = workRule({
  code: 'swaleAtDoor',
  severity: 'stop',
  measure: 'small',
  find: (make, job, solution) => {
    const years = solution.openings?.returnPeriod;
    const plans = rarerIn(job, solution, 'swale');
    const { openingMargin } = solution.settings;
    return worst(plans, worksIn(job, solution, 'swale')).flatMap((plan) =>
      sillsBeside(job, plan.id, plan)
        .filter(({ left }) => left < openingMargin - SMALL)
        .map(({ opening, left }) =>
          make(plan.id, left, openingMargin, {
            other: opening,
            ...(years && plans.length > 0 ? { years } : {}),
          }),
        ),
    );
  },
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} stands ${snag.figure < 0 ? `${say.show('small', -snag.figure)} over` : `${say.show('small', snag.figure)} under`} the sill of ${say.name(snag.other!)}${snag.years ? ` in the ${snag.years}-year rain` : ''}.`,
    why: `Keep ${say.show('small', snag.limit)}. Lead it further away, make it wider, or put a berm between.`,
  }),
});
