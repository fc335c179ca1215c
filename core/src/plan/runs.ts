/** Every run with the water in it. */
import { isControlKnown, OUTFALLS } from '../catalogue/outfalls';
import { MATERIAL_FACTS } from '../catalogue/pipes';
import { runFlow, type RunFlow } from '../hydraulics/runFlow';
import { flowArea, leastDepth } from '../hydraulics/backwater';
import { diameterOf, type Landing, type Run } from '../job/kinds';
import { comesOut, coveredTo } from '../network/covered';
import { leastCoverOf } from '../network/crowns';
import type { Line } from '../network/lines';
import type { Tree } from '../network/tree';
import type { WaterLine } from '../network/waterLine';
import type { JobFlows } from './flows';
import type { Layout } from './layout';
import { perElement } from '../numeric/perElement';
import { byId, type RunPlan } from './solution';
import { placeByPlace } from '../numeric/placeByPlace';
import { NO_RAIN, stage } from '../numeric/stage';

function letterOfRuns(lines: Line[], count: number): string[] {
  const letters = new Array<string>(count).fill('');
  for (const line of lines) for (const run of line.runs) letters[run] = line.letter;
  return letters;
}

const pipeFlows = perElement<Run, RunFlow>();
const topSpeeds = perElement<Run, number>();

/** How deep an existing main lies where it is joined, m: ground less invert; 0 elsewhere, or where nobody knows. */
const mainDepth = (lower: Landing): number =>
  lower.kind === 'discharge' && OUTFALLS[lower.form].hasCapacity && isControlKnown(lower)
    ? lower.groundLevel - lower.controlLevel!
    : 0;

/** Velocity (m/s) of a flow (m³/s) where it runs fastest in one pipe of a run that falls `slope` m/m: drowned or not, at some time it is not. */
function topVelocity(run: Run, slope: number, flow: number): number {
  if (flow <= 0) return 0;
  const diameter = diameterOf(run);
  const { roughness } = MATERIAL_FACTS[run.material];
  return flow / flowArea(leastDepth({ length: run.length, diameter, roughness, slope, flow }), diameter);
}

const widestAbove = (tree: Tree, landing: number): number =>
  tree.arriving[landing]!.reduce((widest, above) => Math.max(widest, tree.runs[above]!.nominal), 0);

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
  const covered = coveredTo(run, tree.landings[upper]!, lower, settings);
  const invertThere = crownUp - diameter - pitch * covered.station;
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
    cover: Math.min(groundUp - crownUp, covered.ground - invertThere - diameter),
    comesOutOver: run.length - covered.station,
    coveredGround: covered.ground,
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
    intensity: flows.intensity[upper]!,
    timeOfConcentration: flows.time[upper]!,
    countedArea: flows.area[upper]!,
    fixedFlow: flows.fixed[upper]!,
    waterUp: crownUp - diameter + reach.depthUp,
    waterDown: crownDown - diameter + reach.depthDown,
    regime: reach.regime,
    parallel: side,
    topVelocity: topSpeeds(run, [pitch, flow], () => topVelocity(run, pitch, flow / side)),
    travelTime: inPipe.velocity > 0 ? run.length / inPipe.velocity : 0,
    widestAbove: widestAbove(tree, upper),
  };
}

/** What the runs of a plan are made of. */
interface Read {
  layout: Layout;
  flows: JobFlows;
  water: WaterLine;
  letters: readonly string[];
}

function readsTheSame(now: Read, before: Read, index: number): boolean {
  const [{ tree, levels, settings }, { tree: treeBefore, levels: levelsBefore }] = [now.layout, before.layout];
  const upper = tree.upper[index]!;
  const lower = tree.lower[index]!;
  return (
    tree.runs[index] === treeBefore.runs[index] &&
    tree.landings[upper] === treeBefore.landings[upper] &&
    tree.landings[lower] === treeBefore.landings[lower] &&
    now.letters[index] === before.letters[index] &&
    settings === before.layout.settings &&
    levels.crownUp[index] === levelsBefore.crownUp[index] &&
    levels.crownDown[index] === levelsBefore.crownDown[index] &&
    now.flows.flow[upper] === before.flows.flow[upper] &&
    now.flows.passingArea[upper] === before.flows.passingArea[upper] &&
    now.flows.fixed[upper] === before.flows.fixed[upper] &&
    now.flows.intensity[upper] === before.flows.intensity[upper] &&
    now.flows.time[upper] === before.flows.time[upper] &&
    now.flows.area[upper] === before.flows.area[upper] &&
    now.water.reaches[index] === before.water.reaches[index] &&
    widestAbove(tree, upper) === widestAbove(treeBefore, upper)
  );
}

const planned = placeByPlace<Read, RunPlan>({
  remembered: NO_RAIN,
  // Where the same joins the same, every run stands at the place where it stood.
  alike: (now, before) => now.layout.tree.upper === before.layout.tree.upper,
  readsTheSame,
  make: ({ layout, flows, water, letters }, index) => runPlan(layout, flows, water, index, letters[index]!),
});

/** Runs of a layout, by id, upstream before downstream; one that an edit does not reach is the very object that it was. */
export const runPlans = stage(
  'runs',
  (layout: Layout, flows: JobFlows, water: WaterLine): Record<string, RunPlan> => {
    const { tree, lines } = layout;
    const letters = letterOfRuns(lines, tree.runs.length);
    const known = byId<RunPlan>();
    for (const plan of planned({ layout, flows, water, letters }, tree.runs.length)) known[plan.id] = plan;
    return known;
  },
  NO_RAIN,
);
