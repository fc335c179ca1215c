import { worksIn, workRule } from '../work';

export const pumpBehind = workRule({
  code: 'pumpBehind',
  severity: 'fix',
  measure: 'flow',
  short: 'behind',
  find: (make, job, solution) =>
    worksIn(job, solution, 'pump')
      .filter(({ rate, short }) => rate > 0 && short > 0)
      .map(({ id, flow, rate }) => make(id, flow, rate)),
  tell: (snag, say) => ({
    headline: `${say.show('flow', snag.figure)} comes to ${say.name(snag.at)}; its pump lifts ${say.show('flow', snag.limit)} through its line.`,
    why: 'The basin fills to its lid, and the lines that end in it stand full.',
  }),
});
