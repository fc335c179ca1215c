import { worksIn, workRule } from '../work';

export const drainWide = workRule({
  code: 'drainWide',
  severity: 'fix',
  measure: 'length',
  short: 'too wide apart',
  find: (make, job, solution) =>
    worksIn(job, solution, 'drain', 'drainField')
      .filter(({ spacing, worked }) => worked !== null && spacing > worked * 1.02)
      .map(({ id, spacing, worked }) => make(id, spacing, worked!)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} has its pipes ${say.show('length', snag.figure)} apart; this soil wants ${say.show('length', snag.limit)}.`,
    why: 'Hooghoudt: by conductivity, depth and what sinks in. Midway between wider pipes the ground stays soft.',
  }),
});
