import { worksIn, workRule } from '../work';

export const storeOver = workRule({
  code: 'storeOver',
  severity: 'fix',
  measure: 'flow',
  short: 'too small',
  find: (make, job, solution) =>
    worksIn(job, solution, 'store')
      .filter(({ overflow }) => overflow > 1e-9)
      .map(({ id, overflow, fillTime }) => make(id, overflow, 0, fillTime === null ? {} : { time: fillTime })),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} is full ${snag.time === undefined ? 'in the storm' : `in ${say.show('time', snag.time)} of the design rain`}; then it is a pond.`,
    why: `${say.show('flow', snag.figure)} runs over at the worst of a day’s storm. Lead that away from the house, or make it larger.`,
  }),
});
