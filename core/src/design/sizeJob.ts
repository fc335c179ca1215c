/**
 * Sizing a whole job: pipes and their pitch together at least cost, grates that suit their bed, and what the next best would be.
 *
 * Choices are only ever judged by planning them: the cost is that of the plan as it is laid, and a choice that brings a snag of a kind
 * that the job did not have is none. The exact search over sizes and least pitches (`sizeNetwork`) gives where to start, and the job
 * as it is another; from there each run is tried in other sizes, one after another, for as long as that helps.
 */
import { controlLevel } from '../catalogue/outfalls';
import { MATERIAL_FACTS, NOMINAL_SIZES } from '../catalogue/pipes';
import { pitchForFlow } from '../hydraulics/pipe';
import { runFlow } from '../hydraulics/runFlow';
import { changed, put, type Change } from '../job/change';
import { resized } from '../job/edits/pipes';
import { ofKind, type Job } from '../job/job';
import type { Discharge, Element, Run } from '../job/kinds';
import { leastPitchOf } from '../network/leastOf';
import type { Tree } from '../network/tree';
import { layOut } from '../plan/layout';
import { planJob, type Plan } from '../verdict/planJob';
import { laidCost, runCost } from './cost';
import { suitedGrates } from './suitedGrates';
import { runnersUp, sizeNetwork, type SizingInput } from './sizeNetwork';
import { situated } from '../yard/situate';
import { OF_SIZE, harms, wants, isBetter, type Tried } from './betterSizes';

export interface SizedJob {
  change: Change;
  /** Of the plan that it gives, in parts that only compare. */
  cost: number;
  /** Nominal size of each run, m, by id. */
  sizes: Record<string, number>;
  /** Runs whose level or pitch was set by hand, and is another with it, by id. */
  replaces: string[];
}

export interface JobSizing {
  best: SizedJob;
  others: SizedJob[];
}

/** Pitches are set to a twentieth of a per cent, upward; steeper than a tenth no crew lays a pipe to make it carry. */
const PITCH_STEP = 0.0005;
const MAX_PITCH = 0.1;

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

/** Least pitch (m/m) with which a run carries its flow in a size, and, when asked, keeps itself clean. */
function pitchNeeded(run: Run, size: number, { runs, settings }: Plan, clean: boolean): number {
  const side = run.parallel ?? 1;
  const planned = runs[run.id]!;
  const flow = planned.flow / side;
  const pipe = { diameter: size, roughness: MATERIAL_FACTS[run.material].roughness, flow };
  const { gritSize, leastVelocity } = settings;
  const cleans = (slope: number): boolean =>
    runFlow({ ...pipe, slope, ordinaryFlow: planned.ordinaryFlow / side, gritSize, leastVelocity }).cleans;
  const carries = pitchForFlow(pipe) * (1 + 1e-6);
  const steep = clean ? Math.max(carries, cleanFrom(cleans)) : carries;
  return Math.ceil(steep / PITCH_STEP - 1e-9) * PITCH_STEP;
}

function searchInput(job: Job, plan: Plan, clean: boolean): SizingInput {
  const { tree, levels, settings } = layOut(job);
  // Asked for again and again, for each way to build what is above.
  const known = tree.runs.map(() => new Map<number, number>());
  const needed = (index: number, size: number): number => {
    const pitch = known[index]!.get(size) ?? pitchNeeded(tree.runs[index]!, size, plan, clean);
    known[index]!.set(size, pitch);
    return pitch;
  };
  return {
    tree,
    sizes: NOMINAL_SIZES,
    allowed: levels.allowed,
    slopeOf: (index, size) => {
      const least = leastPitchOf({ material: tree.runs[index]!.material, nominal: size }, settings);
      const pitch = Math.max(least, needed(index, size));
      return pitch > MAX_PITCH ? null : pitch;
    },
    control: (at) =>
      tree.landings[at]!.kind === 'discharge'
        ? controlLevel(tree.landings[at] as Discharge, settings)
        : Number.NEGATIVE_INFINITY,
    cost: (index, size, crownUp, crownDown) => {
      const run = tree.runs[index]!;
      const depth = (at: number, crown: number): number => tree.landings[at]!.groundLevel - crown + size;
      return runCost(
        run.length,
        size,
        run.parallel ?? 1,
        depth(tree.upper[index]!, crownUp),
        depth(tree.lower[index]!, crownDown),
      );
    },
  };
}

/** Plans that one sizing may make: a large job is searched less closely, so that it takes no longer. */
const planBudget = (runs: number): number => Math.max(30, Math.min(400, Math.round(6000 / runs)));

class Sizing {
  private left: number;
  private readonly before: Tried;

  constructor(job: Job, plan: Plan) {
    this.before = { job, plan, cost: laidCost(plan) };
    this.left = planBudget(Object.keys(plan.runs).length);
  }

  /** A choice planned, where it brings no snag of a kind that the job did not have, and none dearer that cures nothing. */
  try(job: Job, puts: readonly Element[]): Tried | null {
    if (this.left <= 0 || puts.length === 0) return null;
    this.left--;
    const next = changed(job, put('Try', ...puts));
    const plan = planJob(next, this.before.plan);
    if (harms(plan, this.before.plan)) return null;
    const tried = { job: next, plan, cost: laidCost(plan) };
    return isBetter(tried, this.before) ? tried : null;
  }

