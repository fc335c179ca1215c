/** From a job to every derived figure. Judging comes after, in `plan.ts`. */
import { MATERIAL_FACTS } from './catalogue/pipes';
import { settled, type Settings } from './defaults';
import type { Regime } from './hydraulics/backwater';
import { normalDepth } from './hydraulics/pipe';
import { runFlow, type RunFlow } from './hydraulics/runFlow';
import { basinPlan, channelPlan, downspoutPlan, type InletPlan } from './inlets';
import { landsOnGutter, type Discharge, type Landing, type Run } from './job/elements';
import { headOf, ofKind, rainOf, type Job } from './job/job';
import { fallBudget, tightestBudgets, type FallBudget } from './network/budget';
import { sizeChoices, smallestThatWorks, type SizeChoice } from './network/choices';
import { controlLevel, diameterOf, leastCoverOf, planLevels, type Levels } from './network/levels';
import { findLines, type Line } from './network/lines';
import { designFlows, LEAST_CONCENTRATION, type DesignFlows } from './network/designFlow';
import { accumulate, buildTree, NONE, type Tree } from './network/tree';
import { solveWaterLine, type WaterLine } from './network/waterLine';
import { intensityOf } from './rain/intensity';
import { followWater, type Sources } from './runoff/sources';

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
  /** What each size on offer would give. */
  readonly choices: SizeChoice[];
  /** Smallest size that works as the run lies, m; null when none on offer does. */
  readonly smallest: number | null;
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
  /** Basins, channel drains and downspouts, by id. */
  inlets: Record<string, InletPlan>;
  /** Runs that fit in no line, by id. */
  stray: string[];
}

/** Works out everything that follows from a job. Never throws on a job that its schema accepts. */
export function solve(job: Job): Solution {
  const head = headOf(job);
  const settings = settled(head.settings);
  const rain = rainOf(job)?.intensity ?? 0;
  const sources = followWater(job);
  const tree = buildTree(job);
  const lines = findLines(tree);
  const levels = planLevels(tree, lines, settings, head.pitchStyle);
  const entering = Float64Array.from(tree.landings, (landing) => sources.atLanding.get(landing.id) ?? 0);
  const passing = accumulate(tree, entering);
  const flows = flowsOf(job, tree, levels, sources);
  const water = waterLineOf(tree, levels, settings, flows);
  const letters = letterOfRuns(lines, tree.runs.length);
  const context: Context = { tree, levels, settings, flows, water, letters, passing };
  const runs: Record<string, RunPlan> = {};
  tree.runs.forEach((run, index) => {
    runs[run.id] = runPlan(context, index);
  });
  const landings: Record<string, LandingPlan> = {};
  tree.landings.forEach((landing, at) => {
    const entersHere = flows.entering[at]!;
    landings[landing.id] = landingPlan(context, at, { entering: entering[at]!, passing: passing[at]!, entersHere });
  });
  return {
    rain, settings, landings, runs, sources, inlets: inletsOf(job, settings, sources, landings, rain),
    lines: lines.map((line) => ({ letter: line.letter, runs: line.runs.map((run) => tree.runs[run]!.id) })),
    budgets: tightestBudgets(tree, levels, settings),
    stray: tree.stray.map((run) => run.id),
  };
}

interface Context {
  tree: Tree;
  levels: Levels;
  settings: Settings;
  flows: DesignFlows & { entering: Float64Array };
  water: WaterLine;
  letters: string[];
  /** C·A that passes each landing, m². */
  passing: Float64Array;
}

