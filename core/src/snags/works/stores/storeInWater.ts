import { worksIn, workRule } from '../work';
import { OVER_TABLE } from './alike';

export const storeInWater = workRule({
  code: 'storeInWater',
  severity: 'stop',
  measure: 'small',
  find: (make, job, solution) =>
    worksIn(job, solution, 'store')
      .filter(({ overTable }) => overTable !== null && overTable < 0)
      .map(({ id, overTable }) => make(id, -overTable!, OVER_TABLE)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} stands ${say.show('small', snag.figure)} deep in ground water in the wet season.`,
    why: 'It fills from below and takes nothing. Make it shallower and wider, or lead the water elsewhere.',
  }),
});
