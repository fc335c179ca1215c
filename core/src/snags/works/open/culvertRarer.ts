import { rarerIn, SMALL, workRule } from '../work';

export const culvertRarer = workRule({
  code: 'culvertRarer',
  severity: 'mind',
  measure: 'small',
  find: (make, job, solution) =>
    rarerIn(job, solution, 'culvert')
      .filter(({ freeboard, flow }) => flow > 0 && freeboard < -SMALL)
      .map(({ id, freeboard }) => make(id, -freeboard, 0)),
  tell: (snag, say) => ({
    headline: `In the rarer rain ${say.show('small', snag.figure)} of water crosses the road over ${say.name(snag.at)}.`,
    why: 'Make the low place over it hard, and lead what crosses on.',
  }),
});
