import { worksIn, workRule } from '../work';

export const culvertAboveRoad = workRule({
  code: 'culvertAboveRoad',
  severity: 'stop',
  measure: 'small',
  find: (make, job, solution) =>
    worksIn(job, solution, 'culvert')
      .filter(({ cover }) => cover < 0)
      .map(({ id, cover, leastCover }) => make(id, -cover, leastCover)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} would stand ${say.show('small', snag.figure)} out of the road.`,
    why: 'Lay it lower, or two smaller pipes side by side.',
  }),
});
