/** Design flow at every landing, and what of it enters there at its own worst time. */
import { MATERIAL_FACTS } from '../catalogue/pipes';
import { normalDepth } from '../hydraulics/pipe';
import { ofKind, type Job } from '../job/job';
import { diameterOf, type Basin, type Channel, type RainElement, type Run } from '../job/kinds';
import { designFlows, governing, type DesignFlows } from '../network/designFlow';
import type { Levels } from '../network/levels';
import { accumulate, type Tree } from '../network/tree';
import { intensityOf } from '../rain/intensity';
import { rainTable } from '../rain/intensityOfRain';
import { withBypass, type OnSlope } from '../runoff/bypass';
import type { Arrival, Sources } from '../runoff/sources';
import type { Layout } from './layout';
import { perElement } from './perElement';
import { stage } from '../numeric/stage';

export interface JobFlows extends DesignFlows {
  /** What enters at each landing over the ground, at its own worst time, m³/s; and its C·A, m². */
  entering: Float64Array;
  enteringArea: Float64Array;
  /** C·A that passes each landing, m². */
  passingArea: Float64Array;
  onSlope: ReadonlyMap<string, OnSlope>;
}

const times = perElement<Run, number>();

/** Velocity (m/s) of a flow (m³/s) in one pipe of a run on a slope (m/m); in the full pipe where it does not fall. */
function velocityIn(run: Run, slope: number, flow: number): number {
  const diameter = diameterOf(run);
  if (slope <= 0) return flow / ((Math.PI * diameter ** 2) / 4);
  return normalDepth({ diameter, slope, roughness: MATERIAL_FACTS[run.material].roughness, flow }).velocity;
}

/** Time (s) that a flow (m³/s) takes down a run as it lies. */
function travelTimes(tree: Tree, levels: Levels): (index: number, flow: number) => number {
  return (index, flow) => {
    if (flow <= 0) return 0;
    const run = tree.runs[index]!;
    const slope = (levels.crownUp[index]! - levels.crownDown[index]!) / run.length;
    return times(run, [slope, flow], () => run.length / velocityIn(run, slope, flow / (run.parallel ?? 1)));
  };
}

/** What comes to each landing over the ground, whatever the pipes do. */
interface Entering {
  arrivals: ReadonlyMap<string, readonly Arrival[]>;
  /** Each at its own worst time, m³/s, by landing. */
  flows: ReadonlyMap<string, number>;
  areas: ReadonlyMap<string, number>;
  onSlope: ReadonlyMap<string, OnSlope>;
  /** Intensity (m/s) of a duration (s). */
  intensityOf: (duration: number) => number;
}

/** Those that arrive at the very same time as one, in the order of their time: most of a yard answers at once. */
function atOneTime(parts: readonly Arrival[]): Arrival[] {
  const sorted = [...parts].sort((a, b) => a.time - b.time);
  const merged: Arrival[] = [];
  for (const part of sorted) {
    const last = merged.at(-1);
    if (last?.time === part.time) merged[merged.length - 1] = { time: part.time, area: last.area + part.area };
    else merged.push(part);
  }
  return merged;
}

const entering = stage(
  'entering',
  (
    rain: RainElement | undefined,
    basins: readonly Basin[],
    channels: readonly Channel[],
    sources: Sources,
  ): Entering => {
    const table = rainTable(rain);
    const rainOfDuration = (duration: number): number => intensityOf(table, duration);
    const flowOf = (parts: readonly Arrival[]): number =>
      governing(
        [...parts].sort((a, b) => a.time - b.time),
        rainOfDuration,
      ).flow;
    const { arrivals, onSlope } = withBypass([...basins, ...channels], sources.arrivals, flowOf);
    const all = [...arrivals];
    return {
      arrivals: new Map(all.map(([id, parts]) => [id, atOneTime(parts)])),
      flows: new Map(all.map(([id, parts]) => [id, flowOf(parts)])),
      areas: new Map(all.map(([id, parts]) => [id, parts.reduce((sum, part) => sum + part.area, 0)])),
      onSlope,
      intensityOf: rainOfDuration,
    };
  },
);

const NOTHING: readonly Arrival[] = [];

const flows = stage(
  'flows',
  (
    { arrivals, flows: enteringFlows, areas, onSlope, intensityOf: rainOfDuration }: Entering,
    sources: Sources,
    tree: Tree,
    // Without a table one intensity holds for all times, and how the pipes lie does not matter.
    levels: Levels | null,
  ): JobFlows => {
    const here = tree.landings.map((landing) => arrivals.get(landing.id) ?? NOTHING);
    const fixed = Float64Array.from(tree.landings, (landing) => sources.fixed.get(landing.id) ?? 0);
    const travelTime = levels ? travelTimes(tree, levels) : () => 0;
    const enteringArea = Float64Array.from(tree.landings, ({ id }) => areas.get(id) ?? 0);
    return {
      ...designFlows({ tree, entering: here, fixed, intensityOf: rainOfDuration, travelTime }),
      onSlope,
      entering: Float64Array.from(tree.landings, ({ id }, at) => (enteringFlows.get(id) ?? 0) + fixed[at]!),
      enteringArea,
      passingArea: accumulate(tree, enteringArea),
    };
  },
);

/** Flows of a job in a rain. */
export const flowsOf = (
  job: Job,
  rain: RainElement | undefined,
  sources: Sources,
  { tree, levels }: Layout,
): JobFlows =>
  flows(
    entering(rain, ofKind(job, 'basin'), ofKind(job, 'channel'), sources),
    sources,
    tree,
    rain?.table ? levels : null,
  );
