import { elementOf } from '../../../job/job';
import { worksIn, workRule } from '../work';

export const storeInClay = workRule({
  code: 'storeInClay',
  severity: 'fix',
  measure: 'count',
  find: (make, job, solution) =>
    worksIn(job, solution, 'store')
      .filter(({ soil, id }) => {
        const tested = elementOf(job, 'discharge', id)?.store?.conductivity;
        return (soil === 'clay' || soil === 'clayLoam') && (tested === undefined || tested < 1e-6);
      })
      .map(({ id }) => make(id, 1, 0)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} is to soak away into clay.`,
    why: 'Clay takes in a day what a roof sheds in minutes: the pit stands full.',
    instead: 'Find another way out, or test a hole and give its figure.',
  }),
});
