/**
 * Design flow down the tree by the rational method. Each part of what entered keeps the time that it has been on its way; a run is
 * sized for the time at which intensity times area arrived by then is greatest, so that a paved part that answers at once is not
 * watered down by a lawn that answers late. On the way down the rain grows longer and weaker, and yet no pipe is sized for less than
 * one that flows into it: at some time that much comes.
 */
import { ROOF_DURATION } from '../rain/intensityOfRain';
import type { Arrival } from '../runoff/sources';
import { NONE, type Tree } from './tree';

/**
 * Parts kept apart at a landing; beyond it that one joins the part before it, at its time, whose water that hurries least: area by time.
 * So joined, a flow errs upward, and of 300 areas that come at any time within an hour by less than 2 %.
 */
const MAX_PARTS = 48;
/** Parts that arrive within this of each other are one, s. */
const AT_ONCE = 1e-6;

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

/** What comes to a landing, rising in time: s, and C·A, m². Two rows of numbers, as a yard has thousands of parts. */
interface Parts {
  times: number[];
  areas: number[];
}

export function designFlows({
  tree,
  entering,
  fixed: fixedEntering,
  intensityOf,
  travelTime,
}: DesignFlowInput): DesignFlows {
  const count = tree.landings.length;
  const fixed = fixedEntering.slice();
  const arrived: (Parts | undefined)[] = new Array<Parts | undefined>(count);
  /** Of the rain at each landing: what governs, m³/s; and the landing above from which the most came, or NONE. */
  const ofRain = new Float64Array(count);
  const most = new Int32Array(count).fill(NONE);
  const out: DesignFlows = {
    flow: new Float64Array(count),
    fixed,
    intensity: new Float64Array(count),
    time: new Float64Array(count),
    area: new Float64Array(count),
  };
  for (let at = 0; at < count; at++) {
    const own = inTime(entering[at]!);
    const fromAbove = arrived[at];
    const parts = fromAbove ? joined(own, fromAbove) : own;
    merge(parts);
    const here = worstTime(parts, intensityOf);
    const above = most[at]!;
    const rules = above !== NONE && ofRain[above]! > here.flow;
    ofRain[at] = rules ? ofRain[above]! : here.flow;
    out.flow[at] = ofRain[at]! + fixed[at]!;
    out.intensity[at] = rules ? out.intensity[above]! : here.intensity;
    out.time[at] = rules ? out.time[above]! : here.time;
    out.area[at] = rules ? out.area[above]! : here.area;
    const run = tree.leaving[at]!;
    if (run === NONE) continue;
    const to = tree.lower[run]!;
    fixed[to]! += fixed[at]!;
    if (ofRain[at]! > (most[to] === NONE ? 0 : ofRain[most[to]!]!)) most[to] = at;
    if (parts.times.length === 0) continue;
    const coming = delayed(parts, travelTime(run, out.flow[at]!));
    arrived[to] = arrived[to] ? joined(arrived[to], coming) : coming;
  }
  return out;
}

const NONE_COME: Parts = { times: [], areas: [] };

/** Parts in the order of their time. */
function inTime(parts: readonly Arrival[]): Parts {
  if (parts.length === 0) return NONE_COME;
  const sorted = parts.every(({ time }, k) => k === 0 || parts[k - 1]!.time <= time)
    ? parts
    : [...parts].sort((a, b) => a.time - b.time);
  return { times: sorted.map(({ time }) => time), areas: sorted.map(({ area }) => area) };
}

/** That much (s) later. */
const delayed = ({ times, areas }: Parts, by: number): Parts => ({
  times: times.map((time) => time + by),
  areas: areas.slice(),
});

/** Both together; of equal times what is in `first` comes first. */
function joined(first: Parts, second: Parts): Parts {
  if (first.times.length === 0) return second;
  if (second.times.length === 0) return first;
  const times: number[] = [];
  const areas: number[] = [];
  let k = 0;
  for (let j = 0; j < second.times.length; j++) {
    const time = second.times[j]!;
    for (; k < first.times.length && first.times[k]! <= time; k++) {
      times.push(first.times[k]!);
      areas.push(first.areas[k]!);
    }
    times.push(time);
    areas.push(second.areas[j]!);
  }
  for (; k < first.times.length; k++) {
    times.push(first.times[k]!);
    areas.push(first.areas[k]!);
  }
  return { times, areas };
}

/** Makes those of one time one, and not more than `MAX_PARTS` of them all. */
function merge({ times, areas }: Parts): void {
  let kept = 0;
  for (let k = 1; k < times.length; k++) {
    if (times[k]! - times[kept]! < AT_ONCE) areas[kept]! += areas[k]!;
    else {
      kept++;
      times[kept] = times[k]!;
      areas[kept] = areas[k]!;
    }
  }
  if (kept + 1 < times.length) times.length = areas.length = kept + 1;
  while (times.length > MAX_PARTS) {
    let least = 1;
    let hurried = Number.POSITIVE_INFINITY;
    for (let k = 1; k < times.length; k++) {
      const by = areas[k]! * (times[k]! - times[k - 1]!);
      if (by >= hurried) continue;
      hurried = by;
      least = k;
    }
    areas[least - 1]! += areas[least]!;
    times.splice(least, 1);
    areas.splice(least, 1);
  }
}

export interface Governing {
  /** m³/s; the rain (m/s), time (s) and C·A (m²) that made it. */
  flow: number;
  intensity: number;
  time: number;
  area: number;
}

const NOTHING: Governing = { flow: 0, intensity: 0, time: 0, area: 0 };

function worstTime({ times, areas }: Parts, intensityOf: (duration: number) => number): Governing {
  if (times.length === 0) return NOTHING;
  const most = { flow: 0, intensity: 0, time: 0, area: 0 };
  let area = 0;
  for (let k = 0; k < times.length; k++) {
    area += areas[k]!;
    const time = Math.max(ROOF_DURATION, times[k]!);
    const intensity = intensityOf(time);
    if (intensity * area < most.flow) continue;
    most.flow = intensity * area;
    most.intensity = intensity;
    most.time = time;
    most.area = area;
  }
  return most;
}

/** The time at which intensity times the area arrived by then is greatest. */
export const governing = (parts: readonly Arrival[], intensityOf: (duration: number) => number): Governing =>
  worstTime(inTime(parts), intensityOf);
