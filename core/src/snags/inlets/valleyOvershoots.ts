import { elementOf } from '../../job/job';
import type { Rule } from '../snag';
import { entriesOf } from '../valuesOf';
import { each } from '../each';

/** A valley brings more to one place of the gutter than the gutter carries from there to its outlet: it shoots over. */
export const valleyOvershoots: Rule = {
  code: 'valleyOvershoots',
  find: (job, { inlets }) =>
    each(entriesOf(job, inlets), ([id, inlet]) => {
      if (inlet.kind !== 'downspout' || !inlet.valley || inlet.valley.offered <= inlet.valley.capacity) return null;
      const { spillsTo } = elementOf(job, 'downspout', id)!;
      return {
        code: 'valleyOvershoots',
        severity: 'fix',
        at: id,
        measure: 'flow',
        figure: inlet.valley.offered,
        limit: inlet.valley.capacity,
        ...(spillsTo === undefined ? {} : { other: spillsTo }),
      };
    }),
  tell: (snag, say) => ({
    headline: `The valley over ${say.name(snag.at)} brings ${say.show('flow', snag.figure)}; the gutter carries ${say.show('flow', snag.limit)} of it.`,
    why:
      snag.other === undefined
        ? 'The rest shoots over and lands beside the wall as yard water. A larger gutter, a downspout nearer the valley or a second one mends it.'
        : `The rest shoots over and runs to ${say.name(snag.other)}, where it is counted. A larger gutter, or a downspout nearer the valley, keeps it on the roof.`,
  }),
};
