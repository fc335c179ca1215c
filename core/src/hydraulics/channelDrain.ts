/**
 * Steady flow that grows along a rectangular channel drain as sheet flow falls in all along it:
 * dy/dx = (S0 − Sf − 2 Q q / (g A²)) / (1 − Q² T / (g A³))   (Chow 1959, eq. 12-30; x from the closed end, Q = q x).
 *
 * A channel that falls gently is ruled by its outlet. One that falls steeply turns supercritical where the numerator is naught at
 * critical depth; above that place it is subcritical and ruled by it, below it runs fast unless the outlet drowns it.
 */
import { rootBetween } from '../numeric/root';
import { GRAVITY } from '../units/constants';

export interface ChannelDrain {
  /** Inside, m. */
  width: number;
  depth: number;
  length: number;
  /** Fall of the bed, m/m; 0 for a level one. */
  slope: number;
  roughness: number;
}

export interface ChannelProfile {
  /** m from the closed end, and the depth at each, m. */
  stations: number[];
  depths: number[];
  maxDepth: number;
  overtops: boolean;
  /** What the outlet does: a free drop at critical depth, water standing higher than that, or none, as the flow is fast there. */
  outletControl: 'free' | 'drowned' | 'none';
}

const POINTS = 200;
/** Part of its own station within which a singular place is passed on its tangent, and steps from there on. */
const BESIDE = 0.005;
const AWAY_STEPS = 400;

type Depth = (x: number) => number;

/** Critical depth with flow q x in a rectangle: (Q² / (g b²))^(1/3), m. */
const criticalAt = (q: number, width: number, x: number): number => Math.cbrt((q * x) ** 2 / (GRAVITY * width * width));

/** Numerator and denominator of dy/dx. */
function parts({ width, slope, roughness }: ChannelDrain, q: number, x: number, y: number): { above: number; below: number } {
  const flow = q * x;
  const area = width * y;
  const radius = area / (width + 2 * y);
  const friction = (flow * roughness) ** 2 / (area * area * Math.cbrt(radius ** 4));
  return { above: slope - friction - (2 * flow * q) / (GRAVITY * area * area), below: 1 - (flow * flow) / (GRAVITY * area * area * y) };
}

/**
 * Depths on one side of a place where the depth is known, by fourth-order Runge–Kutta in s = √|x − place|. In s the profile leaves a
 * critical section straight, where in x it would leave it at a right angle. `side` −1 goes up, +1 down; `branch` is the sign that
 * y − yc keeps.
 */
function march(channel: ChannelDrain, q: number, place: number, start: number, side: -1 | 1, to: number, branch: -1 | 1): { x: number; y: number }[] {
  const reach = Math.sqrt(Math.abs(to - place));
  const step = reach / POINTS;
  const points = [{ x: place, y: start }];
  const critical = criticalAt(q, channel.width, place);
  const atCritical = Math.abs(start - critical) <= 1e-9 * critical;
  const slopeAt = (s: number, y: number): number => {
    const x = place + side * s * s;
    if (s === 0) {
      if (!atCritical) return 0;
      // There (y − yc) d(below)/dy = above dx/dy with d(below)/dy = 3/yc.
      const { above } = parts(channel, q, place, start);
      return branch * Math.sqrt(Math.max(0, (2 * above * side * critical) / 3));
    }
    // On the branch that it keeps: beyond critical depth the equation is another flow's.
    const yc = criticalAt(q, channel.width, x);
    const kept = branch > 0 ? Math.max(y, yc * (1 + 1e-7)) : Math.min(Math.max(y, 1e-9), yc * (1 - 1e-7));
    const { above, below } = parts(channel, q, x, kept);
    return (2 * side * s * above) / below;
  };
  let y = start;
  for (let k = 0; k < POINTS; k++) {
    const s = k * step;
    const a = slopeAt(s, y);
    const b = slopeAt(s + step / 2, y + (a * step) / 2);
    const c = slopeAt(s + step / 2, y + (b * step) / 2);
    const d = slopeAt(s + step, y + c * step);
    y += (step * (a + 2 * b + 2 * c + d)) / 6;
    const x = place + side * (s + step) ** 2;
    const yc = criticalAt(q, channel.width, x);
    y = branch > 0 ? Math.max(y, yc) : Math.min(Math.max(y, 1e-9), yc);
    points.push({ x, y });
  }
  return points;
}

