/** Sizing a whole job: pipes and their pitch together at least cost, grates the smallest that work, and what the next best would be. */
import { GRATE_FACTS, GRATES } from '../catalogue/grates';
import { controlLevel } from '../catalogue/outfalls';
import { MATERIAL_FACTS, NOMINAL_SIZES } from '../catalogue/pipes';
import { resolveSettings } from '../job/settings';
import { pitchForFlow } from '../hydraulics/pipe';
import { runFlow } from '../hydraulics/runFlow';
import { basinPlan } from '../inlets';
import type { Change } from '../job/change';
import { headOf, landingsOf, ofKind, type Job } from '../job/job';
import type { Basin, Discharge, Element, Run } from '../job/kinds';
import { findLines } from '../network/lines';
import { leastPitchOf, planLevels } from '../network/levels';
import { runnersUp, sizeNetwork, type Sizing, type SizingInput } from './sizeNetwork';
import { buildTree, type Tree } from '../network/tree';
import type { Solution } from '../plan/solution';

/**
 * What a metre of line costs, in parts that only compare: pipe by its size, and trench by its depth, dearer once a man must stand in it.
 * The price book will say it in money.
 */
const PIPE_A_METRE = (size: number): number => 2 + 60 * size;
const TRENCH_A_METRE = (depth: number): number => 12 * depth + 14 * Math.max(0, depth - 1.2) ** 2;
/** Pitches are set to a twentieth of a per cent, upward. */
const PITCH_STEP = 0.0005;

export interface SizedJob {
  change: Change;
  /** Parts that only compare. */
  cost: number;
  /** Nominal size of each run, m, by id. */
  sizes: Record<string, number>;
}

export interface JobSizing {
  best: SizedJob;
  others: SizedJob[];
}

function inputOf(
  job: Job,
  tree: Tree,
  solution: Solution,
  clean: boolean,
): SizingInput & { needed: (run: number, size: number) => number } {
  const settings = resolveSettings(headOf(job).settings);
  const { allowed } = planLevels(tree, findLines(tree), settings, 'ground');
  const pitchFor = (index: number, size: number): number => {
    const run = tree.runs[index]!;
    const side = run.parallel ?? 1;
    const flow = solution.runs[run.id]!.flow / side;
    const ordinaryFlow = solution.runs[run.id]!.ordinaryFlow / side;
    const pipe = { diameter: size, roughness: MATERIAL_FACTS[run.material].roughness, flow };
    const carries = pitchForFlow(pipe) * (1 + 1e-6);
    const steep = clean
      ? Math.max(
          carries,
          cleanFrom(
            (slope) =>
              runFlow({
                ...pipe,
                slope,
                ordinaryFlow,
                gritSize: settings.gritSize,
                leastVelocity: settings.leastVelocity,
              }).cleans,
          ),
        )
      : carries;
    return Math.ceil(steep / PITCH_STEP - 1e-9) * PITCH_STEP;
  };
  // Asked for again and again, for each way to build what is above.
  const known = tree.runs.map(() => new Map<number, number>());
  const needed = (index: number, size: number): number => {
    const pitch = known[index]!.get(size) ?? pitchFor(index, size);
    known[index]!.set(size, pitch);
    return pitch;
  };
  return {
    tree,
    sizes: NOMINAL_SIZES,
    allowed,
    needed,
    slopeOf: (index, size) => {
      const pitch = Math.max(
        leastPitchOf({ material: tree.runs[index]!.material, nominal: size }, settings),
        needed(index, size),
      );
      return pitch > MAX_PITCH ? null : pitch;
    },
    control: (at) =>
      tree.landings[at]!.kind === 'discharge'
        ? controlLevel(tree.landings[at] as Discharge, settings)
        : Number.NEGATIVE_INFINITY,
    cost: (index, size, crownUp, crownDown) => {
      const run = tree.runs[index]!;
      const depth = (ground: number, crown: number): number => Math.max(0, ground - crown + size);
      const mean =
        (depth(tree.landings[tree.upper[index]!]!.groundLevel, crownUp) +
          depth(tree.landings[tree.lower[index]!]!.groundLevel, crownDown)) /
        2;
      return run.length * (PIPE_A_METRE(size) + TRENCH_A_METRE(mean));
    },
  };
}

/** Least pitch (m/m) from which a pipe keeps itself clean, by halving; it only gets cleaner as it gets steeper. */
function cleanFrom(cleans: (slope: number) => boolean): number {
  let low = PITCH_STEP / 10;
  let high = MAX_PITCH * 2;
  if (cleans(low)) return low;
  while (high / low > 1.01) {
    const middle = Math.sqrt(low * high);
    if (cleans(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/** Steeper than this no crew lays a pipe to make it carry. */
const MAX_PITCH = 0.1;

function changeOf(
  job: Job,
  tree: Tree,
  solution: Solution,
  sizing: Sizing,
  needed: (run: number, size: number) => number,
): SizedJob {
  const settings = resolveSettings(headOf(job).settings);
  const puts: Element[] = [];
  const sizes: Record<string, number> = {};
  tree.runs.forEach((run, index) => {
    const nominal = sizing.sizes[index]!;
    const steep = needed(index, nominal);
    const { insideDiameter: _own, ...rest } = run;
    const grade: Run['grade'] =
      steep > leastPitchOf({ material: run.material, nominal }, settings)
        ? { type: 'pitch', pitch: steep }
        : { type: 'auto' };
    sizes[run.id] = nominal;
    puts.push({ ...rest, nominal, grade });
  });
  puts.push(...grates(job, solution));
  return { change: { label: 'Size the whole job', puts, removes: [] }, cost: sizing.cost, sizes };
}

/** The smallest grate for each basin that keeps the water over it within what is allowed. */
function grates(job: Job, { inlets, settings }: Solution): Basin[] {
  const bySize = [...GRATES].sort((a, b) => GRATE_FACTS[a].openArea - GRATE_FACTS[b].openArea);
  return ofKind(job, 'basin').flatMap((basin) => {
    const inlet = inlets[basin.id];
    if (!inlet || inlet.taken <= 0) return [];
    const grate = bySize.find(
      (each) => basinPlan({ ...basin, grate: each }, inlet.taken, null, settings).ponding <= settings.ponding,
    );
    return grate ? [{ ...basin, grate }] : [];
  });
}

/** How many other choices are worth showing. */
const OTHERS = 3;

/** The least-cost sizes and pitches of a job, with runners-up; null where no sizes on offer reach every way out. */
export function sizeJob(job: Job, solution: Solution): JobSizing | null {
  const tree = buildTree(landingsOf(job), ofKind(job, 'run'));
  if (tree.runs.length === 0) return null;
  // That every line keeps itself clean is wished for, and given up before the way out is.
  for (const clean of [true, false]) {
    const found = sizeFor(job, tree, solution, clean);
    if (found) return found;
  }
  return null;
}

function sizeFor(job: Job, tree: Tree, solution: Solution, clean: boolean): JobSizing | null {
  const { needed, ...input } = inputOf(job, tree, solution, clean);
  const best = sizeNetwork(input);
  if (!best) return null;
  const asChange = (sizing: Sizing): SizedJob => changeOf(job, tree, solution, sizing, needed);
  return { best: asChange(best), others: runnersUp(input, best, OTHERS).map(asChange) };
}
