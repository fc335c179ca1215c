/**
 * Steady flow that grows along a channel drain as sheet flow falls in all along it:
 * dy/dx = (S0 − Sf − 2 Q q / (g A²)) / (1 − Q² T / (g A³))   (Chow 1959, eq. 12-30; x from the closed end, Q = q x, and
 * more by what a pipe brings in at that end).
 *
 * A channel that falls gently is ruled by its outlet. One that falls steeply turns supercritical where the numerator is naught at
 * critical depth; above that place it is subcritical and ruled by it, below it runs fast unless the outlet drowns it.
 */
import { advance, HALVINGS_IN_ALL, type Follow } from '../numeric/follow';
import { shapeOf, type ChannelSection } from './channelSection';
import {
  type Growing,
  type Point,
  criticalAt,
  parts,
  kept,
  onBranch,
  stiffness,
  turningPlace,
  slopeThrough,
  force,
} from './channelEquation';

export interface ChannelDrain {
  /** Inside, m; the depth at its outlet. */
  width: number;
  depth: number;
  length: number;
  /** Fall of the bed, m/m; 0 for a level one, less where it rises to its outlet. */
  slope: number;
  roughness: number;
  /** Flat floor when absent. */
  section?: ChannelSection | undefined;
  /** How much of the fall its bed has against its own top, m/m: so much shallower it is toward its closed end. None when absent. */
  ownFall?: number | undefined;
}

export interface ChannelProfile {
  /** m from the closed end, and the depth at each, m. */
  stations: number[];
  depths: number[];
  maxDepth: number;
  overtops: boolean;
  /** How far the water stands over the top where it stands highest against it, m; less than 0 when it stays below all along. */
  over: number;
  /** What the outlet does: a free drop at critical depth, water standing higher than that, or none, as the flow is fast there. */
  outletControl: 'free' | 'drowned' | 'none';
}

/** Steps of a profile that is shown, and of one that only serves a search: its greatest depth is out by less than a hundredth of a millimetre. */
export const FINE = 200;
export const COARSE = 80;
/** Part of its own station within which a singular place is passed on its tangent, and steps from there on. */
const BESIDE = 0.005;
/** For one of the profile's; and never so few that the pull near the singular place throws them off. */
const AWAY_STEPS = 2;
const LEAST_AWAY = 120;

type Depth = (x: number) => number;

/**
 * Depths of a slow flow from the outlet, where `start` m stands, up to the closed end, followed in s = √(length − x). In s the profile
 * leaves a critical section straight, where in x it would leave it at a right angle.
 */
function upFrom(channel: Growing, start: number): Point[] {
  const { steps, length } = channel;
  const step = Math.sqrt(length) / steps;
  const points = [{ x: length, y: start }];
  const critical = criticalAt(channel, length);
  const atCritical = Math.abs(start - critical) <= 1e-9 * critical;
  const slopeAt = (s: number, y: number): number => {
    if (s > 0) {
      const { above, below } = kept(channel, length - s * s, y, 1);
      return (-2 * s * above) / below;
    }
    // There (y − yc) d(below)/dy = above dx/dy.
    return atCritical
      ? Math.sqrt(Math.max(0, (-2 * parts(channel, length, start).above) / stiffness(channel, critical)))
      : 0;
  };
  const follow: Follow = {
    slopeAt,
    ontoBranch: (s, y) => onBranch(channel, length - s * s, y, 1),
    spare: HALVINGS_IN_ALL,
  };
  let y = start;
  for (let k = 0; k < steps; k++) {
    y = advance(follow, { at: k * step, next: (k + 1) * step, y });
    points.push({ x: length - ((k + 1) * step) ** 2, y });
  }
  return points;
}

/** Depth at a station on a row of points that rise in x. */
function reader(points: Point[]): Depth {
  return (x) => {
    let low = 0;
    let high = points.length - 1;
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (points[middle]!.x <= x) low = middle;
      else high = middle;
    }
    const a = points[low]!;
    const b = points[high]!;
    return b.x === a.x ? a.y : a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x);
  };
}

type Loaded = ChannelDrain & {
  lateralInflow: number;
  /** What comes in at its closed end, m³/s; none when absent. */
  through?: number | undefined;
  outletDepth?: number | undefined;
  steps?: number | undefined;
};

/** A loaded channel as the equation sees it. */
const growing = ({
  width,
  section = 'flat',
  lateralInflow: q,
  through = 0,
  length,
  slope,
  roughness,
  steps = FINE,
}: Loaded): Growing => ({
  shape: shapeOf(section, width),
  q,
  through,
  length,
  slope,
  roughness,
  steps,
});

/**
 * Depth at the closed end alone, m: what a search for where the water divides asks for, a hundred times. The same as the profile's first
 * depth, without following the water down from where it turns fast unless something stands at the outlet.
 */
