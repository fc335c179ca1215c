import { rarerIn, SMALL, worksIn, workRule } from '../work';
import { worst } from './alike';

export const bermOver = workRule({
  code: 'bermOver',
  severity: 'stop',
  measure: 'small',
  short: 'run over',
  find: (make, job, solution) =>
    worst(rarerIn(job, solution, 'berm'), worksIn(job, solution, 'berm'))
      .filter(({ freeboard }) => freeboard !== null && freeboard < -SMALL)
      .map(({ id, freeboard }) => make(id, -freeboard!, 0)),
  tell: (snag, say) => ({
    headline: `Water stands ${say.show('small', snag.figure)} over the crest of ${say.name(snag.at)}.`,
    why: 'A bank that is run over is washed away where it is lowest.',
  }),
});
