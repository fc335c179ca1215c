/**
 * The client's way to a plan. A job of a usual yard is planned on the page, within a frame; a larger one is planned in a worker, and all
 * that is tried and sought for any job, so that no finger waits for it. What is asked for can be called off. Where no worker can be
 * had, as when its script is out of reach, the page does all of it.
 */
import {
  changed,
  madeElsewhere,
  type Change,
  type Difference,
  type Element,
  type Fix,
  type Job,
  type JobSizing,
  type LowSpotPlans,
  type Place,
  type Plan,
  type Snag,
} from '@katabasis/core';
import { proxy, wrap, type Remote } from 'comlink';
import type { PlanWorker, SentJob } from './plan.worker';
import * as planning from './planning';
import { plans } from './plans';
import type { Tried } from './planning';
import { answerOf, type Answered, type Asked, type YardQuestion } from './yardAnswers';

/** A plan of as many runs takes about 10 ms on a phone four times slower than the machine that the bench was made on. */
const MAX_RUNS_HERE = 200;

/** Levels of as many places are ground within as much again: some 25 ms there, most of it water over the grid. */
const MAX_LEVELS_HERE = 400;

let hasWorker = typeof Worker !== 'undefined';

/** Whether a job is planned on the page, at once. */
export const isPlannedHere = ({ elements }: Job): boolean =>
  !hasWorker ||
  (elements.ofKind('run').length <= MAX_RUNS_HERE &&
    elements.ofKind('spotLevel').length +
      elements.ofKind('breakline').reduce((sum, { levels }) => sum + (levels?.length ?? 0), 0) <=
      MAX_LEVELS_HERE);

/** The plan of a job, at once; for a large one, only where nothing else is under way. */
export const planHere = (job: Job): Plan => planning.plan(job);

interface Started {
  remote: Remote<PlanWorker>;
  /** Fails when the worker does. */
  failed: Promise<never>;
}

function startWorker(): Started {
  const worker = new Worker(new URL('./plan.worker', window.location.href));
  const failed = new Promise<never>((_, fail) => {
    worker.addEventListener('error', () => {
      hasWorker = false;
      fail(new Error('The planning worker cannot be had.'));
    });
  });
  failed.catch(() => undefined);
  return { remote: wrap<PlanWorker>(worker), failed };
}

let started: Started | null = null;
const theWorker = (): Started => (started ??= startWorker());

let sent: { token: number; job: Job } | null = null;
let count = 0;

/**
 * What changed since a state that the worker has; nothing where it is told whole. Most edits leave the order as it was: elements are
 * compared place by place, and only where they differ by more is anything looked up.
 */
export function changesSince(before: Job, after: Job, base: number): Pick<SentJob, 'base' | 'puts' | 'removes'> | null {
  const [old, now] = [before.elements.all, after.elements.all];
  const puts: Element[] = now.filter((element, k) => old[k] !== element);
  const anchored = old.length === now.length && now.every((element, k) => old[k]!.id === element.id);
  if (anchored) return { base, puts, removes: [] };
  const fresh = now.filter((element) => before.elements.get(element.id) !== element);
  const removes = old.filter(({ id }) => !after.elements.has(id)).map(({ id }) => id);
  const same = before.elements.with(fresh, removes).all.every((element, k) => element === now[k]);
  return same ? { base, puts: fresh, removes } : null;
}

/** A job as the worker is told of it: what changed since the last one sent, or whole. */
function sending(job: Job): SentJob {
  const last = sent;
  if (last?.job === job) return { token: last.token, id: job.id, base: last.token, puts: [], removes: [] };
  const token = ++count;
  sent = { token, job };
  const whole = { token, id: job.id, base: null, puts: job.elements.all, removes: [] };
  if (!last || last.job.id !== job.id) return whole;
  return { ...whole, ...changesSince(last.job, job, last.token) };
}

/** Asks the worker, and calls the asking off there when the signal does; the page where the worker fails. */
async function away<T>(
  signal: AbortSignal | null,
  ask: (worker: Remote<PlanWorker>, id: number) => Promise<T>,
  here: () => Promise<T>,
): Promise<T> {
  if (!hasWorker) return here();
  const { remote, failed } = theWorker();
  const id = ++count;
  const callOff = (): void => void remote.callOff(id);
  signal?.addEventListener('abort', callOff);
  try {
    return await Promise.race([ask(remote, id), failed]);
  } catch (error) {
    if (signal?.aborted) throw error;
    // Whatever it knew, the next job is told to it whole.
    sent = null;
    return await here();
  } finally {
    signal?.removeEventListener('abort', callOff);
  }
}

