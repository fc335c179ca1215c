import { elementOf } from '../../../job/job';
import { worksIn, workRule } from '../work';

export const bermTraps = workRule({
  code: 'bermTraps',
  severity: 'fix',
  measure: 'flow',
  short: 'traps water',
  find: (make, job, solution) =>
    worksIn(job, solution, 'berm')
      .filter(({ id }) => elementOf(job, 'berm', id)?.to === undefined)
      .map(({ id, trapped }) => make(id, trapped, 0)),
  tell: (snag, say) => ({
    headline: `Nothing drains the ground behind ${say.name(snag.at)}.`,
    why: 'A berm holds water in as well as out: what falls between it and the house needs a drain of its own, on a line that does not drown.',
  }),
});
