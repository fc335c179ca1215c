import { worksIn, workRule } from '../work';

export const pumpTooWeak = workRule({
  code: 'pumpTooWeak',
  severity: 'stop',
  measure: 'length',
  short: 'does not reach',
  find: (make, job, solution) =>
    worksIn(job, solution, 'pump')
      .filter(({ rate }) => rate <= 0)
      .map(({ id, lift, most }) => make(id, lift, most)),
  tell: (snag, say) => ({
    headline: `The pump in ${say.name(snag.at)} does not reach: it must lift ${say.show('length', snag.figure)} and lifts ${say.show('length', snag.limit)} at most.`,
    why: 'Where its curve does not come up to the line’s no water moves, and the motor heats.',
  }),
});
