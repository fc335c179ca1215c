import { MAX_OVER_SILL } from '../../inlets';
import type { Rule } from '../snag';
import { entriesOf } from '../valuesOf';
import { each } from '../each';

/** Water at an inlet comes nearer to the sill that it protects than the margin. */
export const nearOpening: Rule = {
  code: 'nearOpening',
  short: 'near a sill',
  find: (job, { inlets, settings }) =>
    each(entriesOf(job, inlets), ([id, inlet]) =>
      inlet.kind !== 'downspout' && inlet.freeboard !== null && inlet.freeboard < settings.openingMargin
        ? {
            code: 'nearOpening',
            severity: 'stop',
            at: id,
            measure: 'small',
            figure: inlet.freeboard,
            limit: settings.openingMargin,
          }
        : null,
    ),
  tell: (snag, say) => ({
    headline:
      snag.figure < 0
        ? `Water at ${say.name(snag.at)} stands ${say.show('small', -snag.figure)}${-snag.figure >= MAX_OVER_SILL ? ' or more' : ''} over the sill it protects.`
        : `Water at ${say.name(snag.at)} comes within ${say.show('small', snag.figure)} of the sill it protects.`,
    why: `${say.show('small', snag.limit)} is the margin here. Leaves, a larger storm or a settled slab use it up.`,
    instead: 'Give it a larger grate, channel or pipe, or say at what level water runs off clear of the door.',
  }),
};
