import { elementOf } from '../../../job/job';
import { worksIn, workRule } from '../work';

export const culvertScours = workRule({
  code: 'culvertScours',
  severity: 'fix',
  measure: 'velocity',
  find: (make, job, solution) =>
    worksIn(job, solution, 'culvert')
      .filter(({ id, stone }) => stone > 0 && !elementOf(job, 'culvert', id)?.stone)
      .map(({ id, velocity, stone }) => make(id, velocity, 0, { stone })),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} lets out at ${say.show('velocity', snag.figure)} with no stone there.`,
    why: `It digs a hole at its end. Stone of ${say.show('small', snag.stone ?? 0)} or larger, on fabric, holds it.`,
  }),
});
