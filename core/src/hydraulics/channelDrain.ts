/**
 * Steady flow that grows along a channel drain as sheet flow falls in all along it:
 * dy/dx = (S0 − Sf − 2 Q q / (g A²)) / (1 − Q² T / (g A³))   (Chow 1959, eq. 12-30; x from the closed end, Q = q x).
 *
 * A channel that falls gently is ruled by its outlet. One that falls steeply turns supercritical where the numerator is naught at
 * critical depth; above that place it is subcritical and ruled by it, below it runs fast unless the outlet drowns it.
 */
import { advance, HALVINGS_IN_ALL, type Follow } from '../numeric/follow';
import { rootBetween } from '../numeric/root';
import { GRAVITY } from '../units/constants';
import { shapeOf, type ChannelSection, type Shape } from './channelSection';

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

/** A channel under an inflow of q (m²/s) all along. */
interface Growing {
  shape: Shape;
  q: number;
  length: number;
  slope: number;
  roughness: number;
  /** Steps over its length. */
  steps: number;
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

interface Point {
  x: number;
  y: number;
}

/** Critical depth of the flow q x there, m. */
const criticalAt = ({ shape, q }: Growing, x: number): number => shape.critical(q * x);

/** Numerator and denominator of dy/dx. */
function parts({ shape, q, slope, roughness }: Growing, x: number, y: number): { above: number; below: number } {
  const flow = q * x;
  const area = shape.area(y);
  const radius = area / shape.perimeter(y);
  // Powers as products: this is asked some ten thousand times a channel.
  const velocity = flow / area;
  const friction = (velocity * velocity * roughness * roughness) / (radius * Math.cbrt(radius));
  return {
    above: slope - friction - (2 * velocity * q) / (GRAVITY * area),
    below: 1 - (velocity * velocity * shape.top(y)) / (GRAVITY * area),
  };
}

/** Over what of critical depth a step is still taken to be on its own branch. */
const APART = 1e-7;
/** Water of less depth than this is none, m; nothing is divided by less. */
const LEAST = 1e-9;

/** The same on the branch that the flow keeps, slow (+1) or fast (−1): beyond critical depth the equation is another flow's. */
function kept(channel: Growing, x: number, y: number, branch: -1 | 1): { above: number; below: number } {
  if (y > LEAST) {
    const here = parts(channel, x, y);
    if (here.below * branch > 3 * APART) return here;
  }
  return parts(channel, x, Math.max(LEAST, criticalAt(channel, x) * (1 + branch * APART)));
}

/** A depth (m) kept on its own branch: no lower than critical where the flow is slow, no higher where it is fast. */
function onBranch(channel: Growing, x: number, y: number, branch: -1 | 1): number {
  if (y > LEAST && parts(channel, x, y).below * branch > 0) return y;
  const critical = criticalAt(channel, x);
  return branch > 0 ? Math.max(y, critical) : Math.min(Math.max(y, LEAST), critical);
}

/** How fast the denominator grows with depth at a critical one, 1/m: 3 T/A − T′/T. */
function stiffness({ shape }: Growing, critical: number): number {
  const h = critical * 1e-5;
  const top = shape.top(critical);
  return (3 * top) / shape.area(critical) - (shape.top(critical + h) - shape.top(critical - h)) / (2 * h * top);
}

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

/** Where a steep channel turns supercritical, m from the closed end; null when it does not within its length. */
function turningPlace(channel: Growing): number | null {
  const above = (x: number): number => parts(channel, x, criticalAt(channel, x)).above;
  if (channel.slope <= 0 || above(channel.length) <= 0) return null;
  return rootBetween(channel.length * 1e-9, channel.length, above, 1e-12);
}

/**
 * Slope dy/dx of the flow through a singular critical point. With N = above, D = below and both naught there, dy/dx = m solves
 * D_y m² + (D_x − N_y) m − N_x = 0; the flow that speeds up takes the root on which it passes from sub- to supercritical.
 */
function slopeThrough(channel: Growing, x: number): number {
  const y = criticalAt(channel, x);
  const dx = x * 1e-6;
  const dy = y * 1e-6;
  const [right, left, up, down] = [
    parts(channel, x + dx, y),
    parts(channel, x - dx, y),
    parts(channel, x, y + dy),
    parts(channel, x, y - dy),
  ];
  const nx = (right.above - left.above) / (2 * dx);
  const ny = (up.above - down.above) / (2 * dy);
  const bx = (right.below - left.below) / (2 * dx);
  const by = (up.below - down.below) / (2 * dy);
  const middle = (bx - ny) / 2;
  return (-middle - Math.sqrt(Math.max(0, middle * middle + by * nx))) / by;
}

/** Specific force of the flow, m³: the side of a jump that has more of it pushes the other back. */
function force({ shape, q }: Growing, x: number, y: number): number {
  return (q * x) ** 2 / (GRAVITY * shape.area(y)) + shape.moment(y);
}

type Loaded = ChannelDrain & { lateralInflow: number; outletDepth?: number | undefined; steps?: number | undefined };

/** A loaded channel as the equation sees it. */
const growing = ({
  width,
  section = 'flat',
  lateralInflow: q,
  length,
  slope,
  roughness,
  steps = FINE,
}: Loaded): Growing => ({
  shape: shapeOf(section, width),
  q,
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
  const { length, slope, lateralInflow: q, outletDepth = 0 } = loaded;
  if (q === 0) return Math.max(0, outletDepth - slope * length);
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

/** Water profile under an inflow of `lateralInflow` m²/s (m³/s a metre), with `outletDepth` (m) standing at the outlet, or a free drop. */
export function channelProfile(drain: Loaded): ChannelProfile {
  const { length, depth, slope, lateralInflow: q, outletDepth = 0, ownFall = 0, steps = FINE } = drain;
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
  if (q === 0)
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

/** Steps in which the capacity is closed in, and how many before it is given up: no channel that can be built needs more than two. */
const WIDEN = 4;
const MAX_WIDENINGS = 30;

/**
 * Most inflow all along, m²/s, at which `over` (how far the water stands over the top, m) is naught; `near` is of its size. None where a
 * trickle overtops it, as in one that climbs to its outlet by more than its depth. NaN where no inflow fills it to the brim: a channel
 * that nobody could build.
 */
export function brimfulInflow(near: number, over: (lateralInflow: number) => number): number {
  let high = near;
  for (let k = 0; over(high) < 0; k++) {
    if (k === MAX_WIDENINGS) return Number.NaN;
    high *= WIDEN;
  }
  let low = high / WIDEN;
  for (let k = 0; over(low) > 0; k++) {
    if (k === MAX_WIDENINGS) return 0;
    low /= WIDEN;
  }
  return rootBetween(low, high, over, 1e-10);
}

/** No more than what leaves at critical depth over the full section, and near that if level and smooth, m³/s. */
export const freeOverfallFlow = ({ width, depth }: ChannelDrain): number => width * Math.sqrt(GRAVITY) * depth ** 1.5;

/** Most inflow all along that the channel takes with a free drop at its outlet, without overtopping: m²/s, and m³/s over its length. */
export function channelCapacity(channel: ChannelDrain): { lateralInflow: number; flow: number } {
  const lateralInflow = brimfulInflow(
    freeOverfallFlow(channel) / channel.length,
    (q) => channelProfile({ ...channel, lateralInflow: q }).over,
  );
  return { lateralInflow, flow: lateralInflow * channel.length };
}
