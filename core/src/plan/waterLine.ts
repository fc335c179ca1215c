/** The water line that a job's flows make in its pipes as they lie. */
import { ENTRY_LOSS, JUNCTION_FACTS, TURN_FACTS } from '../catalogue/fittings';
import { OUTFALLS } from '../catalogue/outfalls';
import { MATERIAL_FACTS } from '../catalogue/pipes';
import { backwater, freeDepth, type Backwater, type Reach } from '../hydraulics/backwater';
import { criticalDepth } from '../hydraulics/criticalDepth';
import { keptOf, type Job } from '../job/job';
import { diameterOf, kindOf, type Run } from '../job/kinds';
import { highestJoin, standingAt } from '../network/receiving';
import { NONE, type Tree } from '../network/tree';
import { slopeOf, solveWaterLine, type WaterLine, type WaterNetwork } from '../network/waterLine';
import { step } from '../numeric/kept';
import type { JobFlows } from './flows';
import type { Layout } from './layout';
import { GRAVITY } from '../units/constants';
import { floats, indices } from '../numeric/filled';

/** Contraction of a jet through a sharp opening. */
const CONTRACTION = 0.62;

/**
 * Head (m) that an adapter's throat costs a flow (m³/s): the jet through it spreads again to the pipe (Borda and Carnot),
 * (1/0.62 − At/A)² Vt²/2g by the velocity in the throat running full. However deep the pipe below runs, so that more rain costs more.
 */
function throatLoss(run: Run, flow: number): number {
  const diameter = diameterOf(run);
  if (run.throat === undefined || run.throat >= diameter) return 0;
  const velocity = flow / ((Math.PI * run.throat ** 2) / 4);
  return ((1 / CONTRACTION - (run.throat / diameter) ** 2) ** 2 * velocity * velocity) / (2 * GRAVITY);
}

/** The same for 1 m³/s, m: it grows by the square of the flow. */
export const throatHead = (run: Run): number => throatLoss(run, 1);

/** Where several pipes come in, as at a downspout's foot in the middle of a line. */
const { meetingLoss: WYE_LOSS } = JUNCTION_FACTS.wye;

/** K of V²/2g for what stands at a landing. */
function formLoss(tree: Tree, at: number): number {
  const landing = tree.landings[at]!;
  if (kindOf(landing.kind).standsIn) return ENTRY_LOSS;
  // What falls down a leader has lost its velocity at the foot.
  if (landing.kind === 'downspout') return tree.arriving[at]!.length > 0 ? WYE_LOSS : ENTRY_LOSS;
  if (landing.kind !== 'junction') return 0;
  const { meetingLoss, throughLoss } = JUNCTION_FACTS[landing.form];
  if (tree.arriving[at]!.length > 1) return meetingLoss;
  return landing.form === 'bend' ? TURN_FACTS[landing.turn ?? 'one45'].loss : throughLoss;
}

/** K at the foot of a run, where what stands there covers it: into a main through a wye, or down a drop that turns it. */
function exitLoss({ tree, levels, settings }: Layout, index: number): number {
  const landing = tree.landings[tree.lower[index]!]!;
  if (landing.kind !== 'discharge' || !OUTFALLS[landing.form].hasCapacity) return 0;
  const invert = levels.crownDown[index]! - diameterOf(tree.runs[index]!);
  return invert > highestJoin(landing, settings) ? TURN_FACTS.one90.loss : WYE_LOSS;
}

export type Network = Pick<WaterNetwork, 'inverts' | 'losses' | 'exitLosses' | 'order' | 'runs'> & {
  slopes: Float64Array;
};

