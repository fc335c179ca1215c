import { DAY, worksIn, workRule } from '../work';

export const storeSlow = workRule({
  code: 'storeSlow',
  severity: 'fix',
  measure: 'time',
  short: 'soaks slowly',
  find: (make, job, solution) =>
    worksIn(job, solution, 'store')
      .filter(({ drainTime }) => drainTime === null || drainTime > DAY)
      .map(({ id, drainTime }) =>
        make(id, drainTime ?? 1e9, 3 * DAY, {
          severity: drainTime === null || drainTime > 3 * DAY ? 'fix' : 'mind',
          ...(drainTime === null ? {} : { time: drainTime }),
        }),
      ),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} takes ${snag.time === undefined ? 'for ever' : say.show('time', snag.time)} to soak away.`,
    why: 'A day is good; in three days mosquitoes hatch, and the next storm finds it full.',
    instead: 'Less deep and wider, in soil that takes water; in clay it is the wrong end for a line.',
  }),
});
