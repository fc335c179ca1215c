import { SMALL, worksIn, workRule } from '../work';
import { OVER_TABLE } from './alike';

export const storeNearWater = workRule({
  code: 'storeNearWater',
  severity: 'fix',
  measure: 'small',
  find: (make, job, solution) =>
    worksIn(job, solution, 'store')
      .filter(({ overTable }) => overTable !== null && overTable >= 0 && overTable < OVER_TABLE - SMALL)
      .map(({ id, overTable }) => make(id, overTable!, OVER_TABLE)),
  tell: (snag, say) => ({
    headline: `The floor of ${say.name(snag.at)} lies ${say.show('small', snag.figure)} over the ground water; keep ${say.show('small', snag.limit)}.`,
    why: 'Water must have somewhere to sink to, and the soil between cleans it.',
  }),
});
