import { elementOf } from '../../../job/job';
import { SMALL, worksIn, workRule } from '../work';

export const bermDrainDrowns = workRule({
  code: 'bermDrainDrowns',
  severity: 'fix',
  measure: 'small',
  find: (make, job, solution) =>
    worksIn(job, solution, 'berm').flatMap(({ id }) => {
      const to = elementOf(job, 'berm', id)?.to;
      const landing = to === undefined ? undefined : solution.landings[to];
      const over = landing ? (landing.waterLevel ?? -Infinity) - landing.groundLevel : -1;
      return over > SMALL ? [make(id, over, 0, { other: to! })] : [];
    }),
  tell: (snag, say) => ({
    headline: `${say.name(snag.other!)}, which drains behind ${say.name(snag.at)}, drowns by ${say.show('small', snag.figure)}.`,
    why: 'Its line then brings water in behind the berm. Give it a line of its own.',
  }),
});
