import { LEVEL_TOLERANCE, type Rule } from './snag';
import { entriesOf } from './valuesOf';

/** Water in a channel drain stands higher than the channel. */
export const channelOvertops: Rule = {
  code: 'channelOvertops',
  find: (_, { inlets }) =>
    entriesOf(inlets).flatMap(([id, inlet]) =>
      inlet.kind === 'channel' && inlet.profile.over > LEVEL_TOLERANCE
        ? [
            {
              code: 'channelOvertops',
              severity: 'fix' as const,
              at: id,
              measure: 'small' as const,
              figure: inlet.profile.over,
              limit: 0,
            },
          ]
        : [],
    ),
  tell: (snag, say) => ({
    headline: `${say.name(snag.at)} overtops: water would stand ${say.show('small', snag.figure)} over its grate.`,
    why: 'The paving that sheds into it gives more than it can carry to its outlet; the rest runs on toward what it should protect.',
  }),
};