/** Design flow at every landing, and what of it enters there at its own worst time. */
function flowsOf(job: Job, tree: Tree, levels: Levels, sources: Sources): Context['flows'] {
  const rain = rainOf(job);
  const uniform = rain?.intensity ?? 0;
  const table = rain?.table;
  // The 5-minute figure is the job's own word; the table only says how it weakens after that.
  const scale = table ? uniform / intensityOf(table, LEAST_CONCENTRATION) : 1;
  const rainOfDuration = (duration: number): number => (table ? scale * intensityOf(table, duration) : uniform);
  const entering = tree.landings.map((landing) => sources.arrivals.get(landing.id) ?? []);
  const fixed = Float64Array.from(tree.landings, (landing) => sources.fixed.get(landing.id) ?? 0);
  const travelTime = (index: number, flow: number): number => {
    const run = tree.runs[index]!;
    const slope = (levels.crownUp[index]! - levels.crownDown[index]!) / run.length;
    const section = { diameter: diameterOf(run), slope, roughness: MATERIAL_FACTS[run.material].roughness };
    if (flow <= 0 || !table) return 0;
    const each = flow / (run.parallel ?? 1);
    return run.length / (slope > 0 ? normalDepth({ ...section, flow: each }).velocity : each / ((Math.PI * section.diameter ** 2) / 4));
  };
  const flows = designFlows({ tree, entering, fixed, intensityOf: rainOfDuration, travelTime });
  const here = Float64Array.from(entering, (parts, at) => {
    let area = 0;
    let most = 0;
    for (const part of [...parts].sort((a, b) => a.time - b.time)) {
      area += part.area;
      most = Math.max(most, area * rainOfDuration(Math.max(LEAST_CONCENTRATION, part.time)));
    }
    return most + fixed[at]!;
  });
  return { ...flows, entering: here };
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
  if (landing.kind === 'basin' || landing.kind === 'channel') return 1.5;
  if (landing.kind !== 'junction') return 0;
  if (tree.arriving[at]!.length > 1) return 0.5;
  return landing.form === 'bend' ? 0.3 : 0;
}

function waterLineOf(tree: Tree, levels: Levels, settings: Settings, flows: DesignFlows): WaterLine {
  const invertUp = (index: number): number => levels.crownUp[index]! - diameterOf(tree.runs[index]!);
  const invertDown = (index: number): number => levels.crownDown[index]! - diameterOf(tree.runs[index]!);
  const inverts = tree.landings.map((landing, at) => {
    const leaving = tree.leaving[at]!;
    if (leaving !== NONE) return invertUp(leaving);
    return tree.arriving[at]!.reduce((lowest, run) => Math.min(lowest, invertDown(run)), tree.arriving[at]!.length > 0 ? Number.POSITIVE_INFINITY : landing.groundLevel);
  });
  return solveWaterLine({
    inverts, losses: tree.landings.map((_, at) => lossAt(tree, at)), order: tree.runs.map((_, index) => index),
    runs: tree.runs.map((run, index) => ({
      from: tree.upper[index]!, to: tree.lower[index]!, length: run.length, diameter: diameterOf(run), roughness: MATERIAL_FACTS[run.material].roughness, invertUp: invertUp(index), invertDown: invertDown(index),
    })),
    flows: Float64Array.from(tree.runs, (run, index) => flows.flow[tree.upper[index]!]! / (run.parallel ?? 1)),
  }, (node) => {
    const landing = tree.landings[node]!;
    if (landing.kind !== 'discharge') return Number.NEGATIVE_INFINITY;
    return landing.form === 'popup' ? controlLevel(landing as Discharge, settings) : (landing.standingLevel ?? Number.NEGATIVE_INFINITY);
  });
}

