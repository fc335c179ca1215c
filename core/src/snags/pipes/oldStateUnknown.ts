import { ofKind } from '../../job/job';
import { workRule } from '../works/work';

/** An old pipe in use that nobody has looked into. */
export const oldStateUnknown = workRule({
  code: 'oldStateUnknown',
  severity: 'mind',
  measure: 'count',
  find: (make, job) =>
    ofKind(job, 'run')
      .filter(({ old }) => old?.fate === 'kept' && old.state === undefined)
      .map(({ id }) => make(id, 1, 0)),
  tell: (snag, say) => ({
    headline: `Nobody has looked into ${say.name(snag.at)}: it is judged as if it were sound.`,
    why: 'An old pipe may be silted, full of roots or broken, and carries less then, or nothing.',
    instead: 'Pour water through it, or push a camera through, and write down what state it is in.',
  }),
});
