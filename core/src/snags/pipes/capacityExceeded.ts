import { valuesOf } from '../valuesOf';
import type { Rule } from '../snag';

/** More water than the pipe carries full. */
export const capacityExceeded: Rule = {
  code: 'capacityExceeded',
  short: 'too small',
  find: (job, { runs }) =>
    valuesOf(job, runs)
      .filter((run) => run.pitch > 0 && run.overloaded)
      .map((run) => ({
        code: 'capacityExceeded',
        severity: 'fix',
        at: run.id,
        measure: 'flow',
        figure: run.flow,
        limit: run.capacity,
      })),
  tell: (snag, say) => ({
    headline:
      say.show('flow', snag.figure) === say.show('flow', snag.limit)
        ? `${say.name(snag.at)} is a little too small for its ${say.show('flow', snag.figure)}.`
        : `${say.name(snag.at)} is too small: ${say.show('flow', snag.figure)} in a pipe that holds ${say.show('flow', snag.limit)}.`,
    why: 'In the design rain it runs under pressure, and water comes back up at the inlets above it.',
  }),
};
