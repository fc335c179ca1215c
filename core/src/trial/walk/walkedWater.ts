/** Water in a pipe by the walk of the trials, step by step and apart from the planner's own hydraulics. */
import type { RunPlan } from '../../plan/solution';
import { least } from '../halving';

export const G = 9.80665;
/** Area, wetted perimeter and width of a round section at a depth, by its half angle. */
export function section(depth: number, diameter: number): { area: number; wetted: number; width: number } {
  const y = Math.min(depth, diameter);
  const half = Math.acos(Math.min(1, Math.max(-1, 1 - (2 * y) / diameter)));
  return {
    area: ((half - Math.sin(half) * Math.cos(half)) * diameter ** 2) / 4,
    wetted: half * diameter,
    width: diameter * Math.sin(half),
  };
}

export const friction = (flow: number, depth: number, diameter: number, n: number): number => {
  const { area, wetted } = section(depth, diameter);
  return ((flow * n) / (area * (area / wetted) ** (2 / 3))) ** 2;
};
const criticalOf = (flow: number, diameter: number): number =>
  least(diameter * 1e-4, diameter, (y) => {
    const { area, width } = section(y, diameter);
    return area ** 3 * G >= flow ** 2 * width;
  });

/** Water over the invert at a pipe's head (m) with so much at its foot, marched in short steps; `foot` less than its own free depth is that. */
export function marched(
  run: Pick<RunPlan, 'diameter' | 'roughness' | 'length' | 'pitch'>,
  flow: number,
  foot: number,
): number {
  const { diameter: d, roughness: n, length, pitch } = run;
  if (flow <= 0) return Math.max(0, foot - pitch * length);
  const critical = criticalOf(flow, d);
  let y = Math.max(foot, critical);
  const steps = 1500;
  const dx = length / steps;
  for (let k = 0; k < steps; k++) {
    const full = y >= d;
    const slope = friction(flow, Math.max(y, critical * 1.001), d, n);
    if (full) y += (slope - pitch) * dx;
    else {
      const at = Math.max(y, critical * 1.003);
      const { area, width } = section(at, d);
      const froude2 = (flow ** 2 * width) / (G * area ** 3);
      y += Math.max(-d / 50, Math.min(d / 50, ((slope - pitch) / (1 - froude2)) * dx));
    }
    y = Math.max(y, critical);
  }
  return y;
}
