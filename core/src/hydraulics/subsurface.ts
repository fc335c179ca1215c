/** Water in the ground between parallel drains: how far apart they may lie, and how soon the ground between them is firm. */
import { rootBetween } from '../numeric/root';

export interface DrainSpacing {
  /** Conductivity of the soil below and above the drains, m/s; more than 0. */
  conductivityBelow: number;
  conductivityAbove: number;
  /** What sinks in and must be led off, m/s. */
  recharge: number;
  /** Water table midway between the drains, over them, m. */
  head: number;
  /** From the drains down to ground that takes no water, m; 0 where they lie on it. */
  depthToBarrier: number;
  /** m */
  drainRadius: number;
}

/** Terms of the series for F(x): beyond them a term is under a billionth of the first for every x that uses it. */
const TERMS = 41;

/** F(x) of the equivalent depth, x = 2πD/L: the series, and its limit for shallow ground (van der Molen & Wesseling 1991). */
function convergence(x: number): number {
  if (x <= 0.5) return Math.PI ** 2 / (4 * x) + Math.log(x / (2 * Math.PI));
  let sum = 0;
  for (let n = 1; n <= TERMS; n += 2) {
    const fall = Math.exp(-2 * n * x);
    sum += (4 * fall) / (n * (1 - fall));
  }
  return sum;
}

/**
 * Depth (m) of an imagined layer in which flow to ditches meets the same resistance as the real flow that narrows to pipes of a radius at a
 * spacing (m): Hooghoudt's d, by van der Molen & Wesseling's closed form. Never deeper than the ground is; 0 on the barrier.
 */
export function equivalentDepth(spacing: number, depthToBarrier: number, radius: number): number {
  if (depthToBarrier <= 0) return 0;
  const resistance = Math.log(spacing / (Math.PI * radius)) + convergence((2 * Math.PI * depthToBarrier) / spacing);
  const depth = (Math.PI * spacing) / 8 / resistance;
  return resistance > 0 ? Math.min(depthToBarrier, depth) : depthToBarrier;
}

/** Hooghoudt (1940): L² = (8 Kb d h + 4 Ka h²) / q, d by the spacing itself. */
export function drainSpacing(ground: DrainSpacing): { spacing: number; equivalentDepth: number } {
  const { conductivityBelow, conductivityAbove, recharge, head, depthToBarrier, drainRadius } = ground;
  const above = (4 * conductivityAbove * head * head) / recharge;
  const below = (8 * conductivityBelow * head) / recharge;
  const depthAt = (spacing: number): number => equivalentDepth(spacing, depthToBarrier, drainRadius);
  const least = Math.sqrt(above);
  const most = Math.sqrt(above + below * depthToBarrier);
  const short = (ln: number): number => {
    const spacing = Math.exp(ln);
    return Math.log(above + below * depthAt(spacing)) - 2 * ln;
  };
  const [low, high] = [Math.log(least), Math.log(most)];
  const spacing = short(high) >= 0 ? most : short(low) <= 0 ? least : Math.exp(rootBetween(low, high, short));
  return { spacing, equivalentDepth: depthAt(spacing) };
}

/** Rate (m/s) at which parallel drains so far apart lead off a water table `head` over them: Hooghoudt's formula the other way round. */
export function drainRate(spacing: number, ground: Omit<DrainSpacing, 'recharge'>): number {
  const { conductivityBelow, conductivityAbove, head, depthToBarrier, drainRadius } = ground;
  const depth = equivalentDepth(spacing, depthToBarrier, drainRadius);
  return (8 * conductivityBelow * depth * head + 4 * conductivityAbove * head * head) / spacing ** 2;
}

/**
 * Time (s) in which the water table midway falls from one height over the drains to another, each moment draining as if it stood so for good:
 * μ dh/dt = −(8 K d h + 4 K h²)/L², integrated. `porosity`: share of the ground that its water leaves, μ. Infinite down to the drains themselves.
 */
export function timeToFall(
  spacing: number,
  from: number,
  to: number,
  porosity: number,
  { conductivity, depthToBarrier, drainRadius }: { conductivity: number; depthToBarrier: number; drainRadius: number },
): number {
  if (to >= from) return 0;
  const d = equivalentDepth(spacing, depthToBarrier, drainRadius);
  const unit = (porosity * spacing ** 2) / (4 * conductivity);
  // So close to the barrier that the logarithms would lose their digits, it is their limit.
  if (d <= 1e-9 * to) return unit * (1 / to - 1 / from);
  return (unit / (2 * d)) * (Math.log1p((2 * d) / to) - Math.log1p((2 * d) / from));
}
