/** From a job to every derived figure. Judging comes after, in `plan.ts`. */
import { MATERIAL_FACTS } from './catalogue/pipes';
import { settled, type Settings } from './defaults';
import type { Regime } from './hydraulics/backwater';
import { runFlow, type RunFlow } from './hydraulics/runFlow';
import { basinPlan, channelPlan, downspoutPlan, type InletPlan } from './inlets';
import type { Landing, Run } from './job/elements';
import { headOf, ofKind, rainOf, type Job } from './job/job';
import { fallBudget, tightestBudgets, type FallBudget } from './network/budget';
import { sizeChoices, type SizeChoice } from './network/choices';
import { diameterOf, leastCoverOf, planLevels, type Levels } from './network/levels';
import { findLines, type Line } from './network/lines';
import { accumulate, buildTree, NONE, type Tree } from './network/tree';
import type { WaterLine } from './network/waterLine';
import type { OnSlope } from './runoff/bypass';
import { openingsOf, type Openings } from './openings';
import { followWater, roofWater, type Sources } from './runoff/sources';
import { flowsOf, waterLineOf, type JobFlows } from './water';

export interface LandingPlan {
  id: string;
  kind: Landing['kind'];
  groundLevel: number;
  /** Crown and invert where the leaving run starts, or at a discharge where the arriving one ends, m; null with no pipe. */
  crown: number | null;
  invert: number | null;
  /** Cover over the crown, m. */
  cover: number | null;
  /** C·A that enters here, and that passes on, m². */
  enteringArea: number;
  passingArea: number;
  /** The same as design flow, m³/s. */
  entering: number;
  passing: number;
  /** Discharge that its water reaches, by id. */
  outlet: string | null;
  /** Water line here in the design rain, m; null with no pipe. */
  waterLevel: number | null;
}

export interface RunPlan extends RunFlow {
  id: string;
  from: string;
  to: string;
  /** Letter of its line. */
  line: string;
  length: number;
  material: Run['material'];
  nominal: number;
  diameter: number;
  roughness: number;
  /** Fall over length, m/m, and the least asked. */
  pitch: number;
  leastPitch: number;
  /** m from upper to lower invert */
  drop: number;
  invertUp: number;
  invertDown: number;
  crownUp: number;
  crownDown: number;
  groundUp: number;
  groundDown: number;
  coverUp: number;
  /** Null at a daylight end, where the pipe comes out of the ground. */
  coverDown: number | null;
  leastCover: number;
  effectiveArea: number;
  flow: number;
  ordinaryFlow: number;
  /** How the design flow came: rain (m/s) of its time of concentration (s), on the C·A (m²) that had arrived by then, and fixed flows (m³/s). */
  intensity: number;
  concentration: number;
  countedArea: number;
  fixedFlow: number;
  /** Water line at its two ends, m, and what rules it. */
  waterUp: number;
  waterDown: number;
  regime: Regime;
  /** How many such pipes lie side by side, and the widest that comes in above, m. */
  parallel: number;
  widestAbove: number;
  /** Time that its water takes down it, s; 0 when dry. */
  travelTime: number;
}

export interface Solution {
  /** Rain used, m/s; 0 when the job has none. */
  rain: number;
  settings: Settings;
  landings: Record<string, LandingPlan>;
  runs: Record<string, RunPlan>;
  lines: { letter: string; runs: string[] }[];
  /** The tightest route into each discharge, tightest of all first; `budgetFrom` gives any other. */
  budgets: FallBudget[];
  sources: Sources;
  /** Inlets on a slope, by id: what they take, and pass on. */
  onSlope: ReadonlyMap<string, OnSlope>;
  /** Basins, channel drains and downspouts, by id. */
  inlets: Record<string, InletPlan>;
  /** Doors and window wells in a rarer rain; null when there are none, or no such rain is said. */
  openings: Openings | null;
  /** Runs that fit in no line, by id. */
  stray: string[];
}

/** Where everything lies, whatever it rains. */
interface Laid {
  settings: Settings;
  tree: Tree;
  lines: Line[];
  levels: Levels;
}

function layOut(job: Job): Laid {
  const { settings: own, pitchStyle } = headOf(job);
  const settings = settled(own);
  const tree = buildTree(job);
  const lines = findLines(tree);
  return { settings, tree, lines, levels: planLevels(tree, lines, settings, pitchStyle) };
}

/** What the job's rain makes of it. */
interface Wet extends Pick<Solution, 'rain' | 'sources' | 'landings' | 'inlets'> {
  flows: JobFlows;
  water: WaterLine;
  /** C·A that passes each landing, m². */
  passing: Float64Array;
}

function waterIn(job: Job, { tree, levels, settings }: Laid): Wet {
  const rain = rainOf(job)?.intensity ?? 0;
  const sources = followWater(job);
  const flows = flowsOf(job, tree, levels, sources);
  const passing = accumulate(tree, flows.enteringArea);
  const water = waterLineOf(tree, levels, settings, flows);
  const landings: Record<string, LandingPlan> = {};
  tree.landings.forEach((landing, at) => {
    landings[landing.id] = landingPlan({ tree, levels, flows, water, passing }, at);
  });
  return {
    rain,
    sources,
    flows,
    passing,
    water,
    landings,
    inlets: inletsOf(job, { settings, sources, landings, rain, onSlope: flows.onSlope }),
  };
}

