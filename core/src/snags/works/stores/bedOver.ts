import { worksIn, workRule } from '../work';

export const bedOver = workRule({
  code: 'bedOver',
  severity: 'fix',
  measure: 'flow',
  short: 'fills',
  find: (make, job, solution) =>
    worksIn(job, solution, 'pavedBed')
      .filter(({ over }) => over > 1e-9)
      .map(({ id, over }) => make(id, over, 0)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} fills: ${say.show('flow', snag.figure)} comes up through the paving.`,
    why: 'Deeper stone, a larger outlet or less led into it keep the top dry.',
  }),
});
