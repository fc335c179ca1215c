import { MOST_STARTS } from '../../../works/pumpBasin';
import { worksIn, workRule } from '../work';

export const pumpStarts = workRule({
  code: 'pumpStarts',
  severity: 'fix',
  measure: 'count',
  short: 'starts too often',
  find: (make, job, solution) =>
    worksIn(job, solution, 'pump')
      .filter(({ rate, flow, cyclesPerHour, worstCyclesPerHour }) => {
        const starts = flow >= rate / 2 ? worstCyclesPerHour : (cyclesPerHour ?? 0);
        return rate > 0 && starts > MOST_STARTS;
      })
      .map(({ id, worstCyclesPerHour }) => make(id, worstCyclesPerHour, MOST_STARTS)),
  tell: (snag, say) => ({
    headline: `The pump in ${say.name(snag.at)} starts up to ${say.show('count', snag.figure)} times an hour; ${say.show('count', snag.limit)} is what a small motor bears.`,
    why: 'Most often at an inflow of half its rate. More room between stop and start spares it.',
  }),
});