const bare = <T>(record: Readonly<Record<string, T>>): Record<string, T> =>
  Object.assign(Object.create(null) as Record<string, T>, record);

/** A plan as it came from the worker: on the way its records by id were given prototypes, on which an id would find what nobody put in. */
export function received(plan: Plan, job: Job): Plan {
  const { landings, runs, inlets, standing, works, rarerWorks, openings } = plan;
  const whole = {
    ...plan,
    landings: bare(landings),
    runs: bare(runs),
    inlets: bare(inlets),
    standing: bare(standing),
    works: bare(works),
    rarerWorks: rarerWorks && bare(rarerWorks),
    openings: openings && { ...openings, freeboards: bare(openings.freeboards), spills: bare(openings.spills) },
  };
  return madeElsewhere(whole, job);
}

/** The plan of a large job, from the worker. */
export const planAway = (job: Job): Promise<Plan> =>
  away(
    null,
    async (worker) => received(await worker.plan(sending(job)), job),
    () => Promise.resolve(planHere(job)),
  );

/** The plan of a job with a change that is not made. */
export const planWith = (job: Job, change: Change, signal: AbortSignal): Promise<Plan> => {
  const here = (): Promise<Plan> => planning.planWith(job, change, signal);
  return away(
    signal,
    async (worker, id) => received(await worker.planWith(sending(job), change, id), changed(job, change)),
    here,
  );
};

/** The plan of a job with a change that is not made, and what that would cost. */
export const tryChange = (job: Job, change: Change, signal: AbortSignal): Promise<Tried> => {
  const here = (): Promise<Tried> => planning.tryChange(job, change, signal);
  const there = async (worker: Remote<PlanWorker>, id: number): Promise<Tried> => {
    const { plan, ...money } = await worker.tryChange(sending(job), change, id);
    return { plan: received(plan, changed(job, change)), ...money };
  };
  return away(signal, there, here);
};

/** What each of several changes that are not made would make of a job, told one after another. */
export const findDifferences = (
  job: Job,
  changes: readonly Change[],
  signal: AbortSignal,
  onEach: (difference: Difference) => void,
): Promise<void> =>
  away(
    signal,
    (worker, id) => worker.differences(sending(job), changes, id, proxy(onEach)),
    () => planning.differences(job, changes, signal, onEach),
  );

/** A basin in each of several low spots, each on its own line and joined, as two plans of which one stands in the job. */
export const findLowSpots = (job: Job, places: readonly Place[], signal: AbortSignal): Promise<LowSpotPlans> =>
  away(
    signal,
    (worker, id) => worker.lowSpots(sending(job), places, id),
    () => planning.lowSpots(job, places, signal),
  );

/** The change that mends a snag; null when only a person on site can. What is `unseen` is sought after all others. */
export const findFix = (job: Job, snag: Snag, signal: AbortSignal, unseen: boolean): Promise<Fix | null> => {
  const here = (): Promise<Fix | null> => planning.fix(job, snag, signal, unseen);
  return away(signal, (worker, id) => worker.fix(sending(job), snag, id, unseen), here);
};

/** Least-cost sizes of a whole job, with the next best; null where none on offer reach every way out. */
export const findSizes = (job: Job, signal: AbortSignal): Promise<JobSizing | null> =>
  away(
    signal,
    (worker, id) => worker.size(sending(job), id),
    () => planning.size(job, signal),
  );

/** An answer about a job's ground, at once. */
export const yardHere = <Q extends YardQuestion>(job: Job, question: Q, about: Asked<Q>): Answered<Q> =>
  answerOf(plans.questioned(job), question, about);

/** The same from the worker, told step by step. */
export const askYard = <Q extends YardQuestion>(
  job: Job,
  question: Q,
  about: Asked<Q>,
  signal: AbortSignal,
  onStep: (step: number) => void,
): Promise<Answered<Q>> =>
  away(
    signal,
    async (worker, id) =>
      (await worker.yard(sending(job), question, about as never, id, proxy(onStep))) as unknown as Answered<Q>,
    () => planning.yard(job, question, about, signal, onStep),
  );
