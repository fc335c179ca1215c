import { valuesOf } from '../valuesOf';
import type { Rule } from '../snag';

/** Falls, but less than the least pitch of its size. */
export const underLeastPitch: Rule = {
  code: 'underLeastPitch',
  short: 'too flat',
  find: (job, { runs }) =>
    valuesOf(job, runs)
      .filter((run) => run.pitch > 0 && run.pitch < run.leastPitch - 1e-6)
      .map((run) => ({
        code: 'underLeastPitch',
        severity: 'fix',
        at: run.id,
        measure: 'pitch',
        figure: run.pitch,
        limit: run.leastPitch,
      })),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} falls only ${say.show('pitch', snag.figure)}; it needs ${say.show('pitch', snag.limit)}.`,
    why: 'Flatter than that, a small error in laying makes a belly that holds water and grit.',
  }),
};
