/** Design flow at every landing, and what of it enters there at its own worst time. */
import { MATERIAL_FACTS } from '../catalogue/pipes';
import { normalDepth } from '../hydraulics/pipe';
import { ofKind, type Job } from '../job/job';
import { diameterOf, type Basin, type Channel, type RainElement } from '../job/kinds';
import { designFlows, governing, MIN_TIME_OF_CONCENTRATION, type DesignFlows } from '../network/designFlow';
import type { Levels } from '../network/levels';
import { accumulate, type Tree } from '../network/tree';
import { intensityOf } from '../rain/intensity';
import { withBypass, type OnSlope } from '../runoff/bypass';
import type { Arrival, Sources } from '../runoff/sources';
import type { Layout } from './layout';
import { stage } from './stage';

export interface JobFlows extends DesignFlows {
  /** What enters at each landing over the ground, at its own worst time, m³/s; and its C·A, m². */
  entering: Float64Array;
  enteringArea: Float64Array;
  /** C·A that passes each landing, m². */
  passingArea: Float64Array;
  onSlope: ReadonlyMap<string, OnSlope>;
}

/** Time (s) that a flow (m³/s) takes down a run as it lies; full at its own velocity where it does not fall. */
function travelTimes(tree: Tree, levels: Levels): (index: number, flow: number) => number {
  return (index, flow) => {
    if (flow <= 0) return 0;
    const run = tree.runs[index]!;
    const slope = (levels.crownUp[index]! - levels.crownDown[index]!) / run.length;
    const section = { diameter: diameterOf(run), slope, roughness: MATERIAL_FACTS[run.material].roughness };
    const each = flow / (run.parallel ?? 1);
    const velocity =
      slope > 0 ? normalDepth({ ...section, flow: each }).velocity : each / ((Math.PI * section.diameter ** 2) / 4);
    return run.length / velocity;
  };
}

const flows = stage(
  'flows',
  (
    rain: RainElement | undefined,
    basins: readonly Basin[],
    channels: readonly Channel[],
    sources: Sources,
    tree: Tree,
    // Without a table one intensity holds for all times, and how the pipes lie does not matter.
    levels: Levels | null,
  ): JobFlows => {
    const uniform = rain?.intensity ?? 0;
    const table = rain?.table;
    // The 5-minute figure is the job's own word; the table only says how it weakens after that.
    const scale = table ? uniform / intensityOf(table, MIN_TIME_OF_CONCENTRATION) : 1;
    const rainOfDuration = (duration: number): number => (table ? scale * intensityOf(table, duration) : uniform);
    const flowOf = (parts: readonly Arrival[]): number =>
      governing(
        [...parts].sort((a, b) => a.time - b.time),
        rainOfDuration,
      ).flow;
    const { arrivals, onSlope } = withBypass([...basins, ...channels], sources.arrivals, flowOf);
    const entering = tree.landings.map((landing) => arrivals.get(landing.id) ?? []);
    const fixed = Float64Array.from(tree.landings, (landing) => sources.fixed.get(landing.id) ?? 0);
    const travelTime = levels ? travelTimes(tree, levels) : () => 0;
    const enteringArea = Float64Array.from(entering, (parts) => parts.reduce((sum, part) => sum + part.area, 0));
    return {
      ...designFlows({ tree, entering, fixed, intensityOf: rainOfDuration, travelTime }),
      onSlope,
      entering: Float64Array.from(entering, (parts, at) => flowOf(parts) + fixed[at]!),
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
): JobFlows => flows(rain, ofKind(job, 'basin'), ofKind(job, 'channel'), sources, tree, rain?.table ? levels : null);
