import { LEVEL_TOLERANCE } from '../../numeric/tolerance';
import type { Rule } from '../snag';
import { entriesOf } from '../valuesOf';
import { each } from '../each';

/** A channel drain whose floor lies under its pipe: it stands full after every rain. */
export const channelHolds: Rule = {
  code: 'channelHolds',
  short: 'stands full',
  find: (job, { inlets }) =>
    each(entriesOf(job, inlets), ([id, inlet]) =>
      inlet.kind === 'channel' && inlet.holds > LEVEL_TOLERANCE
        ? {
            code: 'channelHolds',
            severity: 'fix',
            at: id,
            measure: 'small',
            figure: inlet.holds,
            limit: 0,
          }
        : null,
    ),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} stands ${say.show('small', snag.figure)} full: its pipe leaves higher than its floor.`,
    why: 'What stands in a channel freezes, breeds mosquitoes and holds its grit, and the channel takes that much less.',
    instead: 'Start its pipe lower, or lay a shallower channel.',
  }),
};
