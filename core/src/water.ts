/** The water of a job's tree: its design flows, and the water line that they make in the pipes as they lie. */
import { ENTRY_LOSS, TEE_LOSS, TURN_FACTS, WYE_LOSS } from './catalogue/fittings';
import { MATERIAL_FACTS } from './catalogue/pipes';
import type { Settings } from './defaults';
import { normalDepth } from './hydraulics/pipe';
import type { Discharge, Run } from './job/elements';
import { rainOf, type Job } from './job/job';
import { designFlows, governing, LEAST_CONCENTRATION, type DesignFlows } from './network/designFlow';
import { controlLevel, diameterOf, type Levels } from './network/levels';
import { NONE, type Tree } from './network/tree';
import { solveWaterLine, type WaterLine } from './network/waterLine';
import { intensityOf } from './rain/intensity';
import { withBypass, type OnSlope } from './runoff/bypass';
import type { Arrival, Sources } from './runoff/sources';

export interface JobFlows extends DesignFlows {
  /** What enters at each landing over the ground, at its own worst time, m³/s; and its C·A, m². */
  entering: Float64Array;
  enteringArea: Float64Array;
  onSlope: ReadonlyMap<string, OnSlope>;
}

/** Design flow at every landing, and what of it enters there at its own worst time. */
export function flowsOf(job: Job, tree: Tree, levels: Levels, sources: Sources): JobFlows {
  const rain = rainOf(job);
  const uniform = rain?.intensity ?? 0;
  const table = rain?.table;
  // The 5-minute figure is the job's own word; the table only says how it weakens after that.
  const scale = table ? uniform / intensityOf(table, LEAST_CONCENTRATION) : 1;
  const rainOfDuration = (duration: number): number => (table ? scale * intensityOf(table, duration) : uniform);
  const flowOf = (parts: readonly Arrival[]): number =>
    governing(
      [...parts].sort((a, b) => a.time - b.time),
      rainOfDuration,
    ).flow;
  const { arrivals, onSlope } = withBypass(job, sources.arrivals, flowOf);
  const entering = tree.landings.map((landing) => arrivals.get(landing.id) ?? []);
  const fixedHere = Float64Array.from(tree.landings, (landing) => sources.fixed.get(landing.id) ?? 0);
  const travelTime = (index: number, flow: number): number => {
    const run = tree.runs[index]!;
    const slope = (levels.crownUp[index]! - levels.crownDown[index]!) / run.length;
    const section = { diameter: diameterOf(run), slope, roughness: MATERIAL_FACTS[run.material].roughness };
    if (flow <= 0 || !table) return 0;
    const each = flow / (run.parallel ?? 1);
    return (
      run.length /
      (slope > 0 ? normalDepth({ ...section, flow: each }).velocity : each / ((Math.PI * section.diameter ** 2) / 4))
    );
  };
  const flows = designFlows({ tree, entering, fixed: fixedHere, intensityOf: rainOfDuration, travelTime });
  return {
    ...flows,
    onSlope,
    entering: Float64Array.from(entering, (parts, at) => flowOf(parts) + fixedHere[at]!),
    enteringArea: Float64Array.from(entering, (parts) => parts.reduce((sum, part) => sum + part.area, 0)),
  };
}

/** K of V²/2g at a landing, of the pipe that leaves it. In a basin or a channel's outlet the arriving velocity is lost and entry costs as much again by half. */
function lossAt(tree: Tree, at: number): number {
  const leaving = tree.leaving[at]!;
  return formLoss(tree, at) + (leaving === NONE ? 0 : throatLoss(tree.runs[leaving]!));
}

/** Contraction of a jet through a sharp opening. */
const CONTRACTION = 0.62;

/** K of an adapter's throat: the jet through it spreads again to the pipe (Borda and Carnot), (A / (0.62 At) − 1)². */
function throatLoss(run: Run): number {
  const diameter = diameterOf(run);
  if (run.throat === undefined || run.throat >= diameter) return 0;
  return ((diameter / run.throat) ** 2 / CONTRACTION - 1) ** 2;
}

function formLoss(tree: Tree, at: number): number {
  const landing = tree.landings[at]!;
  if (landing.kind === 'basin' || landing.kind === 'channel') return ENTRY_LOSS;
  if (landing.kind !== 'junction') return 0;
  if (tree.arriving[at]!.length > 1) return landing.form === 'tee' ? TEE_LOSS : WYE_LOSS;
  return landing.form === 'bend' ? TURN_FACTS[landing.turn ?? 'one45'].loss : 0;
}

export function waterLineOf(tree: Tree, levels: Levels, settings: Settings, flows: DesignFlows): WaterLine {
  const invertUp = (index: number): number => levels.crownUp[index]! - diameterOf(tree.runs[index]!);
  const invertDown = (index: number): number => levels.crownDown[index]! - diameterOf(tree.runs[index]!);
  const inverts = tree.landings.map((landing, at) => {
    const leaving = tree.leaving[at]!;
    if (leaving !== NONE) return invertUp(leaving);
    return tree.arriving[at]!.reduce(
      (lowest, run) => Math.min(lowest, invertDown(run)),
      tree.arriving[at]!.length > 0 ? Number.POSITIVE_INFINITY : landing.groundLevel,
    );
  });
  return solveWaterLine(
    {
      inverts,
      losses: tree.landings.map((_, at) => lossAt(tree, at)),
      order: tree.runs.map((_, index) => index),
      runs: tree.runs.map((run, index) => ({
        from: tree.upper[index]!,
        to: tree.lower[index]!,
        length: run.length,
        diameter: diameterOf(run),
        roughness: MATERIAL_FACTS[run.material].roughness,
        invertUp: invertUp(index),
        invertDown: invertDown(index),
      })),
      flows: Float64Array.from(tree.runs, (run, index) => flows.flow[tree.upper[index]!]! / (run.parallel ?? 1)),
    },
    (node) => {
      const landing = tree.landings[node]!;
      if (landing.kind !== 'discharge') return Number.NEGATIVE_INFINITY;
      return landing.form === 'popup'
        ? controlLevel(landing as Discharge, settings)
        : (landing.standingLevel ?? Number.NEGATIVE_INFINITY);
    },
  );
}
