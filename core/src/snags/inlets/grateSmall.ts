import type { Rule } from '../snag';
import { entriesOf } from '../valuesOf';
import { each } from '../each';

/** Water stands deeper over a grate than is allowed before the grate takes it all. On a slope it does not stand, but runs on. */
export const grateSmall: Rule = {
  code: 'grateSmall',
  find: (job, { inlets, onSlope, settings }) =>
    each(entriesOf(job, inlets), ([id, inlet]) =>
      inlet.kind === 'basin' && !onSlope.has(id) && inlet.ponding > settings.ponding
        ? {
            code: 'grateSmall',
            severity: 'fix',
            at: id,
            measure: 'small',
            figure: inlet.ponding,
            limit: settings.ponding,
          }
        : null,
    ),
  tell: (snag, say) => ({
    headline: `Water stands ${say.show('small', snag.figure)} deep over ${say.name(snag.at)}.`,
    why: `Its grate, part covered with leaves, needs that depth to take what comes. ${say.show('small', snag.limit)} is allowed here.`,
  }),
};
