/** Plans jobs off the page's path. It remembers the last states of a job, so that only what changed is sent to it. */
import {
  Elements,
  type Change,
  type Difference,
  type Element,
  type Job,
  type JobSizing,
  type Fix,
  type LowSpotPlans,
  type Place,
  type Plan,
  type Snag,
} from '@katabasis/core';
import { expose } from 'comlink';
import * as planning from './planning';
import type { Answered, Asked, YardQuestion } from './yardAnswers';

/** A state of a job: by what changed since one that was sent before, or whole. */
export interface SentJob {
  token: number;
  id: string;
  /** Token of the state that `puts` and `removes` change; null when `puts` is all there is. */
  base: number | null;
  puts: readonly Element[];
  removes: readonly string[];
}

/** States remembered: the job as made, and under the finger. */
const REMEMBERED = 4;
const states = new Map<number, Job>();
const asked = new Map<number, AbortController>();

function jobOf({ token, id, base, puts, removes }: SentJob): Job {
  const known = states.get(token);
  if (known) return known;
  const before = base === null ? undefined : states.get(base);
  if (base !== null && !before) throw new Error('unknown base');
  const job: Job = { id, elements: before ? before.elements.with(puts, removes) : Elements.of(puts) };
  states.set(token, job);
  if (states.size > REMEMBERED) states.delete(states.keys().next().value!);
  return job;
}

/** Runs a task that can be called off by its number. */
async function task<T>(ask: number, work: (signal: AbortSignal) => Promise<T>): Promise<T> {
  const control = new AbortController();
  asked.set(ask, control);
  try {
    return await work(control.signal);
  } finally {
    asked.delete(ask);
  }
}

const worker = {
  plan: (sent: SentJob): Plan => planning.plan(jobOf(sent)),
  planWith: (sent: SentJob, change: Change, ask: number): Promise<Plan> =>
    task(ask, (signal) => planning.planWith(jobOf(sent), change, signal)),
  tryChange: (sent: SentJob, change: Change, ask: number): Promise<planning.Tried> =>
    task(ask, (signal) => planning.tryChange(jobOf(sent), change, signal)),
  differences: (
    sent: SentJob,
    changes: readonly Change[],
    ask: number,
    onEach: (difference: Difference) => void,
  ): Promise<void> => task(ask, (signal) => planning.differences(jobOf(sent), changes, signal, onEach)),
  lowSpots: (sent: SentJob, places: readonly Place[], ask: number): Promise<LowSpotPlans> =>
    task(ask, (signal) => planning.lowSpots(jobOf(sent), places, signal)),
  fix: (sent: SentJob, snag: Snag, ask: number, unseen: boolean): Promise<Fix | null> =>
    task(ask, (signal) => planning.fix(jobOf(sent), snag, signal, unseen)),
  size: (sent: SentJob, ask: number): Promise<JobSizing | null> =>
    task(ask, (signal) => planning.size(jobOf(sent), signal)),
  yard: <Q extends YardQuestion>(
    sent: SentJob,
    question: Q,
    about: Asked<Q>,
    ask: number,
    onStep: (step: number) => void,
  ): Promise<Answered<Q>> => task(ask, (signal) => planning.yard(jobOf(sent), question, about, signal, onStep)),
  callOff: (ask: number): void => asked.get(ask)?.abort(),
};
export type PlanWorker = typeof worker;

expose(worker);