/** A layout as the solver of the water line takes it: the same in every rain. */
const networkOf = step('water network', ({ layout }: { layout: Layout }): Network => {
  const { tree, levels } = layout;
  const invertUp = (index: number): number => levels.crownUp[index]! - diameterOf(tree.runs[index]!);
  const invertDown = (index: number): number => levels.crownDown[index]! - diameterOf(tree.runs[index]!);
  const runs = tree.runs.map((run, index) => ({
    from: tree.upper[index]!,
    to: tree.lower[index]!,
    length: run.length,
    diameter: diameterOf(run),
    roughness: MATERIAL_FACTS[run.material].roughness,
    invertUp: invertUp(index),
    invertDown: invertDown(index),
  }));
  const inverts = floats(tree.landings, (landing, at) => {
    const leaving = tree.leaving[at]!;
    if (leaving !== NONE) return invertUp(leaving);
    return tree.arriving[at]!.reduce(
      (lowest, run) => Math.min(lowest, invertDown(run)),
      tree.arriving[at]!.length > 0 ? Number.POSITIVE_INFINITY : landing.groundLevel,
    );
  });
  return {
    inverts,
    losses: floats(tree.landings, (_, at) => formLoss(tree, at)),
    exitLosses: floats(tree.runs, (_, index) => exitLoss(layout, index)),
    order: indices(tree.runs, (_, index) => index),
    runs,
    slopes: floats(tree.runs, (_, index) => slopeOf({ inverts, runs }, index)),
  };
});

/** A job's pipes as they lie, as a network for whoever sends water through it. Runs and nodes stand in the order of the layout's tree. */
export const pipesAsLaid = (job: Job, layout: Layout): Network => keptOf(job).ask(networkOf, { layout });

/** One pipe of a run under a flow (m³/s). */
interface InPipe {
  run: Run;
  flow: number;
}

const reachIn = ({ run, flow, slope }: Falling): Reach => ({
  length: run.length,
  diameter: diameterOf(run),
  roughness: MATERIAL_FACTS[run.material].roughness,
  slope,
  flow,
});

/** One pipe of a run as it falls, m/m, with the critical depth of its flow, m. */
interface Falling extends InPipe {
  slope: number;
  critical: number;
}

const criticalOfRun = step('critical depth', ({ run, flow }: InPipe): number =>
  criticalDepth({ diameter: diameterOf(run), flow }),
);
const reachOfRun = step('reach', (pipe: Falling & { level: number }): Backwater =>
  backwater(reachIn(pipe), pipe.level, pipe),
);
const freeOfRun = step('free depth', (pipe: Falling): number => freeDepth(reachIn(pipe), pipe));

/** The water line, with the critical depth of each run's flow, m. */
export interface JobWaterLine extends WaterLine {
  critical: Float64Array;
}

interface Read {
  layout: Layout;
  flows: Pick<JobFlows, 'flow'>;
  /** Water (m) that works make stand at ways out, by id. */
  standing: ReadonlyMap<string, number>;
}

const waterLine = step('water line', ({ layout, flows, standing }: Read, kept): JobWaterLine => {
  const { tree, settings } = layout;
  const network = kept.ask(networkOf, { layout });
  const { slopes } = network;
  const inPipes = floats(tree.runs, (run, index) => flows.flow[tree.upper[index]!]! / (run.parallel ?? 1));
  const [reach, criticalAt, free] = [
    kept.row(reachOfRun, tree.runs),
    kept.row(criticalOfRun, tree.runs),
    kept.row(freeOfRun, tree.runs),
  ];
  const critical = floats(tree.runs, (run, index) => criticalAt(index, { run, flow: inPipes[index]! }));
  const line = solveWaterLine(
    {
      ...network,
      flows: inPipes,
      throatLoss: (index) => throatLoss(tree.runs[index]!, inPipes[index]!),
      backwaterOf: (index, level) =>
        reach(index, {
          run: tree.runs[index]!,
          flow: inPipes[index]!,
          slope: slopes[index]!,
          critical: critical[index]!,
          level,
        }),
      criticalOf: (index) => critical[index]!,
      freeOf: (index) =>
        free(index, {
          run: tree.runs[index]!,
          flow: inPipes[index]!,
          slope: slopes[index]!,
          critical: critical[index]!,
        }),
    },
    (node) => {
      const landing = tree.landings[node]!;
      if (landing.kind !== 'discharge') return Number.NEGATIVE_INFINITY;
      return Math.max(
        standingAt(landing, flows.flow[node]!, settings),
        standing.get(landing.id) ?? Number.NEGATIVE_INFINITY,
      );
    },
  );
  return { ...line, critical };
});

/** Water line of a layout under its flows. */
export const waterLineOf = (job: Job, read: Read): JobWaterLine => keptOf(job).ask(waterLine, read);
