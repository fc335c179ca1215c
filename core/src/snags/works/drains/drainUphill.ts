import { ofKind } from '../../../job/job';
import { workRule } from '../work';

export const drainUphill = workRule({
  code: 'drainUphill',
  severity: 'stop',
  measure: 'pitch',
  short: 'uphill',
  find: (make, job) =>
    [...ofKind(job, 'drain'), ...ofKind(job, 'drainField')]
      .filter(({ pitch }) => pitch !== undefined && pitch < 0)
      .map(({ id, pitch }) => make(id, pitch!, 0)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} runs uphill, at ${say.show('pitch', snag.figure)}.`,
    why: 'Level it still drains, for water rises in it; uphill it keeps what it takes in.',
  }),
});
