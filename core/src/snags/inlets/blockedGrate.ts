import type { Basin, GroundInlet } from '../../job/kinds';
import { groundInlets } from '../../job/job';
import type { Settings } from '../../job/settings';
import { inletOf, runOffLevel } from '../../inlets';
import { sagDepth } from '../../hydraulics/sagInlet';
import type { Rule } from '../snag';

/** Level at which water stands with one grate blocked, m; null where nothing is known to hold it below the sill. */
function standsBlocked(inlet: GroundInlet, offered: number, settings: Settings): number | null {
  const left = inlet.kind === 'basin' ? (inlet.count ?? 1) - 1 : 0;
  const ponds =
    left > 0
      ? inlet.groundLevel + sagDepth({ ...inletOf({ ...(inlet as Basin), count: left }), flow: offered }).depth
      : Number.POSITIVE_INFINITY;
  const level = Math.min(ponds, runOffLevel(inlet, offered, settings));
  return Number.isFinite(level) ? level : null;
}

/** What is left to the sill with one grate blocked, m; 0 where it fills to the sill. */
export const leftToSill = (inlet: GroundInlet, offered: number, settings: Settings): number => {
  const level = standsBlocked(inlet, offered, settings);
  return level === null ? 0 : inlet.sillLevel! - level;
};

/** In the design rain, one grate full of leaves brings the water to a sill. Water runs past an inlet on a slope, and does not pond there. */
export const blockedGrate: Rule = {
  code: 'blockedGrate',
  find: (job, { inlets, settings }) =>
    groundInlets(job).flatMap((inlet) => {
      const offered = inlets[inlet.id]?.taken ?? 0;
      if (inlet.sillLevel === undefined || inlet.approach || offered <= 0) return [];
      const left = leftToSill(inlet, offered, settings);
      return left < settings.openingMargin
        ? [
            {
              code: 'blockedGrate',
              severity: 'mind' as const,
              at: inlet.id,
              measure: 'small' as const,
              figure: left,
              limit: settings.openingMargin,
            },
          ]
        : [];
    }),
  tell: (snag, say) => ({
    headline:
      snag.figure === 0
        ? `Full of leaves, ${say.name(snag.at)} fills to the sill it protects.`
        : snag.figure < 0
          ? `With a grate blocked, water at ${say.name(snag.at)} stands ${say.show('small', -snag.figure)} over its sill.`
          : `With a grate blocked, water at ${say.name(snag.at)} comes within ${say.show('small', snag.figure)} of its sill.`,
    why:
      snag.figure === 0
        ? 'No way off below the sill is known. Say at what level water runs off over the ground, shape the ground so that it does, or set a second grate.'
        : `${say.show('small', snag.limit)} is the margin here. Lower the ground over which it runs off, or set another grate.`,
    instead: 'Say at what level water runs off over the ground, clear of the door.',
  }),
};
