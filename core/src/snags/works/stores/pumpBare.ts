import { ofKind } from '../../../job/job';
import { workRule } from '../work';

export const pumpBare = workRule({
  code: 'pumpBare',
  severity: 'mind',
  measure: 'count',
  find: (make, job) =>
    ofKind(job, 'discharge')
      .filter(({ form, pump }) => form === 'pump' && !(pump?.checkValve && pump.alarm && pump.freezeOverflow))
      .map(({ id }) => make(id, 1, 0)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} wants a check valve, an alarm and a way over for frost.`,
    why: 'Without the valve its line runs back at every stop; without an overflow at the wall a frozen line stops the pump.',
  }),
});
