/**
 * Design flow down the tree by the rational method. Each part of what entered keeps the time that it has been on its way; a run is
 * sized for the time at which intensity times area arrived by then is greatest, so that a paved part that answers at once is not
 * watered down by a lawn that answers late. On the way down the rain grows longer and weaker, and yet no pipe is sized for less than
 * one that flows into it: at some time that much comes.
 */
import { ROOF_DURATION } from '../rain/intensityOfRain';
import type { Arrival } from '../runoff/sources';
import { NONE, type Tree } from './tree';

/** Parts kept apart at a landing; beyond it the two nearest in time become one, at the earlier time. */
const MAX_PARTS = 12;

export interface DesignFlows {
  /** What passes each landing: m³/s, of which fixed; and the rain (m/s), time (s) and C·A (m²) that made it. */
  flow: Float64Array;
  fixed: Float64Array;
  intensity: Float64Array;
  time: Float64Array;
  area: Float64Array;
}

export interface DesignFlowInput {
  tree: Tree;
  entering: readonly (readonly Arrival[])[];
  fixed: Float64Array;
  /** Intensity (m/s) of a duration (s); falls, or stays the same, as the duration grows. */
  intensityOf: (duration: number) => number;
  /** Time (s) that a flow (m³/s) takes down a run. */
  travelTime: (run: number, flow: number) => number;
}

export function designFlows({
  tree,
  entering,
  fixed: fixedEntering,
  intensityOf,
  travelTime,
}: DesignFlowInput): DesignFlows {
  const count = tree.landings.length;
  const fixed = Float64Array.from(fixedEntering);
  const parts: (readonly Arrival[])[] = [...entering];
  /** Largest rain flow of a pipe that arrives at each landing. */
  const largest: (Governing | undefined)[] = new Array<Governing | undefined>(count);
  const out: DesignFlows = {
    flow: new Float64Array(count),
    fixed,
    intensity: new Float64Array(count),
    time: new Float64Array(count),
    area: new Float64Array(count),
  };
  for (let at = 0; at < count; at++) {
    parts[at] = mergedByTime(parts[at]!);
    const here = governing(parts[at]!, intensityOf);
    const above = largest[at];
    const most = above && above.flow > here.flow ? above : here;
    out.flow[at] = most.flow + fixed[at]!;
    out.intensity[at] = most.intensity;
    out.time[at] = most.time;
    out.area[at] = most.area;
    const run = tree.leaving[at]!;
    if (run === NONE) continue;
    const to = tree.lower[run]!;
    fixed[to]! += fixed[at]!;
    if (most.flow > (largest[to]?.flow ?? 0)) largest[to] = most;
    if (parts[at]!.length === 0) continue;
    const travel = travelTime(run, out.flow[at]!);
    parts[to] = [...parts[to]!, ...parts[at]!.map(({ time, area }) => ({ time: time + travel, area }))];
  }
  return out;
}

/** Rising in time, those of one time together, and not more than `MAX_PARTS`. */
function mergedByTime(parts: readonly Arrival[]): Arrival[] {
  if (parts.length < 2) return [...parts];
  const merged: Arrival[] = [];
  for (const part of [...parts].sort((a, b) => a.time - b.time)) {
    const last = merged[merged.length - 1];
    if (last && part.time - last.time < 1e-6)
      merged[merged.length - 1] = { time: last.time, area: last.area + part.area };
    else merged.push(part);
  }
  while (merged.length > MAX_PARTS) {
    let nearest = 1;
    for (let k = 2; k < merged.length; k++)
      if (merged[k]!.time - merged[k - 1]!.time < merged[nearest]!.time - merged[nearest - 1]!.time) nearest = k;
    merged.splice(nearest - 1, 2, {
      time: merged[nearest - 1]!.time,
      area: merged[nearest - 1]!.area + merged[nearest]!.area,
    });
  }
  return merged;
}

export interface Governing {
  /** m³/s; the rain (m/s), time (s) and C·A (m²) that made it. */
  flow: number;
  intensity: number;
  time: number;
  area: number;
}

/** The time at which intensity times the area arrived by then is greatest. `parts` rise in time. */
export function governing(parts: readonly Arrival[], intensityOf: (duration: number) => number): Governing {
  let area = 0;
  let most: Governing = { flow: 0, intensity: 0, time: 0, area: 0 };
  for (const part of parts) {
    area += part.area;
    const time = Math.max(ROOF_DURATION, part.time);
    const intensity = intensityOf(time);
    if (intensity * area >= most.flow) most = { flow: intensity * area, intensity, time, area };
  }
  return most;
}
