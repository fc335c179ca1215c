/** An old system planned in every way that it may lie: how often it holds, and what is told where it does not. */
import { changed } from '../job/change';
import { elementOf, type Job } from '../job/job';
import { dice } from '../numeric/dice';
import { isFine } from '../verdict/isFine';
import { planJob } from '../verdict/planJob';
import { unknownsOf, type Unknown } from './unknowns';

/** One way that it may lie: which value each unknown has, how likely, and whether the job holds then. */
export interface World {
  picks: readonly number[];
  weight: number;
  holds: boolean;
}

export interface Worlds {
  unknowns: readonly Unknown[];
  worlds: readonly World[];
  /** Whether these are all ways that there are; else they are drawn by their chances. */
  all: boolean;
  /** How likely it holds, 0–1. */
  holds: number;
  /** The sentence that is told most often where it does not hold, with how likely it is; null where it always does. */
  worst: { sentence: string; chance: number } | null;
}

/** Ways that are all gone through; of more, so many are drawn. */
const ALL = 108;
const DRAWN = 96;
const SEED = 20_611;

/** Every combination, with its chance. */
function* every(unknowns: readonly Unknown[]): Generator<{ picks: number[]; weight: number }> {
  const picks = unknowns.map(() => 0);
  for (;;) {
    yield { picks: [...picks], weight: picks.reduce((so, pick, k) => so * unknowns[k]!.values[pick]!.chance, 1) };
    let k = picks.length - 1;
    while (k >= 0 && ++picks[k]! === unknowns[k]!.values.length) picks[k--] = 0;
    if (k < 0) return;
  }
}

/** Combinations drawn by their chances, the same ones every time. */
function* drawn(unknowns: readonly Unknown[]): Generator<{ picks: number[]; weight: number }> {
  const roll = dice(SEED);
  for (let n = 0; n < DRAWN; n++) {
    const picks = unknowns.map(({ values }) => {
      let left = roll();
      const pick = values.findIndex(({ chance }) => (left -= chance) < 0);
      return pick < 0 ? values.length - 1 : pick;
    });
    yield { picks, weight: 1 / DRAWN };
  }
}

/** The job as it lies in one of its ways; null where a pipe is broken, and no plan says anything of it. */
export function jobIn(job: Job, unknowns: readonly Unknown[], picks: readonly number[]): Job | null {
  const runs = new Map<string, NonNullable<ReturnType<typeof elementOf<'run'>>>>();
  for (const [k, { run: id, values }] of unknowns.entries()) {
    const value = values[picks[k]!]!;
    if (value.broken) return null;
    runs.set(id, value.set(runs.get(id) ?? elementOf(job, 'run', id)!));
  }
  return { id: job.id, elements: changed(job, { puts: [...runs.values()], removes: [] }).elements };
}

const BROKEN = 'A pipe is broken: nobody can count on it.';

/**
 * Plans a job in the ways that its old pipes may lie, and tells after each how many there are. Where nothing is unknown there is one way.
 * Costs a plan a way: for a worker.
 */
export function* worldsOf(job: Job): Generator<{ done: number; of: number }, Worlds> {
  const unknowns = unknownsOf(job);
  const ways = unknowns.reduce((so, { values }) => so * values.length, 1);
  const all = ways <= ALL;
  const of = all ? ways : DRAWN;
  const worlds: World[] = [];
  const told = new Map<string, number>();
  for (const { picks, weight } of all ? every(unknowns) : drawn(unknowns)) {
    const own = jobIn(job, unknowns, picks);
    const plan = own && planJob(own);
    const holds = plan !== null && isFine(plan);
    worlds.push({ picks, weight, holds });
    if (!holds) {
      const sentence = plan ? plan.verdict.sentence : BROKEN;
      told.set(sentence, (told.get(sentence) ?? 0) + weight);
    }
    yield { done: worlds.length, of };
  }
  const holds = worlds.reduce((sum, world) => sum + (world.holds ? world.weight : 0), 0);
  const [worst] = [...told].sort((a, b) => b[1] - a[1]);
  return { unknowns, worlds, all, holds, worst: worst ? { sentence: worst[0], chance: worst[1] } : null };
}
