/**
 * A channel drain with any number of outlets: it parts into stretches that each fall, or rise, to one of them, and between two outlets
 * the water divides where both sides would stand equally high.
 *
 *    upper end       a        divide       b      lower end      stations run from the upper end; the bed falls to the lower one
 *      |-------------o~~~~~~~~~~~|~~~~~~~~~o---------|
 *         falls to a   rises to a  falls to b  rises to b
 */
import { rootBetween } from '../numeric/root';
import {
  brimfulInflow,
  channelProfile,
  COARSE,
  FINE,
  freeOverfallFlow,
  type ChannelDrain,
  type ChannelProfile,
} from './channelDrain';

/** Where the outlets are, m from the upper end, rising; or one in the middle, toward which the bed falls from both ends. */
export type Outlets = 'end' | 'middle' | readonly number[];

export interface MultiOutletProfile {
  /** m from the upper end over the whole length, and the depth at each, m. */
  stations: number[];
  depths: number[];
  maxDepth: number;
  /** How far the water stands over the top where it is worst, m; less than 0 when it stays below. */
  over: number;
  /** Length along which it stands over the top, m. */
  overLength: number;
  outletControl: ChannelProfile['outletControl'];
  /** m from the upper end of each outlet, and what goes out there, m³/s. */
  outlets: { at: number; flow: number }[];
}

interface Stretch {
  /** Its outlet, m from the upper end, and which way the water comes to it: from above (+1) or from below (−1). */
  at: number;
  from: -1 | 1;
  profile: ChannelProfile;
  drain: ChannelDrain;
}

type Whole = ChannelDrain & { outlets: Outlets };

/** What comes on to a stretch, m²/s, what stands at its outlet, m, and how finely to look. */
interface Load {
  q: number;
  outletDepth: number;
  steps: number;
}

/** The stretch of `length` on one side of an outlet at `at`; null when there is none. */
function stretchAt(
  whole: Whole,
  at: number,
  from: -1 | 1,
  length: number,
  { q, outletDepth, steps }: Load,
): Stretch | null {
  if (length <= 0) return null;
  const { ownFall = 0 } = whole;
  const toBed = whole.outlets === 'middle' ? 1 : from;
  const depth = whole.outlets === 'middle' ? whole.depth : whole.depth - ownFall * (whole.length - at);
  const drain: ChannelDrain = {
    width: whole.width,
    depth,
    length,
    slope: toBed * whole.slope,
    roughness: whole.roughness,
    section: whole.section,
    ownFall: toBed * ownFall,
  };
  return { at, from, drain, profile: channelProfile({ ...drain, lateralInflow: q, outletDepth, steps }) };
}

/** Of the `span` between two outlets, the part that drains to the upper one, m. */
function divideAt(whole: Whole, a: number, b: number, q: number, depthAt: (at: number) => number): number {
  const span = b - a;
  const stands = (at: number, from: -1 | 1, length: number): number =>
    stretchAt(whole, at, from, length, { q, outletDepth: depthAt(at), steps: COARSE })?.profile.depths[0] ??
    depthAt(at);
  const higher = (left: number): number => stands(a, -1, left) - stands(b, 1, span - left);
  if (higher(0) >= 0) return 0;
  if (higher(span) <= 0) return span;
  return rootBetween(0, span, higher, 1e-4);
}

/**
 * Profile of the whole channel under an inflow of `lateralInflow` (m²/s) all along. `outletDepth` is the depth (m) that water in the
 * line stands to at the channel's lower end, or in the middle where its outlet is; less at outlets higher up the bed.
 */
export function multiOutletProfile(
  whole: Whole & { lateralInflow: number; outletDepth?: number | undefined; steps?: number },
): MultiOutletProfile {
  const { outlets, length, slope, lateralInflow: q, outletDepth = 0, steps = FINE } = whole;
  const places = outlets === 'end' ? [length] : outlets === 'middle' ? [length / 2] : outlets;
  const depthAt = (at: number): number =>
    outlets === 'middle' ? outletDepth : Math.max(0, outletDepth - slope * (length - at));
  const stretches: Stretch[] = [];
  const add = (at: number, from: -1 | 1, long: number): void => {
    const stretch = stretchAt(whole, at, from, long, { q, outletDepth: depthAt(at), steps });
    if (stretch) stretches.push(stretch);
  };
  places.forEach((at, k) => {
    const next = places[k + 1];
    if (k === 0) add(at, 1, at);
    if (next === undefined) return add(at, -1, length - at);
    const left = divideAt(whole, at, next, q, depthAt);
    add(at, -1, left);
    add(next, 1, next - at - left);
  });
  return joined(stretches, places, q);
}

/** The stretches as one row of stations. */
function joined(stretches: readonly Stretch[], places: readonly number[], q: number): MultiOutletProfile {
  const stations: number[] = [];
  const depths: number[] = [];
  let overLength = 0;
  for (const { at, from, profile, drain } of stretches) {
    const way = profile.stations.map((station) => at + from * (station - drain.length));
    stations.push(...(from > 0 ? way : way.reverse()));
    depths.push(...(from > 0 ? profile.depths : [...profile.depths].reverse()));
    const standsOver = profile.depths.filter(
      (depth, k) => depth > drain.depth - (drain.ownFall ?? 0) * (drain.length - profile.stations[k]!),
    );
    overLength += (standsOver.length / profile.depths.length) * drain.length;
  }
  const worst = stretches.reduce((a, b) => (b.profile.over > a.profile.over ? b : a));
  return {
    stations,
    depths,
    overLength,
    maxDepth: Math.max(...stretches.map(({ profile }) => profile.maxDepth)),
    over: worst.profile.over,
    outletControl: worst.profile.outletControl,
    outlets: places.map((at) => ({
      at,
      flow: stretches.filter((stretch) => stretch.at === at).reduce((sum, { drain }) => sum + q * drain.length, 0),
    })),
  };
}

/** Most flow (m³/s) that the channel takes all along, its outlets falling free, without overtopping. */
export function multiOutletCapacity(whole: Whole): number {
  // A stretch that climbs to its outlet by more than its depth brims over with what merely stands in it.
  if (multiOutletProfile({ ...whole, lateralInflow: 0, steps: COARSE }).over >= 0) return 0;
  return (
    whole.length *
    brimfulInflow(
      freeOverfallFlow(whole) / whole.length,
      (q) => multiOutletProfile({ ...whole, lateralInflow: q, steps: COARSE }).over,
    )
  );
}
