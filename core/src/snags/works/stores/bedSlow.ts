import { DAY, worksIn, workRule } from '../work';

export const bedSlow = workRule({
  code: 'bedSlow',
  severity: 'fix',
  measure: 'time',
  find: (make, job, solution) =>
    worksIn(job, solution, 'pavedBed')
      .filter(({ drainTime }) => drainTime === null || drainTime > 3 * DAY)
      .map(({ id, drainTime }) => make(id, drainTime ?? 1e9, 3 * DAY, drainTime === null ? {} : { time: drainTime })),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} takes ${snag.time === undefined ? 'for ever' : say.show('time', snag.time)} to empty.`,
    why: 'What stands in it freezes and heaves the paving. A pipe at its low edge empties it.',
  }),
});
