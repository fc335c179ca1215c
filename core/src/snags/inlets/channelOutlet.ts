import type { Rule } from '../snag';
import { entriesOf } from '../valuesOf';
import { each } from '../each';

/** The hole to a channel drain's pipe takes less than the channel brings to it. */
export const channelOutlet: Rule = {
  code: 'channelOutlet',
  find: (job, { inlets }) =>
    each(entriesOf(job, inlets), ([id, inlet]) =>
      inlet.kind === 'channel' && inlet.outletCapacity !== null && inlet.outletFlow > inlet.outletCapacity
        ? {
            code: 'channelOutlet',
            severity: 'fix',
            at: id,
            measure: 'flow',
            figure: inlet.outletFlow,
            limit: inlet.outletCapacity,
          }
        : null,
    ),
  tell: (snag, say) => ({
    headline: `The outlet of ${say.name(snag.at)} takes ${say.show('flow', snag.limit)} of ${say.show('flow', snag.figure)}.`,
    why: 'A channel is only as good as the hole at its end: the water stands behind it and comes over the grate.',
  }),
};