export function closedEndDepth(loaded: Loaded): number {
  const { length, slope, lateralInflow: q, through = 0, outletDepth = 0 } = loaded;
  if (q + through === 0) return Math.max(0, outletDepth - slope * length);
  const channel = growing(loaded);
  const critical = criticalAt(channel, length);
  const turn = turningPlace(channel);
  if (turn === null) return upFrom(channel, Math.max(critical, outletDepth)).at(-1)!.y;
  if (outletDepth > critical) return channelProfile(loaded).depths[0]!;
  return away(
    channel,
    { x: turn, slope: slopeThrough(channel, turn) },
    turn * (1 - 1e-9),
    -1,
    AWAY_STEPS * channel.steps,
  ).at(-1)!.y;
}

/** Water profile under an inflow of `lateralInflow` m²/s (m³/s a metre) and of `through` m³/s at the closed end, with `outletDepth` (m) standing at the outlet, or a free drop. */
export function channelProfile(drain: Loaded): ChannelProfile {
  const { length, depth, slope, lateralInflow: q, through = 0, outletDepth = 0, ownFall = 0, steps = FINE } = drain;
  const channel = growing(drain);
  const stations = Array.from({ length: steps + 1 }, (_, k) => (length * k) / steps);
  const profileOf = (
    depthAt: Depth,
    outletControl: ChannelProfile['outletControl'],
    more: readonly Point[] = [],
  ): ChannelProfile => {
    const depths = stations.map(depthAt);
    let maxDepth = 0;
    let over = Number.NEGATIVE_INFINITY;
    const see = (x: number, y: number): void => {
      maxDepth = Math.max(maxDepth, y);
      over = Math.max(over, y - (depth - ownFall * (length - x)));
    };
    stations.forEach((x, k) => see(x, depths[k]!));
    for (const { x, y } of more) see(x, y);
    return { stations, depths, maxDepth, overtops: over > depth * 1e-12, over, outletControl };
  };
  if (q + through === 0)
    return profileOf((x) => Math.max(0, outletDepth - slope * (length - x)), outletDepth > 0 ? 'drowned' : 'free');
  const critical = criticalAt(channel, length);
  const turn = turningPlace(channel);
  const ruled = (outlet: number): Point[] => upFrom(channel, outlet).reverse();
  if (turn === null) {
    const points = ruled(Math.max(critical, outletDepth));
    return profileOf(reader(points), outletDepth > critical ? 'drowned' : 'free', points);
  }
  const fast = throughTurn(channel, turn);
  const atTurn = [{ x: turn, y: fast(turn) }];
  if (outletDepth <= critical || force(channel, length, outletDepth) <= force(channel, length, fast(length)))
    return profileOf(fast, 'none', atTurn);
  const slow = reader(ruled(outletDepth));
  // Up from the outlet the slow flow holds until the fast one pushes harder; above the turning place only one of them can be.
  const holds = (x: number): boolean => {
    const y = slow(x);
    return (
      y > criticalAt(channel, x) * (1 + 1e-6) &&
      (x <= turn ? y > fast(x) : force(channel, x, y) > force(channel, x, fast(x)))
    );
  };
  const jump = [...stations].reverse().find((x) => !holds(x)) ?? 0;
  return profileOf((x) => (x > jump ? slow(x) : fast(x)), 'drowned');
}

/** The profile that passes from slow to fast at the turning place, along its own slope there. */
function throughTurn(channel: Growing, turn: number): Depth {
  const through = { x: turn, slope: slopeThrough(channel, turn) };
  const yc = criticalAt(channel, turn);
  const up = away(channel, through, turn * (1 - 1e-9), -1).reverse();
  const down = away(channel, through, channel.length - turn, 1);
  return reader([...up, { x: turn, y: yc }, ...down]);
}

/**
 * Away from a turning place, `reach` m up (−1, slow) or down (+1, fast). Near it the profile is drawn back to itself the harder the
 * nearer, as 1/distance: steps grow with the distance, and the method is one that such pull cannot upset.
 */
function away(
  channel: Growing,
  { x: turn, slope }: { x: number; slope: number },
  reach: number,
  side: -1 | 1,
  steps = Math.max(LEAST_AWAY, AWAY_STEPS * channel.steps),
): Point[] {
  const branch = side < 0 ? 1 : -1;
  const start = Math.min(BESIDE * turn, reach);
  const points = [{ x: turn + side * start, y: criticalAt(channel, turn) + side * slope * start }];
  if (reach <= start) return points;
  const slopeAt = (x: number, y: number): number => {
    const { above, below } = kept(channel, x, y, branch);
    return above / below;
  };
  const follow: Follow = { slopeAt, ontoBranch: (x, y) => onBranch(channel, x, y, branch), spare: HALVINGS_IN_ALL };
  const grow = (reach / start) ** (1 / steps);
  let { x, y } = points[0]!;
  for (let k = 1; k <= steps; k++) {
    const next = turn + side * start * grow ** k;
    y = advance(follow, { at: x, next, y });
    x = next;
    points.push({ x, y });
  }
  return points;
}
