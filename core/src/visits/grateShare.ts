/** How much of a grate was shut on a wet day, from how deep it stood: read off between the shares that were tried. */
import type { Basin } from '../job/kinds';
import { inletOf } from '../inlets/basin';
import { readTo, type RainExplained } from './rainVisit';

export interface GrateShare {
  /** Share shut beyond its usual; nine of ten lie between `low` and `high`, as far as a mark tells. */
  share: number;
  low: number;
  high: number;
}

/** From standard deviation to nine of ten, to each side. */
const NINE_OF_TEN = 1.645;
/** Share that nothing is counted on beyond. */
const MOST = 0.95;

/** The share at which water of a depth (m) stands over a basin; null where no share that was tried comes to it. `place`: which of the places looked at. */
export function grateShare(
  ranked: readonly RainExplained[],
  id: string,
  place: number,
  depth: number,
): GrateShare | null {
  const tried = ranked
    .flatMap(({ cause, peaks }) => {
      if (cause.kind === 'asPlanned') return [{ share: 0, peak: peaks[place]! }];
      return cause.kind === 'blocked' && cause.id === id ? [{ share: cause.share ?? 1, peak: peaks[place]! }] : [];
    })
    .sort((a, b) => a.share - b.share);
  if (tried.length < 2 || depth <= tried[0]!.peak) return null;
  const shareAt = (level: number): number => {
    const next = tried.findIndex(({ peak }) => peak >= level);
    if (next < 0) return 1;
    if (next === 0) return tried[0]!.share;
    const [under, over] = [tried[next - 1]!, tried[next]!];
    return under.share + ((level - under.peak) / (over.peak - under.peak)) * (over.share - under.share);
  };
  const off = NINE_OF_TEN * readTo(depth);
  return { share: shareAt(depth), low: shareAt(Math.max(0, depth - off)), high: shareAt(depth + off) };
}

/** A basin of which so much more is counted on being shut than is now. */
export const withShut = (basin: Basin, share: number): Basin => {
  const now = inletOf(basin).clogging;
  return { ...basin, clogging: Math.round(100 * Math.min(MOST, 1 - (1 - now) * (1 - share))) / 100 };
};
