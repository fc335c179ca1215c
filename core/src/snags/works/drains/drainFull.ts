import { worksIn, workRule } from '../work';

export const drainFull = workRule({
  code: 'drainFull',
  severity: 'fix',
  measure: 'flow',
  short: 'too small',
  find: (make, job, solution) =>
    worksIn(job, solution, 'drain', 'drainField')
      .map(({ id, flow, capacity }) => ({ id, capacity, flow: Math.max(flow, solution.landings[id]?.entering ?? 0) }))
      .filter(({ flow, capacity }) => flow > capacity)
      .map(({ id, flow, capacity }) => make(id, flow, capacity)),
  tell: (snag, say) => ({
    headline: `${say.show('flow', snag.figure)} of ground water comes to ${say.name(snag.at)}, whose pipe carries ${say.show('flow', snag.limit)}.`,
    why: 'With its springs it fills to the stone over it, and the ground beside stays wet.',
  }),
});
