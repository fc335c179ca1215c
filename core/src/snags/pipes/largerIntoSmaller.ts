import { valuesOf } from '../valuesOf';
import type { Rule } from '../snag';
import { each } from '../each';
import { runsFrom } from '../runsInto';

/** A pipe that flows into a smaller one: what the large one carries jams at the joint. */
export const largerIntoSmaller: Rule = {
  code: 'largerIntoSmaller',
  short: 'narrows',
  find: (job, { runs }) => {
    const next = runsFrom(job, runs);
    return each(valuesOf(job, runs), (run) => {
      const below = next.get(run.to);
      if (!below || below.nominal >= run.nominal - 1e-9) return null;
      return {
        code: 'largerIntoSmaller',
        severity: 'fix',
        at: below.id,
        other: run.id,
        measure: 'nominal',
        figure: below.nominal,
        limit: run.nominal,
      };
    });
  },
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} narrows to ${say.show('nominal', snag.figure)} below a ${say.show('nominal', snag.limit)} pipe.`,
    why: 'Leaves and toys that pass the larger pipe stop at the joint, where no rod reaches them.',
  }),
};
