import { worksIn, workRule } from '../work';
import { elementAt } from './alike';

export const drainShallow = workRule({
  code: 'drainShallow',
  severity: 'fix',
  measure: 'small',
  short: 'too shallow',
  find: (make, job, solution) =>
    worksIn(job, solution, 'drain', 'drainField')
      .filter(({ head, worked, conductivity }) => head <= 0.005 || (worked === null && conductivity > 0))
      .map(({ id, firm }) => make(id, elementAt(job, id).depth, firm)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} lies ${say.show('small', snag.figure)} deep; the ground is to be firm ${say.show('small', snag.limit)} deep.`,
    why: 'Between drains the water stands higher than in them. One no deeper than that dries only the strip over itself.',
  }),
});
