import { SMALL, worksIn, workRule } from '../work';

export const culvertOverRoad = workRule({
  code: 'culvertOverRoad',
  severity: 'stop',
  measure: 'small',
  short: 'over the road',
  find: (make, job, solution) =>
    worksIn(job, solution, 'culvert')
      .filter(({ freeboard, flow }) => flow > 0 && freeboard < -SMALL)
      .map(({ id, freeboard }) => make(id, -freeboard, 0)),
  tell: (snag, say) => ({
    headline: `Water before ${say.name(snag.at)} stands ${say.show('small', snag.figure)} over the road’s edge.`,
    why: 'It runs across the drive, takes the edge with it, and goes where nobody led it.',
  }),
});
