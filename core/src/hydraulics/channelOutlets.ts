/**
 * A channel drain with any number of outlets: it parts into stretches that each fall, or rise, to one of them, and between two outlets
 * the water divides where both sides would stand equally high.
 *
 *    upper end       a        divide       b      lower end      stations run from the upper end; the bed falls to the lower one
 *      |-------------o~~~~~~~~~~~|~~~~~~~~~o---------|
 *         falls to a   rises to a  falls to b  rises to b
 */
import { rootBetween } from '../numeric/root';
import { depthForHole, type OutletHole } from './outletHole';
import { channelProfile, closedEndDepth, COARSE, FINE, type ChannelDrain, type ChannelProfile } from './channelDrain';
import { brimfulInflow, freeOverfallFlow } from './channelCapacity';

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

type Whole = ChannelDrain & { outlets: Outlets; hole?: OutletHole | undefined };

/** What comes on to a stretch, m²/s, what stands at its outlet, m, and how finely to look. */
interface Load {
  q: number;
  /** What comes in at the channel's upper end, m³/s: of the stretch from there. */
  through: number;
  outletDepth: number;
  steps: number;
}

/** The channel that a stretch of `length` on one side of an outlet at `at` is. */
function drainAt(whole: Whole, at: number, from: -1 | 1, length: number): ChannelDrain {
  const { ownFall = 0 } = whole;
  const toBed = whole.outlets === 'middle' ? 1 : from;
  return {
    width: whole.width,
    depth: whole.outlets === 'middle' ? whole.depth : whole.depth - ownFall * (whole.length - at),
    length,
    slope: toBed * whole.slope,
    roughness: whole.roughness,
    section: whole.section,
    ownFall: toBed * ownFall,
  };
}

/** The stretch of `length` on one side of an outlet at `at`; null when there is none. */
function stretchAt(
  whole: Whole,
  at: number,
  from: -1 | 1,
  length: number,
  { q, through, outletDepth, steps }: Load,
): Stretch | null {
  if (length <= 0) return null;
  const drain = drainAt(whole, at, from, length);
  return { at, from, drain, profile: channelProfile({ ...drain, lateralInflow: q, through, outletDepth, steps }) };
}

interface Between {
  whole: Whole;
  q: number;
  /** Stations of the upper and the lower outlet, m. */
  a: number;
  b: number;
  /** Depth (m) at each when so much of the way between drains to the upper one. */
  depthAt: { a: (left: number) => number; b: (left: number) => number };
}

/** How much higher (m) the water stands on the upper one's side of a divide `left` m below it. */
function higherAbove({ whole, q, a, b, depthAt }: Between, left: number): number {
  const stands = (at: number, from: -1 | 1, length: number, outletDepth: number): number =>
    length <= 0
      ? outletDepth
      : closedEndDepth({ ...drainAt(whole, at, from, length), lateralInflow: q, outletDepth, steps: SEARCH });
  return stands(a, -1, left, depthAt.a(left)) - stands(b, 1, b - a - left, depthAt.b(left));
}

/**
 * Of the way between two outlets, the part that drains to the upper one, m, sought about `near` first, within `about` of the way. The
 * longer its stretch, the higher the water stands on that side.
 */
function divideAt(between: Between, near: number, { about, within }: Round): number {
  const span = between.b - between.a;
  const higher = (left: number): number => higherAbove(between, left);
  let low = Math.max(0, near - about * span);
  let high = Math.min(span, near + about * span);
  if (higher(low) >= 0) [low, high] = [0, low];
  else if (higher(high) <= 0) [low, high] = [high, span];
  if (low === 0 && higher(0) >= 0) return 0;
  if (high === span && higher(span) <= 0) return span;
  return rootBetween(low, high, higher, (within * span) / (high - low));
}

/** Nearer together than this two outlets are one, m: a hole is wider. */
const APART = 0.01;

/** Where the outlets are, m from the upper end, those that are one only once. */
function placesOf({ outlets, length }: Whole): readonly number[] {
  if (outlets === 'end') return [length];
  if (outlets === 'middle') return [length / 2];
  return outlets.filter((at, k) => k === 0 || at - outlets[k - 1]! >= APART);
}

/** Steps over a stretch of a channel that many outlets part, at least. */
const LEAST_STEPS = 40;

/** Steps over a stretch while a divide is looked for: its closed end is out by about a tenth of a millimetre. */
const SEARCH = 20;

/** In parts of the way between two outlets: how far about the last divide the next is looked for, and how closely. */
interface Round {
  about: number;
  within: number;
}
/** Of divides that do not move one another. */
const ALONE: Round = { about: 0.5, within: 1e-4 };

