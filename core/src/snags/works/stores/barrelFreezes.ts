import { ofKind } from '../../../job/job';
import { workRule } from '../work';

export const barrelFreezes = workRule({
  code: 'barrelFreezes',
  severity: 'mind',
  measure: 'count',
  find: (make, job) =>
    ofKind(job, 'barrel')
      .filter(({ opened, shut }) => opened === undefined || shut === undefined)
      .map(({ id }) => make(id, 1, 0)),
  tell: (snag, say) => ({
    headline: `Nobody has said when ${say.name(snag.at)} is emptied for winter.`,
    why: 'A full barrel bursts in frost, and a shut valve sends the roof’s water over the wall.',
    instead: 'Set the month in which its valve is opened, and the one in which it is shut again.',
  }),
});
