import { DAY, worksIn, workRule } from '../work';

export const drainSlow = workRule({
  code: 'drainSlow',
  severity: 'mind',
  measure: 'time',
  find: (make, job, solution) =>
    worksIn(job, solution, 'drain', 'drainField')
      .filter(({ firmTime }) => firmTime !== null && firmTime > 3 * DAY)
      .map(({ id, firmTime }) => make(id, firmTime!, 3 * DAY)),
  tell: (snag, say) => ({
    headline: `The ground over ${say.name(snag.at)} is firm ${say.show('time', snag.figure)} after rain that filled it.`,
    why: 'What the soil lets through sets the pace. Closer or deeper pipes are quicker; in clay, surface inlets come first.',
  }),
});
