import { LEVEL_TOLERANCE } from '../../numeric/tolerance';
import type { Rule } from '../snag';
import { entriesOf } from '../valuesOf';
import { each } from '../each';

/** Water in a channel drain stands higher than the channel. */
export const channelOvertops: Rule = {
  code: 'channelOvertops',
  find: (job, { inlets }) =>
    each(entriesOf(job, inlets), ([id, inlet]) =>
      inlet.kind === 'channel' && inlet.profile.over > LEVEL_TOLERANCE
        ? {
            code: 'channelOvertops',
            severity: 'fix',
            at: id,
            measure: 'small',
            figure: inlet.profile.over,
            limit: 0,
          }
        : null,
    ),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} overtops: water would stand ${say.show('small', snag.figure)} over its grate.`,
    why: 'The paving that sheds into it gives more than it can carry to its outlet; the rest runs on toward what it should protect.',
  }),
};
