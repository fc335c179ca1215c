import { BERM_FREEBOARD } from '../../../works/berm';
import { rarerIn, SMALL, worksIn, workRule } from '../work';
import { worst } from './alike';

export const bermLow = workRule({
  code: 'bermLow',
  severity: 'fix',
  measure: 'small',
  find: (make, job, solution) =>
    worst(rarerIn(job, solution, 'berm'), worksIn(job, solution, 'berm'))
      .filter(({ freeboard }) => freeboard !== null && freeboard >= -SMALL && freeboard < BERM_FREEBOARD - SMALL)
      .map(({ id, freeboard }) => make(id, freeboard!, BERM_FREEBOARD)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} stands ${say.show('small', snag.figure)} over the water; keep ${say.show('small', snag.limit)}.`,
    why: 'Earth settles by a tenth in its first year.',
  }),
});
