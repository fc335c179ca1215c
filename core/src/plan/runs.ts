/** Every run with the water in it. */
import { isControlKnown, OUTFALLS } from '../catalogue/outfalls';
import { MATERIAL_FACTS } from '../catalogue/pipes';
import { flowArea, leastDepth, type Backwater, type Depths } from '../hydraulics/backwater';
import { runFlow } from '../hydraulics/runFlow';
import { keptOf, type Job } from '../job/job';
import { diameterOf, type Landing, type Run } from '../job/kinds';
import type { Settings } from '../job/settings';
import { comesOut, coveredTo } from '../network/covered';
import { leastCoverOf } from '../network/leastOf';
import type { Line } from '../network/lines';
import type { Tree } from '../network/tree';
import type { JobFlows } from './flows';
import type { Layout } from './layout';
import type { JobWaterLine } from './waterLine';
import { step } from '../numeric/kept';
import { byId, type RunPlan } from './solution';

function letterOfRuns(lines: Line[], count: number): string[] {
  const letters = new Array<string>(count).fill('');
  for (const line of lines) for (const run of line.runs) letters[run] = line.letter;
  return letters;
}

/** How deep an existing main lies where it is joined, m: ground less invert; 0 elsewhere, or where nobody knows. */
const mainDepth = (lower: Landing): number =>
  lower.kind === 'discharge' && OUTFALLS[lower.form].hasCapacity && isControlKnown(lower)
    ? lower.groundLevel - lower.controlLevel!
    : 0;

/** Velocity (m/s) of a flow (m³/s) where it runs fastest in one pipe of a run that falls `slope` m/m: drowned or not, at some time it is not. */
function topVelocity(run: Run, slope: number, flow: number, known: Depths): number {
  if (flow <= 0) return 0;
  const diameter = diameterOf(run);
  const { roughness } = MATERIAL_FACTS[run.material];
  return flow / flowArea(leastDepth({ length: run.length, diameter, roughness, slope, flow }, known), diameter);
}

const widestAbove = (tree: Tree, landing: number): number =>
  tree.arriving[landing]!.reduce((widest, above) => Math.max(widest, tree.runs[above]!.nominal), 0);

/** One run in its water: all that its plan is made of. */
interface Read {
  run: Run;
  upper: Landing;
  lower: Landing;
  line: string;
  settings: Settings;
  /** Ground where it begins to come out, as levelled, m. */
  seen: number | undefined;
  crownUp: number;
  crownDown: number;
  leastPitch: number;
  widestAbove: number;
  /** What passes its head: C·A (m²), flow and what of it is fixed (m³/s), and how the flow came. */
  area: number;
  flow: number;
  fixed: number;
  intensity: number;
  time: number;
  countedArea: number;
  reach: Backwater;
  /** Critical depth of its flow in one pipe, m. */
  critical: number;
}

const runPlan = step('run', (read: Read): RunPlan => {
  const { run, upper, lower, settings, crownUp, crownDown, area, flow, reach } = read;
  const diameter = diameterOf(run);
  const { roughness } = MATERIAL_FACTS[run.material];
  const pitch = (crownUp - crownDown) / run.length;
  const ordinaryFlow = area * settings.ordinaryRain + read.fixed;
  const side = run.parallel ?? 1;
  const groundUp = upper.groundLevel;
  const covered = coveredTo(run, upper, lower, settings, read.seen);
  const invertThere = crownUp - diameter - pitch * covered.station;
  const inPipe = runFlow({
    diameter,
    slope: pitch,
    roughness,
    flow: flow / side,
    ordinaryFlow: ordinaryFlow / side,
    gritSize: settings.gritSize,
    leastVelocity: settings.leastVelocity,
  });
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
    line: read.line,
    length: run.length,
    material: run.material,
    nominal: run.nominal,
    diameter,
    roughness,
    pitch,
    leastPitch: read.leastPitch,
    drop: crownUp - crownDown,
    invertUp: crownUp - diameter,
    invertDown: crownDown - diameter,
    crownUp,
    crownDown,
    groundUp,
    groundDown: lower.groundLevel,
    coverUp: groundUp - crownUp,
    coverDown: comesOut(lower) ? null : lower.groundLevel - crownDown,
    cover: Math.min(groundUp - crownUp, covered.ground - invertThere - diameter),
    comesOutOver: run.length - covered.station,
    coveredGround: covered.ground,
    bankAssumed: covered.assumed,
    trenchDepth: Math.max(
      groundUp - crownUp + diameter,
      lower.groundLevel - crownDown + diameter,
      covered.ground - invertThere,
      // A main is dug down to where it lies, whatever comes to it by a drop.
      mainDepth(lower),
    ),
    leastCover: leastCoverOf(run, settings),
    effectiveArea: area,
    flow,
    ordinaryFlow,
    intensity: read.intensity,
    timeOfConcentration: read.time,
    countedArea: read.countedArea,
    fixedFlow: read.fixed,
    waterUp: crownUp - diameter + reach.depthUp,
    waterDown: crownDown - diameter + reach.depthDown,
    regime: reach.regime,
    parallel: side,
    topVelocity: topVelocity(run, pitch, flow / side, {
      critical: read.critical,
      normal: pitch > 0 ? (inPipe.surcharged ? null : inPipe.depth) : null,
    }),
    travelTime: inPipe.velocity > 0 ? run.length / inPipe.velocity : 0,
    widestAbove: read.widestAbove,
  };
});

interface InWater {
  layout: Layout;
  flows: JobFlows;
  water: JobWaterLine;
}

const runsOf = step('runs', ({ layout, flows, water }: InWater, kept): Record<string, RunPlan> => {
  const { tree, lines, levels, settings } = layout;
  const letters = letterOfRuns(lines, tree.runs.length);
  const planned = kept.row(runPlan, tree.runs);
  const plans = byId<RunPlan>();
  tree.runs.forEach((run, index) => {
    const at = tree.upper[index]!;
    plans[run.id] = planned(index, {
      run,
      upper: tree.landings[at]!,
      lower: tree.landings[tree.lower[index]!]!,
      line: letters[index]!,
      settings,
      seen: tree.seen.get(run.id),
      crownUp: levels.crownUp[index]!,
      crownDown: levels.crownDown[index]!,
      leastPitch: levels.leastPitch[index]!,
      widestAbove: widestAbove(tree, at),
      area: flows.passingArea[at]!,
      flow: flows.flow[at]!,
      fixed: flows.fixed[at]!,
      intensity: flows.intensity[at]!,
      time: flows.time[at]!,
      countedArea: flows.area[at]!,
      reach: water.reaches[index]!,
      critical: water.critical[index]!,
    });
  });
  return plans;
});

/** Runs of a layout, by id, upstream before downstream; one that an edit does not reach is the very object that it was. */
export const runPlans = (job: Job, inWater: InWater): Record<string, RunPlan> => keptOf(job).ask(runsOf, inWater);