/** Works out everything that follows from a job. Never throws on a job that its schema accepts. */
export function solve(job: Job): Solution {
  const laid = layOut(job);
  const { settings, tree, lines, levels } = laid;
  const { rain, sources, flows, passing, water, landings, inlets } = waterIn(job, laid);
  const context: Context = {
    tree,
    levels,
    settings,
    flows,
    water,
    letters: letterOfRuns(lines, tree.runs.length),
    passing,
  };
  const runs: Record<string, RunPlan> = {};
  tree.runs.forEach((run, index) => {
    runs[run.id] = runPlan(context, index);
  });
  return {
    rain,
    settings,
    landings,
    runs,
    sources,
    onSlope: flows.onSlope,
    inlets,
    lines: lines.map((line) => ({ letter: line.letter, runs: line.runs.map((run) => tree.runs[run]!.id) })),
    budgets: tightestBudgets(tree, levels, settings),
    openings: openingsOf(job, (rarer) => waterIn(rarer, laid).inlets),
    stray: tree.stray.map((run) => run.id),
  };
}

interface Context extends Pick<Laid, 'tree' | 'levels' | 'settings'>, Pick<Wet, 'flows' | 'water' | 'passing'> {
  letters: string[];
}

function inletsOf(
  job: Job,
  {
    settings,
    sources,
    landings,
    rain,
    onSlope,
  }: Pick<Solution, 'settings' | 'sources' | 'landings' | 'rain' | 'onSlope'>,
): Record<string, InletPlan> {
  const inlets: Record<string, InletPlan> = {};
  for (const basin of ofKind(job, 'basin'))
    inlets[basin.id] = basinPlan(
      basin,
      landings[basin.id]!.entering,
      landings[basin.id]!.waterLevel,
      settings,
      onSlope.get(basin.id)?.passed,
    );
  const outlets = new Map(ofKind(job, 'run').map((run) => [run.from, diameterOf(run)]));
  for (const channel of ofKind(job, 'channel'))
    inlets[channel.id] = channelPlan(
      channel,
      landings[channel.id]!.entering,
      landings[channel.id]!.waterLevel,
      outlets.get(channel.id) ?? null,
      onSlope.get(channel.id)?.passed,
    );
  for (const downspout of ofKind(job, 'downspout'))
    inlets[downspout.id] = downspoutPlan(downspout, roofWater(sources, downspout.id, rain), settings);
  return inlets;
}

function letterOfRuns(lines: Line[], count: number): string[] {
  const letters = new Array<string>(count).fill('');
  for (const line of lines) for (const run of line.runs) letters[run] = line.letter;
  return letters;
}

function runPlan({ tree, levels, settings, flows, water, letters, passing }: Context, index: number): RunPlan {
  const run = tree.runs[index]!;
  const upper = tree.upper[index]!;
  const lower = tree.landings[tree.lower[index]!]!;
  const diameter = diameterOf(run);
  const { roughness } = MATERIAL_FACTS[run.material];
  const crownUp = levels.crownUp[index]!;
  const crownDown = levels.crownDown[index]!;
  const pitch = (crownUp - crownDown) / run.length;
  const area = passing[upper]!;
  const flow = flows.flow[upper]!;
  const ordinaryFlow = area * settings.ordinaryRain + flows.fixed[upper]!;
  const reach = water.reaches[index]!;
  const side = run.parallel ?? 1;
  const groundUp = tree.landings[upper]!.groundLevel;
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
    line: letters[index]!,
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
    coverDown: lower.kind === 'discharge' && lower.form === 'daylight' ? null : lower.groundLevel - crownDown,
    leastCover: leastCoverOf(run, settings),
    effectiveArea: area,
    flow,
    ordinaryFlow,
    intensity: flows.intensity[upper]!,
    concentration: flows.time[upper]!,
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

/** What each size on offer would give a run as it lies; worked out when somebody looks, as a plan is made at every move of a finger. */
export function choicesOf(
  { settings }: Pick<Solution, 'settings'>,
  { material, pitch, flow, ordinaryFlow, parallel, widestAbove }: RunPlan,
): SizeChoice[] {
  return sizeChoices({
    material,
    slope: pitch,
    flow: flow / parallel,
    ordinaryFlow: ordinaryFlow / parallel,
    settings,
    widestAbove,
  });
}

function landingPlan(
  { tree, levels, flows, water, passing }: Omit<Context, 'letters' | 'settings'>,
  at: number,
): LandingPlan {
  const landing = tree.landings[at]!;
  const leaving = tree.leaving[at]!;
  const run = leaving === NONE ? tree.arriving[at]![0] : leaving;
  const crown = run === undefined ? null : leaving === NONE ? levels.crownDown[run]! : levels.crownUp[run]!;
  return {
    id: landing.id,
    kind: landing.kind,
    groundLevel: landing.groundLevel,
    crown,
    invert: crown === null ? null : crown - diameterOf(tree.runs[run!]!),
    cover: crown === null ? null : landing.groundLevel - crown,
    enteringArea: flows.enteringArea[at]!,
    passingArea: passing[at]!,
    entering: flows.entering[at]!,
    passing: flows.flow[at]!,
    outlet: tree.outlet[at] === NONE ? null : tree.landings[tree.outlet[at]!]!.id,
    waterLevel: run === undefined ? null : water.levels[at]!,
  };
}

/** Fall budget of the route from any landing of a job; null when it leads to no discharge. */
export function budgetFrom(job: Job, landing: string): FallBudget | null {
  const { tree, levels, settings } = layOut(job);
  const at = tree.indexOf.get(landing);
  return at === undefined ? null : fallBudget(tree, levels, settings, at);
}
