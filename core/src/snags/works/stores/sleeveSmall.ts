import { elementOf, ofKind } from '../../../job/job';
import { workRule } from '../work';

export const sleeveSmall = workRule({
  code: 'sleeveSmall',
  severity: 'fix',
  measure: 'nominal',
  find: (make, job) =>
    ofKind(job, 'sleeve').flatMap(({ id, holds, nominal }) => {
      const run = holds === undefined ? undefined : elementOf(job, 'run', holds);
      return run && nominal < run.nominal + 0.02 ? [make(id, nominal, run.nominal, { other: run.id })] : [];
    }),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} is ${say.show('nominal', snag.figure)} and the pipe in it ${say.show('nominal', snag.limit)}.`,
    why: 'A sleeve is one size larger than what is pushed through it, joints and all.',
  }),
});
