/** Steps laid out over working days, round marks that are not there yet, wet days, frost, and what was settled by hand. */
import { calendarOf, isWorked, plusDays, workedFrom } from '../clearances/workingDays';
import type { NeedStanding } from '../clearances/standing';
import { headOf, type Job } from '../job/job';
import { FROST, FROST_FREE, WET } from '../catalogue/paces';
import type { WorkStep } from './steps';

export interface Weather {
  day: string;
  /** mm, and the lowest of the night, °C. */
  rain: number;
  low: number;
}

/** Why a step begins no sooner than it does, other than for what comes before it. */
export type Held = 'marks' | 'wet' | 'frost' | 'hand' | 'concrete';

export interface Scheduled {
  step: WorkStep;
  /** Hours of each day, in turn; never none. */
  days: readonly { day: string; hours: number }[];
  held: readonly Held[];
  /** Day until which no wheels pass over its concrete. */
  curesUntil: string | null;
  /** It digs after the marks have run out, or they are not asked for yet. */
  marksGone: boolean;
}

export interface Schedule {
  steps: readonly Scheduled[];
  /** What is done already, and when; nothing waits for it any more. */
  done: readonly { step: WorkStep; day: string }[];
  /** Keys of steps that found no day within a year. */
  never: readonly string[];
  first: string | null;
  last: string | null;
}

/** Days that are looked through for one step. */
const HORIZON = 400;

/** Lays steps out from a job's own first day, or from today where that is past or not said. One crew: one step after another, days shared. */
export function scheduleOf(
  job: Job,
  steps: readonly WorkStep[],
  stands: readonly NeedStanding[],
  forecast: readonly Weather[],
  today: string,
): Schedule {
  const calendar = calendarOf(job);
  const weather = new Map(forecast.map((each) => [each.day, each]));
  const locate = stands.find(({ need }) => need.kind === 'locate');
  const { readyOn: marksFrom, expiresOn: marksTo, state } = locate?.clearance ?? {};
  // Granted without a day they are there; asked for, they are expected on theirs.
  const marked = state === 'granted' || (state === 'asked' && marksFrom !== undefined);
  const { startsOn = today } = headOf(job);
  const begin = startsOn > today ? startsOn : today;
  const used = new Map<string, number>();
  const ends = new Map<string, string>();
  /** When concrete that others wait for is hard. */
  const hard = new Map<string, string>();
  const scheduled: Scheduled[] = [];
  const never: string[] = [];
  const done: { step: WorkStep; day: string }[] = [];
  const spoils = (day: string, { digs, grows }: WorkStep): Held | null => {
    if (digs && marksFrom !== undefined && day < marksFrom) return 'marks';
    if (digs && (weather.get(day)?.rain ?? 0) >= WET) return 'wet';
    const nights = Array.from({ length: FROST_FREE + 1 }, (_, k) => weather.get(plusDays(day, k)));
    return grows && nights.some((each) => each !== undefined && each.low < FROST) ? 'frost' : null;
  };
  for (const step of steps) {
    const doneOn = step.settled?.doneOn;
    if (doneOn === undefined) continue;
    done.push({ step, day: doneOn });
    used.set(doneOn, (used.get(doneOn) ?? 0) + step.hours);
  }
  for (const step of steps) {
    if (step.settled?.doneOn !== undefined) continue;
    const before = step.after.flatMap((key) => ends.get(key) ?? []);
    const latest = (all: readonly string[]): string => all.reduce((most, day) => (day > most ? day : most), begin);
    // Water may run through while concrete hardens; nothing is rammed beside it.
    const waits = step.kind !== 'test' && step.kind !== 'inspect';
    const soonest = latest([...before, ...step.after.flatMap((key) => (waits ? (hard.get(key) ?? []) : []))]);
    const pinned = step.settled?.day;
    const byHand = pinned !== undefined && pinned > soonest;
    const held = new Set<Held>(byHand ? ['hand'] : soonest > latest(before) ? ['concrete'] : []);
    let at = workedFrom(byHand ? pinned : soonest, calendar);
    let left = step.hours;
    const days: { day: string; hours: number }[] = [];
    for (let k = 0; k < HORIZON && left > 1e-9; k++, at = workedFrom(plusDays(at, 1), calendar)) {
      const why = spoils(at, step);
      if (why !== null) {
        held.add(why);
        continue;
      }
      const room = calendar.hours - (used.get(at) ?? 0);
      const hours = Math.min(room, left);
      if (hours <= 1e-9 || !isWorked(at, calendar)) continue;
      days.push({ day: at, hours });
      used.set(at, (used.get(at) ?? 0) + hours);
      left -= hours;
    }
    if (left > 1e-9 || days.length === 0) {
      never.push(step.key);
      continue;
    }
    const last = days.at(-1)!.day;
    ends.set(step.key, last);
    if (step.cures && step.cures.work > 0) hard.set(step.key, plusDays(last, step.cures.work + 1));
    const marksGone = step.digs && (!marked || (marksTo !== undefined && last > marksTo));
    const curesUntil = step.cures ? plusDays(last, step.cures.wheels) : null;
    scheduled.push({ step, days, held: [...held], curesUntil, marksGone });
  }
  const all = scheduled.flatMap(({ days }) => days.map(({ day }) => day)).sort();
  return { steps: scheduled, done, never, first: all[0] ?? null, last: all.at(-1) ?? null };
}
