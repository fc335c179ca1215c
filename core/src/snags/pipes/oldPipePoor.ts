import { ofKind } from '../../job/job';
import { workRule } from '../works/work';

export const oldPipePoor = workRule({
  code: 'oldPipePoor',
  severity: 'fix',
  measure: 'count',
  find: (make, job) =>
    ofKind(job, 'run')
      .filter(({ old }) => old?.fate === 'kept' && old.state !== undefined && old.state !== 'sound')
      .map(({ id }) => make(id, 1, 0)),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} is an old pipe that is not sound, and still in use.`,
    why: 'What is silted, rooted or broken carries what it carries until the storm that counts.',
    instead: 'Clean and look through it, lay a new one, or cut it off and lead its water elsewhere.',
  }),
});
