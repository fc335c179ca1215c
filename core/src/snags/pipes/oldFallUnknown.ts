import { asGiven, ofKind } from '../../job/job';
import { unknownFall } from '../../job/oldPipe';
import { workRule } from '../works/work';

/** An old pipe in use that nobody has found at two places. */
export const oldFallUnknown = workRule({
  code: 'oldFallUnknown',
  severity: 'mind',
  measure: 'pitch',
  find: (make, job) =>
    ofKind(asGiven(job), 'run').flatMap((run) => {
      const falls = unknownFall(run);
      return falls ? [make(run.id, falls.least, falls.most)] : [];
    }),
  tell: (snag, say) => ({
    headline: `Nobody has found how ${say.name(snag.at)} falls: it is judged at ${say.show('pitch', snag.figure)} and at ${say.show('pitch', snag.limit)}.`,
    why: 'An old pipe lies as it lies. What comes only at one of the two falls says so.',
    instead: 'Dig a test pit to it near each end, and write down how deep its bottom lies.',
  }),
});
