import { valuesOf } from './valuesOf';
import { ofKind } from '../job/job';
import type { Rule } from './snag';

/** A pipe that flows into a smaller one: what the large one carries jams at the joint. */
export const largerIntoSmaller: Rule = {
  code: 'largerIntoSmaller',
  short: 'narrows',
  find: (job, { runs }) => {
    const next = new Map(ofKind(job, 'run').map((run) => [run.from, run.id]));
    return valuesOf(runs).flatMap((run) => {
      const below = runs[next.get(run.to) ?? ''];
      if (!below || below.nominal >= run.nominal - 1e-9) return [];
      return [
        {
          code: 'largerIntoSmaller',
          severity: 'fix' as const,
          at: below.id,
          other: run.id,
          measure: 'nominal' as const,
          figure: below.nominal,
          limit: run.nominal,
        },
      ];
    });
  },
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} narrows to ${say.show('nominal', snag.figure)} below a ${say.show('nominal', snag.limit)} pipe.`,
    why: 'Leaves and toys that pass the larger pipe stop at the joint, where no rod reaches them.',
  }),
};
