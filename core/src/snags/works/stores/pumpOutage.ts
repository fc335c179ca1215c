import { HOUR, worksIn, workRule } from '../work';

/** Leaves for a quarter of an hour to somebody who must come. */
const WARNING = 0.25 * HOUR;

export const pumpOutage = workRule({
  code: 'pumpOutage',
  severity: 'mind',
  measure: 'time',
  find: (make, job, solution) =>
    worksIn(job, solution, 'pump')
      .filter(({ rate, outage }) => rate > 0 && outage !== null && outage < WARNING)
      .map(({ id, outage }) => make(id, outage!, WARNING)),
  tell: (snag, say) => ({
    headline: `In a power cut ${say.name(snag.at)} runs over in ${say.show('time', snag.figure)} of the design rain.`,
    why: 'Storms take the power with them. Say where it runs over to, give it a battery, or more room.',
  }),
});
