/** The equation of flow that grows along a channel, and what it says at one place: both its sides, the branch it keeps, where it turns fast. */
import { rootBetween } from '../numeric/root';
import { GRAVITY } from '../units/constants';
import { type Shape } from './channelSection';

/** A channel under an inflow of q (m²/s) all along, and of `through` (m³/s) at its closed end: a pipe that comes in there. */
export interface Growing {
  shape: Shape;
  q: number;
  through: number;
  length: number;
  slope: number;
  roughness: number;
  /** Steps over its length. */
  steps: number;
}

export interface Point {
  x: number;
  y: number;
}

/** Flow there, m³/s. */
const flowAt = ({ through, q }: Growing, x: number): number => through + q * x;

/** Critical depth of the flow there, m. */
export const criticalAt = (channel: Growing, x: number): number => channel.shape.critical(flowAt(channel, x));

/** Numerator and denominator of dy/dx. */
export function parts(channel: Growing, x: number, y: number): { above: number; below: number } {
  const { shape, q, slope, roughness } = channel;
  const flow = flowAt(channel, x);
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
export function kept(channel: Growing, x: number, y: number, branch: -1 | 1): { above: number; below: number } {
  if (y > LEAST) {
    const here = parts(channel, x, y);
    if (here.below * branch > 3 * APART) return here;
  }
  return parts(channel, x, Math.max(LEAST, criticalAt(channel, x) * (1 + branch * APART)));
}

/** A depth (m) kept on its own branch: no lower than critical where the flow is slow, no higher where it is fast. */
export function onBranch(channel: Growing, x: number, y: number, branch: -1 | 1): number {
  if (y > LEAST && parts(channel, x, y).below * branch > 0) return y;
  const critical = criticalAt(channel, x);
  return branch > 0 ? Math.max(y, critical) : Math.min(Math.max(y, LEAST), critical);
}

/** How fast the denominator grows with depth at a critical one, 1/m: 3 T/A − T′/T. */
export function stiffness({ shape }: Growing, critical: number): number {
  const h = critical * 1e-5;
  const top = shape.top(critical);
  return (3 * top) / shape.area(critical) - (shape.top(critical + h) - shape.top(critical - h)) / (2 * h * top);
}

/** Where a steep channel turns supercritical, m from the closed end; null when it does not within its length. */
export function turningPlace(channel: Growing): number | null {
  const above = (x: number): number => parts(channel, x, criticalAt(channel, x)).above;
  if (channel.slope <= 0 || above(channel.length) <= 0) return null;
  // What comes in at the head may be fast from there on: at critical depth it is then as deep as it ever is.
  if (channel.through > 0 && above(channel.length * 1e-9) >= 0) return null;
  return rootBetween(channel.length * 1e-9, channel.length, above, 1e-12);
}

/**
 * Slope dy/dx of the flow through a singular critical point. With N = above, D = below and both naught there, dy/dx = m solves
 * D_y m² + (D_x − N_y) m − N_x = 0; the flow that speeds up takes the root on which it passes from sub- to supercritical.
 */
export function slopeThrough(channel: Growing, x: number): number {
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
export function force(channel: Growing, x: number, y: number): number {
  const { shape } = channel;
  return flowAt(channel, x) ** 2 / (GRAVITY * shape.area(y)) + shape.moment(y);
}
