import { worksIn, workRule } from '../work';

export const stoneOver = workRule({
  code: 'stoneOver',
  severity: 'fix',
  measure: 'flow',
  short: 'runs over',
  find: (make, job, solution) =>
    worksIn(job, solution, 'stoneDrain')
      .filter(({ over }) => over > 1e-9)
      .map(({ id, over, flow }) => make(id, over, flow)),
  tell: (snag, say) => ({
    headline: `${say.show('flow', snag.figure)} runs on over ${say.name(snag.at)}.`,
    why: 'Its stone lets less through than the slab sheds. Wider or longer stone takes more.',
  }),
});