function inletsOf(job: Job, settings: Settings, sources: Sources, landings: Record<string, LandingPlan>, rain: number): Record<string, InletPlan> {
  const inlets: Record<string, InletPlan> = {};
  for (const basin of ofKind(job, 'basin')) inlets[basin.id] = basinPlan(basin, landings[basin.id]!.entering, landings[basin.id]!.waterLevel, settings);
  for (const channel of ofKind(job, 'channel')) inlets[channel.id] = channelPlan(channel, landings[channel.id]!.entering, landings[channel.id]!.waterLevel);
  for (const downspout of ofKind(job, 'downspout')) inlets[downspout.id] = downspoutPlan(downspout, landsOnGutter(downspout) ? (sources.atDownspout.get(downspout.id) ?? 0) * rain : landings[downspout.id]!.entering, settings);
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
  // Worked out when somebody looks: a plan is made at every move of a finger, and only an open sheet compares sizes.
  let choices: SizeChoice[] | null = null;
  const lookAtChoices = (): SizeChoice[] => (choices ??= sizeChoices({
    material: run.material, slope: pitch, flow: flow / side, ordinaryFlow: ordinaryFlow / side, settings,
    widestAbove: tree.arriving[upper]!.reduce((widest, above) => Math.max(widest, tree.runs[above]!.nominal), 0),
  }));
  const groundUp = tree.landings[upper]!.groundLevel;
  const inPipe = runFlow({ diameter, slope: pitch, roughness, flow: flow / side, ordinaryFlow: ordinaryFlow / side, gritSize: settings.gritSize, leastVelocity: settings.leastVelocity });
  // Field by field: copying one object into another is the slowest part of a plan.
  return {
    capacity: inPipe.capacity * side, fullVelocity: inPipe.fullVelocity, depth: inPipe.depth, depthRatio: inPipe.depthRatio, velocity: inPipe.velocity, overloaded: inPipe.overloaded,
    ordinaryDepth: inPipe.ordinaryDepth, ordinaryShear: inPipe.ordinaryShear, criticalShear: inPipe.criticalShear, cleans: inPipe.cleans,
    id: run.id, from: run.from, to: run.to, line: letters[index]!, length: run.length, material: run.material, nominal: run.nominal, diameter, roughness,
    pitch, leastPitch: levels.leastPitch[index]!, drop: crownUp - crownDown,
    invertUp: crownUp - diameter, invertDown: crownDown - diameter, crownUp, crownDown,
    groundUp, groundDown: lower.groundLevel, coverUp: groundUp - crownUp,
    coverDown: lower.kind === 'discharge' && lower.form === 'daylight' ? null : lower.groundLevel - crownDown,
    leastCover: leastCoverOf(run, settings), effectiveArea: area, flow, ordinaryFlow,
    intensity: flows.intensity[upper]!, concentration: flows.time[upper]!, countedArea: flows.area[upper]!, fixedFlow: flows.fixed[upper]!,
    waterUp: crownUp - diameter + reach.depthUp, waterDown: crownDown - diameter + reach.depthDown, regime: reach.regime,
    get choices() {
      return lookAtChoices();
    },
    get smallest() {
      return smallestThatWorks(lookAtChoices());
    },
  };
}

interface LandingWater {
  /** C·A, m². */
  entering: number;
  passing: number;
  /** m³/s */
  entersHere: number;
}

function landingPlan({ tree, levels, flows, water }: Context, at: number, { entering, passing, entersHere }: LandingWater): LandingPlan {
  const landing = tree.landings[at]!;
  const leaving = tree.leaving[at]!;
  const run = leaving === NONE ? tree.arriving[at]![0] : leaving;
  const crown = run === undefined ? null : leaving === NONE ? levels.crownDown[run]! : levels.crownUp[run]!;
  return {
    id: landing.id, kind: landing.kind, groundLevel: landing.groundLevel, crown,
    invert: crown === null ? null : crown - diameterOf(tree.runs[run!]!),
    cover: crown === null ? null : landing.groundLevel - crown,
    enteringArea: entering, passingArea: passing, entering: entersHere, passing: flows.flow[at]!,
    outlet: tree.outlet[at] === NONE ? null : tree.landings[tree.outlet[at]!]!.id,
    waterLevel: run === undefined ? null : water.levels[at]!,
  };
}

/** Fall budget of the route from any landing of a job; null when it leads to no discharge. */
export function budgetFrom(job: Job, landing: string): FallBudget | null {
  const head = headOf(job);
  const settings = settled(head.settings);
  const tree = buildTree(job);
  const at = tree.indexOf.get(landing);
  if (at === undefined) return null;
  return fallBudget(tree, planLevels(tree, findLines(tree), settings, head.pitchStyle), settings, at);
}
