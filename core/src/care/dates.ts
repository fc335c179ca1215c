/** On which days care is due: by its months or its days, from what was done last, and sooner or later by what was found. */
import { daysBetween, plusDays } from '../clearances/workingDays';
import { elementOf, ofKind, type Job } from '../job/job';
import type { Plan } from '../verdict/planJob';
import { careOf } from './care';
import { keepingOf } from './season';
import type { CareTask } from './task';

/** Care by months falls on this day of each. */
const DAY_OF_MONTH = 15;
/** A sump is emptied when it is half full; no sooner than so many days after the last time, and no later. */
const HALF = 0.5;
const SOONEST = 30;
const LATEST = 730;

export interface Due {
  task: CareTask;
  /** The day on which it is due next; it may be past. */
  on: string;
  /** When it was last done; null where it never was. */
  last: string | null;
  /** Why not on its usual day. */
  because: string | null;
}

/** Days of a task after one day and up to another, both as 2026-11-26. */
export function daysOf({ when }: Pick<CareTask, 'when'>, after: string, until: string): string[] {
  if (when.type === 'once') return when.on > after && when.on <= until ? [when.on] : [];
  if (when.type === 'every') {
    const first = Math.max(0, Math.floor(daysBetween(when.from, after) / when.days) + 1);
    const found: string[] = [];
    for (let k = first; ; k++) {
      const day = plusDays(when.from, k * when.days);
      if (day > until) return found;
      if (day > after) found.push(day);
    }
  }
  const found: string[] = [];
  for (let year = Number(after.slice(0, 4)); year <= Number(until.slice(0, 4)); year++)
    for (const month of when.months) {
      const day = `${year}-${String(month).padStart(2, '0')}-${DAY_OF_MONTH}`;
      if (day > after && day <= until) found.push(day);
    }
  return found.sort();
}

/** Grit scooped out of a sump on a day, m³. */
interface Scooped {
  on: string;
  grit: number;
}

/** What was taken out of each sump, first to last. */
function scoopedBySump(job: Job): Map<string, Scooped[]> {
  const found = new Map<string, Scooped[]>();
  const visits = ofKind(job, 'visit').toSorted((a, b) => (a.at < b.at ? -1 : 1));
  for (const { at, test } of visits)
    if (test.type === 'clean')
      for (const { at: id, grit } of test.sumps)
        found.set(id, [...(found.get(id) ?? []), { on: at.slice(0, 10), grit }]);
  return found;
}

/**
 * The day on which a sump will be half full, at the pace of its last filling; null where nobody knows that pace. Two cleanings tell it, or
 * one and the day on which it was laid.
 */
export function halfFullOn(sump: number, laidOn: string | undefined, scooped: readonly Scooped[]): string | null {
  const last = scooped.at(-1);
  const before = scooped.at(-2)?.on ?? laidOn;
  if (!last || before === undefined || before >= last.on || last.grit <= 0) return null;
  const perDay = last.grit / daysBetween(before, last.on);
  const days = Math.round((HALF * sump) / perDay);
  return plusDays(last.on, Math.min(LATEST, Math.max(SOONEST, days)));
}

/** The sump that is half full first, and when; null where nobody knows of any. */
function firstHalfFull(job: Job, plan: Plan): { on: string; id: string } | null {
  const { laidOn } = keepingOf(job);
  let first: { on: string; id: string } | null = null;
  for (const [id, scooped] of scoopedBySump(job)) {
    const inlet = plan.inlets[id];
    const on = inlet?.kind === 'basin' && inlet.sump ? halfFullOn(inlet.sump, laidOn, scooped) : null;
    if (on !== null && (first === null || on < first.on)) first = { on, id };
  }
  return first;
}

/** When each task was done last: as it was ticked off, or as a visit shows. */
function lastDone(job: Job): Map<string, string> {
  const last = new Map<string, string>();
  const did = (care: string, on: string): void => {
    if (on > (last.get(care) ?? '')) last.set(care, on);
  };
  for (const { care, on } of keepingOf(job).done ?? []) did(care, on);
  for (const { at, test } of ofKind(job, 'visit')) {
    const on = at.slice(0, 10);
    if (test.type === 'clean') did('sumps', on);
    if (test.type === 'rain') did('firstRain', on);
    if (test.type === 'drainDown') did('stores', on);
  }
  return last;
}

/** Everything that is due, the soonest first. `today`: from when on it counts where nobody knows when it was laid. */
export function duesOf(job: Job, plan: Plan, today: string): Due[] {
  const { laidOn = today } = keepingOf(job);
  const done = lastDone(job);
  const half = firstHalfFull(job, plan);
  const dues = careOf(job, plan).flatMap((task): Due[] => {
    const last = done.get(task.key) ?? null;
    if (task.key === 'sumps' && half) {
      const name = elementOf(job, 'basin', half.id)?.name ?? half.id;
      return [
        { task, on: half.on, last, because: `${name} is half full by then, at the pace at which it last filled.` },
      ];
    }
    if (task.when.type === 'once') return last === null ? [{ task, on: task.when.on, last, because: null }] : [];
    const [on] = daysOf(task, last ?? laidOn, plusDays(last ?? laidOn, 800));
    return on === undefined ? [] : [{ task, on, last, because: null }];
  });
  return dues.sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));
}
