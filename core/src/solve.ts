/** From a job to every derived figure. Judging comes after, in `plan.ts`. */
import { MATERIAL_FACTS } from './catalogue/pipes';
import { settled, type Settings } from './defaults';
import { pitchForFlow } from './hydraulics/pipe';
import { runFlow, type RunFlow } from './hydraulics/runFlow';
import type { Discharge, Landing, Run } from './job/elements';
import { headOf, rainOf, type Job } from './job/job';
import { fallBudget, tightestBudgets, type FallBudget } from './network/budget';
import { sizeChoices, smallestThatWorks, type SizeChoice } from './network/choices';
import { controlLevel, diameterOf, leastCoverOf, planLevels, type Levels } from './network/levels';
import { findLines, type Line } from './network/lines';
import { accumulate, buildTree, NONE, type Tree } from './network/tree';
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
  /** Level of standing and flowing water in the line behind a pop-up, m; null elsewhere. */
  behindLid: number | null;
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
  const letters = letterOfRuns(lines, tree.runs.length);
  const runs: Record<string, RunPlan> = {};
  tree.runs.forEach((run, index) => {
    runs[run.id] = runPlan(tree, levels, settings, index, { letter: letters[index]!, area: passing[tree.upper[index]!]!, rain });
  });
  const behind = levelsBehindLids(tree, settings, passing, rain);
  const landings: Record<string, LandingPlan> = {};
  tree.landings.forEach((landing, at) => {
    landings[landing.id] = landingPlan(tree, levels, at, { entering: entering[at]!, passing: passing[at]!, rain, behind: behind[at]! });
  });
  return {
    rain, settings, landings, runs, sources,
    lines: lines.map((line) => ({ letter: line.letter, runs: line.runs.map((run) => tree.runs[run]!.id) })),
    budgets: tightestBudgets(tree, levels, settings),
    stray: tree.stray.map((run) => run.id),
  };
}

function letterOfRuns(lines: Line[], count: number): string[] {
  const letters = new Array<string>(count).fill('');
  for (const line of lines) for (const run of line.runs) letters[run] = line.letter;
  return letters;
}

interface RunWater {
  letter: string;
  area: number;
  rain: number;
}

function runPlan(tree: Tree, levels: Levels, settings: Settings, index: number, { letter, area, rain }: RunWater): RunPlan {
  const run = tree.runs[index]!;
  const upper = tree.upper[index]!;
  const lower = tree.landings[tree.lower[index]!]!;
  const diameter = diameterOf(run);
  const { roughness } = MATERIAL_FACTS[run.material];
  const crownUp = levels.crownUp[index]!;
  const crownDown = levels.crownDown[index]!;
  const pitch = (crownUp - crownDown) / run.length;
  const flow = area * rain;
  const ordinaryFlow = area * settings.ordinaryRain;
  // Worked out when somebody looks: a plan is made at every move of a finger, and only an open sheet compares sizes.
  let choices: SizeChoice[] | null = null;
  const lookAtChoices = (): SizeChoice[] => (choices ??= sizeChoices({
    material: run.material, slope: pitch, flow, ordinaryFlow, settings,
    widestAbove: tree.arriving[upper]!.reduce((widest, above) => Math.max(widest, tree.runs[above]!.nominal), 0),
  }));
  const groundUp = tree.landings[upper]!.groundLevel;
  const water = runFlow({ diameter, slope: pitch, roughness, flow, ordinaryFlow, gritSize: settings.gritSize, leastVelocity: settings.leastVelocity });
  // Field by field: copying one object into another is the slowest part of a plan.
  return {
    capacity: water.capacity, fullVelocity: water.fullVelocity, depth: water.depth, depthRatio: water.depthRatio, velocity: water.velocity, overloaded: water.overloaded,
    ordinaryDepth: water.ordinaryDepth, ordinaryShear: water.ordinaryShear, criticalShear: water.criticalShear, cleans: water.cleans,
    id: run.id, from: run.from, to: run.to, line: letter, length: run.length, material: run.material, nominal: run.nominal, diameter, roughness,
    pitch, leastPitch: levels.leastPitch[index]!, drop: crownUp - crownDown,
    invertUp: crownUp - diameter, invertDown: crownDown - diameter, crownUp, crownDown,
    groundUp, groundDown: lower.groundLevel, coverUp: groundUp - crownUp,
    coverDown: lower.kind === 'discharge' && lower.form === 'daylight' ? null : lower.groundLevel - crownDown,
    leastCover: leastCoverOf(run, settings), effectiveArea: area, flow, ordinaryFlow,
    get choices() {
      return lookAtChoices();
    },
    get smallest() {
      return smallestThatWorks(lookAtChoices());
    },
  };
}

interface LandingWater {
  entering: number;
  passing: number;
  rain: number;
  behind: number;
}

function landingPlan(tree: Tree, levels: Levels, at: number, { entering, passing, rain, behind }: LandingWater): LandingPlan {
  const landing = tree.landings[at]!;
  const leaving = tree.leaving[at]!;
  const run = leaving === NONE ? tree.arriving[at]![0] : leaving;
  const crown = run === undefined ? null : leaving === NONE ? levels.crownDown[run]! : levels.crownUp[run]!;
  return {
    id: landing.id, kind: landing.kind, groundLevel: landing.groundLevel, crown,
    invert: crown === null ? null : crown - diameterOf(tree.runs[run!]!),
    cover: crown === null ? null : landing.groundLevel - crown,
    enteringArea: entering, passingArea: passing, entering: entering * rain, passing: passing * rain,
    outlet: tree.outlet[at] === NONE ? null : tree.landings[tree.outlet[at]!]!.id,
    behindLid: Number.isNaN(behind) ? null : behind,
  };
}

/** Behind a pop-up the line stands full to the raised lid, and rises upstream by the friction of full pipes. NaN elsewhere. */
function levelsBehindLids(tree: Tree, settings: Settings, passing: Float64Array, rain: number): Float64Array {
  const level = new Float64Array(tree.landings.length).fill(Number.NaN);
  for (let at = tree.landings.length - 1; at >= 0; at--) {
    const landing = tree.landings[at]!;
    if (landing.kind === 'discharge') {
      if (landing.form === 'popup') level[at] = controlLevel(landing as Discharge, settings);
      continue;
    }
    const leaving = tree.leaving[at]!;
    if (leaving === NONE) continue;
    const run = tree.runs[leaving]!;
    const friction = pitchForFlow({ diameter: diameterOf(run), roughness: MATERIAL_FACTS[run.material].roughness, flow: passing[at]! * rain });
    level[at] = level[tree.lower[leaving]!]! + friction * run.length;
  }
  return level;
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
