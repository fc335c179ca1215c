/** Every run with the water in it. */
import { OUTFALLS } from '../catalogue/outfalls';
import { MATERIAL_FACTS } from '../catalogue/pipes';
import { runFlow, type RunFlow } from '../hydraulics/runFlow';
import { diameterOf, type Landing, type Run } from '../job/kinds';
import { leastCoverOf } from '../network/levels';
import type { Line } from '../network/lines';
import type { WaterLine } from '../network/waterLine';
import type { JobFlows } from './flows';
import type { Layout } from './layout';
import { perElement } from './perElement';
import { byId, type RunPlan } from './solution';
import { stage } from './stage';

function letterOfRuns(lines: Line[], count: number): string[] {
  const letters = new Array<string>(count).fill('');
  for (const line of lines) for (const run of line.runs) letters[run] = line.letter;
  return letters;
}

const comesOut = (landing: Landing): boolean => landing.kind === 'discharge' && OUTFALLS[landing.form].opensOut;

const pipeFlows = perElement<Run, RunFlow>();

function runPlan(
  { tree, levels, settings }: Layout,
  flows: JobFlows,
  water: WaterLine,
  index: number,
  line: string,
): RunPlan {
  const run = tree.runs[index]!;
  const upper = tree.upper[index]!;
  const lower = tree.landings[tree.lower[index]!]!;
  const diameter = diameterOf(run);
  const { roughness } = MATERIAL_FACTS[run.material];
  const crownUp = levels.crownUp[index]!;
  const crownDown = levels.crownDown[index]!;
  const pitch = (crownUp - crownDown) / run.length;
  const area = flows.passingArea[upper]!;
  const flow = flows.flow[upper]!;
  const ordinaryFlow = area * settings.ordinaryRain + flows.fixed[upper]!;
  const reach = water.reaches[index]!;
  const side = run.parallel ?? 1;
  const groundUp = tree.landings[upper]!.groundLevel;
  const { gritSize, leastVelocity } = settings;
  const inPipe = pipeFlows(run, [pitch, flow, ordinaryFlow, gritSize, leastVelocity], () =>
    runFlow({
      diameter,
      slope: pitch,
      roughness,
      flow: flow / side,
      ordinaryFlow: ordinaryFlow / side,
      gritSize,
      leastVelocity,
    }),
  );
  // Field by field: copying one object into another is the slowest part of a plan.
  return {
    capacity: inPipe.capacity * side,
    fullVelocity: inPipe.fullVelocity,
    depth: inPipe.depth,
    depthRatio: inPipe.depthRatio,
    velocity: inPipe.velocity,
    overloaded: inPipe.overloaded,
    ordinaryDepth: inPipe.ordinaryDepth,
    ordinaryShear: inPipe.ordinaryShear,
    criticalShear: inPipe.criticalShear,
    cleans: inPipe.cleans,
    id: run.id,
    from: run.from,
    to: run.to,
    line,
    length: run.length,
    material: run.material,
    nominal: run.nominal,
    diameter,
    roughness,
    pitch,
    leastPitch: levels.leastPitch[index]!,
    drop: crownUp - crownDown,
    invertUp: crownUp - diameter,
    invertDown: crownDown - diameter,
    crownUp,
    crownDown,
    groundUp,
    groundDown: lower.groundLevel,
    coverUp: groundUp - crownUp,
    coverDown: comesOut(lower) ? null : lower.groundLevel - crownDown,
    leastCover: leastCoverOf(run, settings),
    effectiveArea: area,
    flow,
    ordinaryFlow,
    intensity: flows.intensity[upper]!,
    timeOfConcentration: flows.time[upper]!,
    countedArea: flows.area[upper]!,
    fixedFlow: flows.fixed[upper]!,
    waterUp: crownUp - diameter + reach.depthUp,
    waterDown: crownDown - diameter + reach.depthDown,
    regime: reach.regime,
    parallel: side,
    travelTime: inPipe.velocity > 0 ? run.length / inPipe.velocity : 0,
    widestAbove: tree.arriving[upper]!.reduce((widest, above) => Math.max(widest, tree.runs[above]!.nominal), 0),
  };
}

/** Runs of a layout, by id, upstream before downstream. */
export const runPlans = stage('runs', (layout: Layout, flows: JobFlows, water: WaterLine): Record<string, RunPlan> => {
  const { tree, lines } = layout;
  const letters = letterOfRuns(lines, tree.runs.length);
  const plans = byId<RunPlan>();
  tree.runs.forEach((run, index) => {
    plans[run.id] = runPlan(layout, flows, water, index, letters[index]!);
  });
  return plans;
});