/** Depth at a station on a row of points that rise in x. */
function reader(points: { x: number; y: number }[]): Depth {
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
function turningPlace(channel: ChannelDrain, q: number): number | null {
  const above = (x: number): number => parts(channel, q, x, criticalAt(q, channel.width, x)).above;
  if (channel.slope <= 0 || above(channel.length) <= 0) return null;
  return rootBetween(channel.length * 1e-9, channel.length, above, 1e-12);
}

/**
 * Slope dy/dx of the flow through a singular critical point. With N = above, D = below and both naught there, dy/dx = m solves
 * D_y m² + (D_x − N_y) m − N_x = 0; the flow that speeds up takes the root on which it passes from sub- to supercritical.
 */
function slopeThrough(channel: ChannelDrain, q: number, x: number): number {
  const y = criticalAt(q, channel.width, x);
  const dx = x * 1e-6;
  const dy = y * 1e-6;
  const [right, left, up, down] = [parts(channel, q, x + dx, y), parts(channel, q, x - dx, y), parts(channel, q, x, y + dy), parts(channel, q, x, y - dy)];
  const nx = (right.above - left.above) / (2 * dx);
  const ny = (up.above - down.above) / (2 * dy);
  const bx = (right.below - left.below) / (2 * dx);
  const by = (up.below - down.below) / (2 * dy);
  const middle = (bx - ny) / 2;
  return (-middle - Math.sqrt(Math.max(0, middle * middle + by * nx))) / by;
}

/** Specific force of flow in a rectangle, m³: the side of a jump that has more of it pushes the other back. */
function force({ width }: ChannelDrain, q: number, x: number, y: number): number {
  return ((q * x) ** 2) / (GRAVITY * width * y) + (width * y * y) / 2;
}

/** Water profile under an inflow of `lateralInflow` m² /s (m³/s a metre), with `outletDepth` (m) standing at the outlet, or a free drop. */
export function channelProfile(channel: ChannelDrain & { lateralInflow: number; outletDepth?: number | undefined }): ChannelProfile {
  const { length, depth, slope, width, lateralInflow: q, outletDepth = 0 } = channel;
  const stations = Array.from({ length: POINTS + 1 }, (_, k) => (length * k) / POINTS);
  const told = (depthAt: Depth, outletControl: ChannelProfile['outletControl'], peak = 0): ChannelProfile => {
    const depths = stations.map(depthAt);
    const maxDepth = Math.max(peak, ...depths);
    return { stations, depths, maxDepth, overtops: maxDepth > depth * (1 + 1e-12), outletControl };
  };
  if (q === 0) return told((x) => Math.max(0, outletDepth - slope * (length - x)), outletDepth > 0 ? 'drowned' : 'free');
  const critical = criticalAt(q, width, length);
  const turn = turningPlace(channel, q);
  const ruled = (outlet: number): { x: number; y: number }[] => march(channel, q, length, outlet, -1, 0, 1).reverse();
  const highest = (points: { x: number; y: number }[]): number => points.reduce((most, point) => Math.max(most, point.y), 0);
  if (turn === null) {
    const points = ruled(Math.max(critical, outletDepth));
    return told(reader(points), outletDepth > critical ? 'drowned' : 'free', highest(points));
  }
  const fast = throughTurn(channel, q, turn);
  if (outletDepth <= critical || force(channel, q, length, outletDepth) <= force(channel, q, length, fast(length))) return told(fast, 'none', fast(turn));
  const slow = reader(ruled(outletDepth));
  // Up from the outlet the slow flow holds until the fast one pushes harder; above the turning place only one of them can be.
  const holds = (x: number): boolean => {
    const yc = criticalAt(q, width, x);
    const y = slow(x);
    return y > yc * (1 + 1e-6) && (x <= turn ? y > fast(x) : force(channel, q, x, y) > force(channel, q, x, fast(x)));
  };
  const jump = [...stations].reverse().find((x) => !holds(x)) ?? 0;
  return told((x) => (x > jump ? slow(x) : fast(x)), 'drowned');
}

/** The profile that passes from slow to fast at the turning place, along its own slope there. */
function throughTurn(channel: ChannelDrain, q: number, turn: number): Depth {
  const m = slopeThrough(channel, q, turn);
  const yc = criticalAt(q, channel.width, turn);
  const up = away(channel, q, turn, m, turn * (1 - 1e-9), -1).reverse();
  const down = away(channel, q, turn, m, channel.length - turn, 1);
  return reader([...up, { x: turn, y: yc }, ...down]);
}

/** L-stable second-order Rosenbrock method (Verwer et al. 1999). */
const GAMMA = 1 - Math.SQRT1_2;

/**
 * Away from a turning place, `reach` m up (−1, slow) or down (+1, fast). Near it the profile is drawn back to itself the harder the
 * nearer, as 1/distance: steps grow with the distance, and the method is one that such pull cannot upset.
 */
function away(channel: ChannelDrain, q: number, turn: number, m: number, reach: number, side: -1 | 1): { x: number; y: number }[] {
  const start = Math.min(BESIDE * turn, reach);
  const yc = criticalAt(q, channel.width, turn);
  const points = [{ x: turn + side * start, y: yc + side * m * start }];
  if (reach <= start) return points;
  const slopeAt = (x: number, y: number): number => {
    const critical = criticalAt(q, channel.width, x);
    const kept = side < 0 ? Math.max(y, critical * (1 + 1e-7)) : Math.min(Math.max(y, 1e-9), critical * (1 - 1e-7));
    const { above, below } = parts(channel, q, x, kept);
    return above / below;
  };
  const grow = (reach / start) ** (1 / AWAY_STEPS);
  let { x, y } = points[0]!;
  for (let k = 1; k <= AWAY_STEPS; k++) {
    const next = turn + side * start * grow ** k;
    const h = next - x;
    const f = slopeAt(x, y);
    const dy = y * 1e-6;
    const dx = h * 1e-3;
    const pull = (slopeAt(x, y + dy) - slopeAt(x, y - dy)) / (2 * dy);
    const drift = (slopeAt(x + dx, y) - slopeAt(x - dx, y)) / (2 * dx);
    const divisor = 1 - GAMMA * h * pull;
    const k1 = (f + GAMMA * h * drift) / divisor;
    const k2 = (slopeAt(next, y + h * k1) - GAMMA * h * drift - 2 * k1) / divisor;
    y += h * (1.5 * k1 + 0.5 * k2);
    x = next;
    const critical = criticalAt(q, channel.width, x);
    y = side < 0 ? Math.max(y, critical) : Math.min(Math.max(y, 1e-9), critical);
    points.push({ x, y });
  }
  return points;
}

/** Steps in which the capacity is closed in, and how many before it is given up: no channel that can be built needs more than two. */
const WIDEN = 4;
const MOST_WIDENINGS = 30;

/**
 * Most inflow all along that the channel takes with a free drop at its outlet, without overtopping: m²/s, and m³/s over its length.
 * NaN where no inflow fills it to the brim: a channel out of this world, thinner or flatter than any number can follow.
 */
export function channelCapacity(channel: ChannelDrain): { lateralInflow: number; flow: number } {
  const fits = (q: number): number => channelProfile({ ...channel, lateralInflow: q }).maxDepth - channel.depth;
  // No more than what leaves at critical depth over the full section, and near that if level and smooth.
  let high = (channel.width * Math.sqrt(GRAVITY) * channel.depth ** 1.5) / channel.length;
  for (let k = 0; fits(high) < 0; k++) {
    if (k === MOST_WIDENINGS) return { lateralInflow: Number.NaN, flow: Number.NaN };
    high *= WIDEN;
  }
  let low = high / WIDEN;
  for (let k = 0; fits(low) > 0; k++) {
    if (k === MOST_WIDENINGS) return { lateralInflow: Number.NaN, flow: Number.NaN };
    low /= WIDEN;
  }
  const lateralInflow = rootBetween(low, high, fits, 1e-10);
  return { lateralInflow, flow: lateralInflow * channel.length };
}