  /** Where a search may start, each with every run of the sizes that it came to, its pitch set only where the flow needs it. */
  private *starts(): Iterable<readonly Element[]> {
    const { job, plan } = this.before;
    const { settings } = plan;
    for (const clean of [true, false]) {
      const input = searchInput(job, plan, clean);
      const best = sizeNetwork(input);
      if (!best) continue;
      for (const found of [best, ...(input.tree.runs.length <= SMALL ? runnersUp(input, best, OTHERS) : [])]) {
        const sized = (withPitch: boolean): Run[] =>
          input.tree.runs.map((run, index): Run => {
            // Old pipe is taken where it lies.
            if (run.old) return run;
            const nominal = found.sizes[index]!;
            const pitch = pitchNeeded(run, nominal, plan, clean);
            const steep = withPitch && pitch > leastPitchOf({ material: run.material, nominal }, settings);
            return { ...resized(run, nominal), grade: steep ? { type: 'pitch', pitch } : { type: 'auto' } };
          });
        yield sized(false);
        yield sized(true);
      }
    }
  }

  /** Every choice worth showing, best first. */
  found(): Tried[] {
    const { job, plan } = this.before;
    const grates = this.try(job, suitedGrates(job, plan));
    const from = grates ?? this.before;
    const found = [from];
    for (const start of this.starts()) {
      const tried = this.try(from.job, start);
      if (tried) found.push(tried);
    }
    found.sort((a, b) => (isBetter(a, b) ? -1 : isBetter(b, a) ? 1 : 0));
    const best = this.improved(found[0]!);
    const sizesOf = ({ job: each }: Tried): string =>
      ofKind(each, 'run')
        .map(({ nominal }) => nominal)
        .join();
    const seen = new Set([sizesOf(best)]);
    const others = found.filter((each) => {
      if (each === this.before || seen.has(sizesOf(each)) || wants(each).join() !== wants(best).join()) return false;
      seen.add(sizesOf(each));
      return true;
    });
    return [best, ...others.slice(0, OTHERS)];
  }

  /** Each run in the next size down or up, and left to find its own pitch, for as long as something is gained. */
  private improved(start: Tried): Tried {
    let best = start;
    for (let gained = true; gained && this.left > 0;) {
      gained = false;
      for (const { id } of layOut(best.job).tree.runs) {
        for (const run of neighbours(best.job.elements.get(id) as Run)) {
          const tried = this.try(best.job, [run]);
          if (!tried || !isBetter(tried, best)) continue;
          best = tried;
          gained = true;
        }
      }
    }
    return best;
  }
}

/** How many other choices are worth showing; and the most runs of a job whose runners-up are searched too. */
const OTHERS = 3;
const SMALL = 30;

function neighbours(run: Run): Run[] {
  if (run.old) return [];
  const at = NOMINAL_SIZES.findIndex((nominal) => nominal >= run.nominal - 1e-9);
  const sizes = [NOMINAL_SIZES[at - 1], NOMINAL_SIZES[at + 1]].filter((size): size is number => size !== undefined);
  return [
    ...sizes.map((nominal) => resized(run, nominal)),
    ...(run.grade.type === 'auto' ? [] : [{ ...run, grade: { type: 'auto' as const } }]),
  ];
}

/** From a job to one of its sized forms. */
function sizedJob(job: Job, { job: sized, cost }: Tried, tree: Tree): SizedJob {
  const puts = [...ofKind(sized, 'run'), ...ofKind(sized, 'basin')].filter(
    (element) => job.elements.get(element.id) !== element,
  );
  return {
    change: { label: 'Size the whole job', puts, removes: [] },
    cost,
    replaces: puts.flatMap((put) => {
      const was = job.elements.get(put.id);
      if (was?.kind !== 'run' || put.kind !== 'run' || was.grade.type === 'auto') return [];
      return JSON.stringify(was.grade) === JSON.stringify(put.grade) ? [] : [put.id];
    }),
    sizes: Object.fromEntries(tree.runs.map(({ id }) => [id, (sized.elements.get(id) as Run).nominal])),
  };
}

/**
 * The least-cost sizes and pitches of a job, with runners-up; null where no sizes on offer carry all of its water to every way out. Never
 * dearer than the job as it is, unless that has a snag which the sizes cure.
 */
export function sizeJob(given: Job, plan: Plan): JobSizing | null {
  const job = situated(given, plan);
  const { tree } = layOut(job);
  if (tree.runs.length === 0) return null;
  // Planned once as it is tried: what runs over its ground is not worked out for each try again, which was half of the time of 40 inlets.
  const [best, ...others] = new Sizing(job, planJob(job, plan)).found();
  if (best!.plan.snags.some(({ code }) => OF_SIZE.has(code))) return null;
  return { best: sizedJob(job, best!, tree), others: others.map((each) => sizedJob(job, each, tree)) };
}
