/** The water line that a job's flows make in its pipes as they lie. */
import { ENTRY_LOSS, JUNCTION_FACTS, TURN_FACTS } from '../catalogue/fittings';
import { OUTFALLS } from '../catalogue/outfalls';
import { MATERIAL_FACTS } from '../catalogue/pipes';
import { backwater, type Backwater, type Reach } from '../hydraulics/backwater';
import { diameterOf, isGroundInlet, type Run } from '../job/kinds';
import { NONE, type Tree } from '../network/tree';
import { solveWaterLine, type WaterLine } from '../network/waterLine';
import type { JobFlows } from './flows';
import type { Layout } from './layout';
import { perElement } from './perElement';
import { stage } from './stage';

/** Contraction of a jet through a sharp opening. */
const CONTRACTION = 0.62;

/** K of an adapter's throat: the jet through it spreads again to the pipe (Borda and Carnot), (A / (0.62 At) − 1)². */
function throatLoss(run: Run): number {
  const diameter = diameterOf(run);
  if (run.throat === undefined || run.throat >= diameter) return 0;
  return ((diameter / run.throat) ** 2 / CONTRACTION - 1) ** 2;
}

/** K of V²/2g for what stands at a landing. */
function formLoss(tree: Tree, at: number): number {
  const landing = tree.landings[at]!;
  if (isGroundInlet(landing)) return ENTRY_LOSS;
  if (landing.kind !== 'junction') return 0;
  const { meetingLoss, throughLoss } = JUNCTION_FACTS[landing.form];
  if (tree.arriving[at]!.length > 1) return meetingLoss;
  return landing.form === 'bend' ? TURN_FACTS[landing.turn ?? 'one45'].loss : throughLoss;
}

/** K of V²/2g at a landing, of the pipe that leaves it. */
function lossAt(tree: Tree, at: number): number {
  const leaving = tree.leaving[at]!;
  return formLoss(tree, at) + (leaving === NONE ? 0 : throatLoss(tree.runs[leaving]!));
}

const reaches = perElement<Run, Backwater>();

/** Water line of a layout under its flows. */
export const waterLineOf = stage('water line', ({ tree, levels, settings }: Layout, flows: JobFlows): WaterLine => {
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
  const network = {
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
    backwaterOf: (index: number, reach: Reach, level: number) =>
      reaches(tree.runs[index]!, [reach.flow, reach.slope, level], () => backwater(reach, level)),
  };
  return solveWaterLine(network, (node) => {
    const landing = tree.landings[node]!;
    if (landing.kind !== 'discharge') return Number.NEGATIVE_INFINITY;
    return OUTFALLS[landing.form].standing(landing, settings);
  });
});
