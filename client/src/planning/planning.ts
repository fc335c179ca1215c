/** What plans a job, wherever it is done: on the page or in its worker. Nothing else in the client calls the core's planner. */
import {
  changed,
  differenceOf,
  lowSpotPlans,
  planJob,
  searchFix,
  sizeJob,
  standingOf,
  unrounded,
  type Change,
  type Difference,
  type Fix,
  type Job,
  type JobSizing,
  type LowSpotPlans,
  type Place,
  type Plan,
  type Snag,
} from '@katabasis/core';
import { inTurn } from './inTurn';
import { plans } from './plans';
import { answerOf, GROUND_STEPS, type Answered, type Asked, type YardQuestion } from './yardAnswers';

/** Most that a search waits for an idle moment, ms. */
const PATIENCE_MS = 100;

/** Lets whatever else is waiting go first; a search goes on after it, unless it was called off. */
const breath = (): Promise<void> =>
  new Promise((done) => {
    if (typeof requestIdleCallback === 'undefined') setTimeout(done, 0);
    else requestIdleCallback(() => done(), { timeout: PATIENCE_MS });
  });

export class CalledOff extends Error {}

/** Stops work that nobody waits for any more. */
function unless(signal: AbortSignal): void {
  if (signal.aborted) throw new CalledOff();
}

export const plan = (job: Job): Plan => plans.of(job);

/** The plan of a job with a change, on its own turn. */
export async function planWith(job: Job, change: Change, signal: AbortSignal): Promise<Plan> {
  await breath();
  unless(signal);
  return planJob(changed(job, change), plans.of(job));
}

export interface Tried {
  plan: Plan;
  /** What it would be asked for, before rounding, least units. */
  asked: number;
  /** The same where what is left of sticks and rolls is kept for the next job. */
  askedKept: number;
}

/** The plan of a job with a change, and what that would cost. */
export async function tryChange(job: Job, change: Change, signal: AbortSignal): Promise<Tried> {
  await breath();
  unless(signal);
  const then = changed(job, change);
  const planned = planJob(then, plans.of(job));
  return { plan: planned, ...unrounded(then, planned) };
}

/** What each of several changes would make of a job, told one after another as it is known. */
export async function differences(
  job: Job,
  changes: readonly Change[],
  signal: AbortSignal,
  onEach: (difference: Difference) => void,
): Promise<void> {
  await breath();
  unless(signal);
  const now = standingOf(job, plans.of(job));
  for (const change of changes) {
    await breath();
    unless(signal);
    const then = changed(job, change);
    onEach(differenceOf(now, standingOf(then, planJob(then, plans.of(job)))));
  }
}

/** A basin in each of several low spots, each on its own line and joined, as two plans. */
export async function lowSpots(job: Job, places: readonly Place[], signal: AbortSignal): Promise<LowSpotPlans> {
  await breath();
  unless(signal);
  return lowSpotPlans(job, places);
}

/**
 * Looks for the change that mends a snag; null when only a person on site can mend it. One is sought at a time: those that somebody sees
 * before those that nobody does, and of either in the order in which they were asked for.
 */
export const fix = (job: Job, snag: Snag, signal: AbortSignal, unseen: boolean): Promise<Fix | null> =>
  inTurn(() => search(job, snag, signal), unseen);

/** One candidate a turn. */
async function search(job: Job, snag: Snag, signal: AbortSignal): Promise<Fix | null> {
  await breath();
  unless(signal);
  const candidates = searchFix(job, plans.of(job), snag);
  for (let step = candidates.next(); ; step = candidates.next()) {
    if (step.done) return step.value;
    await breath();
    unless(signal);
  }
}

export async function size(job: Job, signal: AbortSignal): Promise<JobSizing | null> {
  await breath();
  unless(signal);
  return sizeJob(job, plans.of(job));
}

/** An answer about the ground, step by step: each of them can be called off before it begins. */
export async function yard<Q extends YardQuestion>(
  job: Job,
  question: Q,
  about: Asked<Q>,
  signal: AbortSignal,
  onStep: (step: number) => void,
): Promise<Answered<Q>> {
  const here = plans.questioned(job);
  const steps = [...GROUND_STEPS, () => undefined];
  for (const [k, step] of steps.entries()) {
    onStep(k);
    await breath();
    unless(signal);
    step(here);
  }
  return answerOf(here, question, about);
}
