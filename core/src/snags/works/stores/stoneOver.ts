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
    why: 'Its stone, or the holes of its pipe, take less than the slab sheds. Longer stone takes more, and so does a second pipe in it, or a basin at its end.',
  }),
});
