/** Water that is kept for a while: a pit that soaks away, and a pond that lets out what its level allows. */
import { straightOn } from '../numeric/straight';

export interface Pit {
  /** m² and m: its floor, and the length round it. */
  baseArea: number;
  perimeter: number;
  /** m, of what can be filled. */
  height: number;
  /** Share of it that water fills. */
  voids: number;
  /** Of the soil round it, m/s. */
  conductivity: number;
}

/** ln(1 + x)/x: how much sooner it goes for what is lost through the wall; 1 without one. */
const slowing = (x: number): number => (x > 1e-12 ? Math.log1p(x) / x : 1);

/**
 * Time (s) in which a pit fills from empty under an inflow (m³/s), and empties from full with none: voids A dh/dt = Q − K(A + P h), unit
 * gradient through the floor and the wetted wall. Null where it never does.
 */
export function pitTimes({ baseArea, perimeter, height, voids, conductivity }: Pit, inflow: number) {
  const loss = (level: number): number => conductivity * (baseArea + perimeter * level);
  const store = voids * baseArea * height;
  const left = inflow - loss(height);
  const fillTime = left > 0 ? (store / left) * slowing((conductivity * perimeter * height) / left) : null;
  const drainTime =
    conductivity > 0 ? (store / (conductivity * baseArea)) * slowing((perimeter * height) / baseArea) : null;
  return { fillTime, drainTime };
}

export interface Pond {
  /** m, rising from its floor; with the volume (m³) up to each and what runs out at it (m³/s), straight between and on past the last. */
  levels: readonly number[];
  volumes: readonly number[];
  outflows: readonly number[];
}

export interface Routed {
  peakLevel: number;
  peakOutflow: number;
  volumeOut: number;
  volumeLeft: number;
}

/** Substeps of a step: the peak lies within one of them. */
const SUBSTEPS = 240;

/**
 * A pond under inflows (m³/s) at even times `step` (s) apart, straight between, from empty: dS/dt = I − O(S). Each substep is solved exactly for
 * its own straight piece of O, so that a steep outlet cannot set it swinging; what ran out is what came less what stayed, so no drop is lost.
 */
export function routePond(
  { levels, volumes, outflows }: Pond,
  inflows: readonly number[],
  step: number,
  substeps = SUBSTEPS,
): Routed {
  const dt = step / substeps;
  let volume = volumes[0]!;
  let came = 0;
  let peak = volume;
  for (let k = 1; k < inflows.length; k++) {
    const [first, last] = [inflows[k - 1]!, inflows[k]!];
    for (let part = 0; part < substeps; part++) {
      const inflow = first + ((last - first) * (part + 0.5)) / substeps;
      const { value, slope } = straightOn(volumes, outflows, volume);
      const reach = slope > 0 ? -Math.expm1(-slope * dt) / slope : dt;
      const next = Math.max(volumes[0]!, volume + (inflow - value) * reach);
      came += inflow * dt;
      volume = next;
      peak = Math.max(peak, volume);
    }
  }
  return {
    peakLevel: straightOn(volumes, levels, peak).value,
    peakOutflow: straightOn(volumes, outflows, peak).value,
    volumeOut: came - (volume - volumes[0]!),
    volumeLeft: volume - volumes[0]!,
  };
}