/** Rounds in which several divides are brought to agree, at most; and how far, in parts of its way, one still moves when they do. */
const MAX_ROUNDS = 40;
const AGREED = 1e-3;

/** Where each outlet stands (m from the upper end), and how deep (m) the water stands at the k-th when so much of the way drains to it. */
interface Row {
  places: readonly number[];
  standsAt: (k: number, drained: number) => number;
}

/** Way (m) that comes to the k-th outlet from above and from below, by what of the way to the next one each outlet drains. */
const fromAbove = (places: readonly number[], lefts: readonly number[], k: number): number =>
  k === 0 ? places[0]! : places[k]! - places[k - 1]! - lefts[k - 1]!;
const fromBelow = (places: readonly number[], lefts: readonly number[], k: number, length: number): number =>
  k === places.length - 1 ? length - places[k]! : lefts[k]!;

/**
 * Of the way between each outlet and the next, what drains to the upper one, m. Through holes one divide moves what its two outlets
 * get, and with that the divides beside it: they are sought in turn until none moves. Without holes, or alone, each is found at once.
 */
function dividesOf(whole: Whole, q: number, { places, standsAt }: Row): number[] {
  const lefts = places.slice(1).map((next, k) => (next - places[k]!) / 2);
  /** Seeks each anew about where it is; how far the farthest moved, in parts of its way. */
  const seek = (round: Round): number => {
    let moved = 0;
    lefts.forEach((near, k) => {
      const [a, b] = [places[k]!, places[k + 1]!];
      const depthAt = {
        a: (left: number) => standsAt(k, fromAbove(places, lefts, k) + left),
        b: (left: number) => standsAt(k + 1, fromBelow(places, lefts, k + 1, whole.length) + b - a - left),
      };
      lefts[k] = divideAt({ whole, q, a, b, depthAt }, near, round);
      moved = Math.max(moved, Math.abs(lefts[k]! - near) / (b - a));
    });
    return moved;
  };
  if (lefts.length < 2 || !whole.hole) {
    seek(ALONE);
    return lefts;
  }
  let moved = 0.5;
  for (let round = 0; round < MAX_ROUNDS && moved > AGREED; round++)
    moved = seek({ about: moved, within: Math.max(moved / 20, AGREED / 4) });
  return lefts;
}

/**
 * Profile of the whole channel under an inflow of `lateralInflow` (m²/s) all along, and of `through` (m³/s) at its upper end. `outletDepth` is the depth (m) that water in the
 * line stands to at the channel's lower end, or in the middle where its outlet is; less at outlets higher up the bed. Every outlet lets
 * go through a `hole`, which wants a depth of its own for what comes to it; it falls free there when absent.
 */
export function multiOutletProfile(
  whole: Whole & {
    lateralInflow: number;
    through?: number | undefined;
    outletDepth?: number | undefined;
    steps?: number;
  },
): MultiOutletProfile {
  const { outlets, length, slope, lateralInflow: q, through = 0, outletDepth = 0, hole } = whole;
  const places = placesOf(whole);
  // Several outlets part it into shorter stretches, each looked at as closely as the whole would be.
  const { steps = Math.max(LEAST_STEPS, Math.round(FINE / places.length)) } = whole;
  const standsAt = (k: number, drained: number): number => {
    const line = outlets === 'middle' ? outletDepth : Math.max(0, outletDepth - slope * (length - places[k]!));
    return hole ? depthForHole(hole, q * drained + (k === 0 ? through : 0), line) : line;
  };
  const lefts = dividesOf(whole, q, { places, standsAt });
  const stretches = places.flatMap((at, k) => {
    const [above, below] = [fromAbove(places, lefts, k), fromBelow(places, lefts, k, length)];
    const load = { q, through: 0, outletDepth: standsAt(k, above + below), steps };
    const first = k === 0 ? { ...load, through } : load;
    return [stretchAt(whole, at, 1, above, first), stretchAt(whole, at, -1, below, load)];
  });
  return joined(
    stretches.filter((stretch) => stretch !== null),
    places,
    { q, through },
  );
}

/** The stretches as one row of stations. */
function joined(
  stretches: readonly Stretch[],
  places: readonly number[],
  { q, through }: Pick<Load, 'q' | 'through'>,
): MultiOutletProfile {
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
    outlets: places.map((at, k) => ({
      at,
      flow: stretches
        .filter((stretch) => stretch.at === at)
        .reduce((sum, { drain }) => sum + q * drain.length, k === 0 ? through : 0),
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
