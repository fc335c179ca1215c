import { ofKind } from '../../job/job';
import type { Rule } from '../snag';
import { each } from '../each';
import { diameterOf, isLaid } from '../../job/kinds';

/** An adapter's narrower throat left in at the head of a pipe. */
export const throatLeft: Rule = {
  code: 'throatLeft',
  short: 'throat left in',
  find: (job) =>
    each(ofKind(job, 'run'), (run) => {
      const diameter = diameterOf(run);
      if (run.throat === undefined || run.throat >= diameter - 1e-9 || !isLaid(run)) return null;
      return {
        code: 'throatLeft',
        severity: 'fix',
        at: run.id,
        measure: 'nominal',
        figure: run.throat,
        limit: diameter,
      };
    }),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} starts through a ${say.show('nominal', snag.figure)} throat.`,
    why: `The adapter narrows a ${say.show('nominal', snag.limit)} pipe at its head: water backs up behind it, and leaves hang there. Most adapters have a ring to knock out.`,
  }),
};
