/**
 * A level gutter that takes a valley's water at one place and carries it to its outlet.
 *
 *     valley                       From the outlet, where it falls free at critical depth, the water rises up the gutter by friction,
 *       |                          dx/dy = (1 − F²) / Sf. Where the valley drops in, its water brings no push along the gutter, and
 *   ~~~~v~~~~~~~~~~~~___           stands to y0 with y0²/2 = Q²/(g b² y1) + y1²/2 (momentum, as at the head of a channel fed from above).
 *    y0  y1             | yc
 *   ____________________|          Without friction y1 = yc, and y0 = √3 yc.
 *          length
 */
import { rootBetween } from '../numeric/root';
import { GRAVITY } from '../units/constants';

export interface GutterRun {
  /** Mean width under water, and depth of water to the brim, m. */
  width: number;
  depth: number;
  /** From the valley to the outlet, m. */
  length: number;
  roughness: number;
}

/** Steps of Simpson's rule over the rise of the water; dx/dy is smooth. */
const STEPS = 64;

/** Length (m) over which a flow (m³/s) rises from critical depth to y1 (m). */
function rises({ width, roughness }: GutterRun, flow: number, critical: number, y1: number): number {
  const along = (y: number): number => {
    const area = width * y;
    const radius = area / (width + 2 * y);
    const friction = (flow * roughness) ** 2 / (area * area * Math.cbrt(radius ** 4));
    return (1 - (critical / y) ** 3) / friction;
  };
  const h = (y1 - critical) / STEPS;
  let sum = along(critical) + along(y1);
  for (let k = 1; k < STEPS; k++) sum += (k % 2 === 1 ? 4 : 2) * along(critical + k * h);
  return (sum * h) / 3;
}

/** Depth at which a valley's `flow` (m³/s) stands in the gutter where it comes in, m. */
export function valleyDepth(gutter: GutterRun, flow: number): number {
  if (flow <= 0) return 0;
  const unit = flow / gutter.width;
  const critical = Math.cbrt((unit * unit) / GRAVITY);
  let high = critical * 2;
  while (rises(gutter, flow, critical, high) < gutter.length) high *= 2;
  const y1 = rootBetween(critical, high, (y) => rises(gutter, flow, critical, y) - gutter.length, 1e-12);
  return Math.sqrt((2 * unit * unit) / (GRAVITY * y1) + y1 * y1);
}

/** What a level channel with a free end would let go without friction, √3 yc = depth, m³/s. */
export const frictionlessFlow = ({ width, depth }: Pick<GutterRun, 'width' | 'depth'>): number =>
  width * Math.sqrt(GRAVITY) * (depth / Math.sqrt(3)) ** 1.5;

/** Most of a valley's water that the gutter carries from there to its outlet without brimming over, m³/s. */
export function gutterRunCapacity(gutter: GutterRun): number {
  // Friction only takes from it.
  const most = frictionlessFlow(gutter);
  return rootBetween(most * 1e-6, most * (1 + 1e-9), (flow) => valleyDepth(gutter, flow) - gutter.depth, 1e-10);
}
