import { put } from '../job/change';
import { elementOf } from '../job/job';
import { channelPlan } from '../inlets';
import { METRES_PER_INCH } from '../units/constants';
import { LEVEL_TOLERANCE, type Rule } from './snag';

/** Sections on offer, inside width and depth, in. */
const SECTIONS: readonly (readonly [number, number])[] = [
  [2, 2],
  [4, 4],
  [4, 6],
  [5, 6],
  [5, 8],
  [8, 8],
  [8, 10],
];

/** Water in a channel drain stands higher than the channel. */
export const channelOvertops: Rule = {
  code: 'channelOvertops',
  find: (_, { inlets }) =>
    Object.entries(inlets).flatMap(([id, inlet]) =>
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
  fix: (snag, job, { landings }) => {
    const channel = elementOf(job, 'channel', snag.at)!;
    const { entering, waterLevel } = landings[snag.at]!;
    for (const [width, depth] of SECTIONS) {
      const next = { ...channel, width: width * METRES_PER_INCH, depth: depth * METRES_PER_INCH };
      if (next.width * next.depth <= channel.width * channel.depth) continue;
      if (channelPlan(next, entering, waterLevel, null).profile.over > 0) continue;
      const label = `Lay a ${width} × ${depth} in channel`;
      return { label, change: put(label, next) };
    }
    return null;
  },
};
