/** A pump in a basin: how often it starts, and what it lifts against its own line. */
import { rootBetween } from '../numeric/root';
import { GRAVITY } from '../units/constants';

const HOUR = 3600;

export interface PumpCycles {
  /** Time to fill from stop to start, and to run down again, s; null where it never does. */
  fillTime: number | null;
  runTime: number | null;
  /** Starts an hour; null where it never stops or never starts. */
  cyclesPerHour: number | null;
  /** Most that any inflow brings: at half the pump's rate. */
  worstCyclesPerHour: number;
}

/** Cycles of a pump of a rate (m³/s) in a basin that holds a volume (m³) between stop and start, under a steady inflow (m³/s). */
export function pumpCycles({
  inflow,
  pumpRate,
  volume,
}: {
  inflow: number;
  pumpRate: number;
  volume: number;
}): PumpCycles {
  const fillTime = inflow > 0 ? volume / inflow : null;
  const runTime = pumpRate > inflow ? volume / (pumpRate - inflow) : null;
  return {
    fillTime,
    runTime,
    cyclesPerHour: fillTime === null || runTime === null ? null : HOUR / (fillTime + runTime),
    worstCyclesPerHour: (HOUR * pumpRate) / (4 * volume),
  };
}

/** What a pump lifts at a flow: points of its curve, m³/s rising and m falling, straight between. */
export type PumpCurve = readonly { flow: number; head: number }[];

export interface RisingMain {
  /** m; the level difference that it lifts over, its length and inside diameter. */
  lift: number;
  length: number;
  diameter: number;
  /** Manning's n of it, running full. */
  roughness: number;
  /** K of V²/2g of all that stands in it: bends, the check valve, its end. */
  losses: number;
}

/** Head (m) that a line asks at a flow (m³/s): lift, friction by Manning in the full pipe, and what its fittings cost. */
export function systemHead({ lift, length, diameter, roughness, losses }: RisingMain, flow: number): number {
  const velocity = flow / ((Math.PI * diameter ** 2) / 4);
  const friction = (2 * GRAVITY * roughness ** 2 * length) / Math.cbrt(diameter / 4) ** 4;
  return lift + ((losses + friction) * velocity ** 2) / (2 * GRAVITY);
}

/** Head (m) of a pump at a flow (m³/s); of more than its curve reaches, none. */
function pumpHead(curve: PumpCurve, flow: number): number {
  if (flow <= curve[0]!.flow) return curve[0]!.head;
  for (let k = 1; k < curve.length; k++) {
    const [left, right] = [curve[k - 1]!, curve[k]!];
    if (flow <= right.flow)
      return left.head + ((right.head - left.head) * (flow - left.flow)) / (right.flow - left.flow);
  }
  return 0;
}

/** Flow (m³/s) at which a pump's curve meets its line's; 0 where it does not reach the head at all. */
export function pumpedFlow(curve: PumpCurve, main: RisingMain): number {
  const most = curve.at(-1)!.flow;
  const spare = (flow: number): number => pumpHead(curve, flow) - systemHead(main, flow);
  if (spare(0) <= 0) return 0;
  if (spare(most) >= 0) return most;
  return rootBetween(0, most, spare);
}
