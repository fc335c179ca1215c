/** How each clearance stands on a day, and whether the dig may begin. */
import type { Change } from '../job/change';
import { put } from '../job/change';
import { defined } from '../job/edits/defined';
import { freshId } from '../job/ids';
import { headOf, ofKind, type Job } from '../job/job';
import type { Clearance } from '../job/kinds';
import { unmarked, type Need } from './needs';
import { calendarOf, plusDays, plusWorkingDays } from './workingDays';

/** `early`: granted, but not from this day yet. `unmarked`: the office says that all is marked, and a service on the plan is not. */
export type Standing = 'open' | 'asked' | 'early' | 'unmarked' | 'clear' | 'expired' | 'refused' | 'notNeeded';

export interface NeedStanding {
  need: Need;
  clearance: Clearance | null;
  standing: Standing;
  /** Whether the dig waits for it. */
  blocks: boolean;
}

function standingOf(job: Job, need: Need, clearance: Clearance | null, today: string): Standing {
  if (clearance === null) return 'open';
  const { state, readyOn, expiresOn } = clearance;
  if (state === 'refused' || state === 'notNeeded') return state;
  if (expiresOn !== undefined && expiresOn < today) return 'expired';
  if (state === 'asked') return 'asked';
  if (readyOn !== undefined && readyOn > today) return 'early';
  return need.kind === 'locate' && unmarked(job).length > 0 ? 'unmarked' : 'clear';
}

/** Every need with how it stands on a day (2026-11-26). What is only worth a question never holds the dig up, unless it was refused. */
export function standings(job: Job, needs: readonly Need[], today: string): NeedStanding[] {
  const kept = new Map(ofKind(job, 'clearance').map((clearance) => [clearance.of, clearance]));
  return needs.map((need) => {
    const clearance = kept.get(need.key) ?? null;
    const standing = standingOf(job, need, clearance, today);
    // A locate is for everybody: nobody declares it needless.
    const through = standing === 'clear' || (standing === 'notNeeded' && need.kind !== 'locate');
    return { need, clearance, standing, blocks: need.must ? !through : standing === 'refused' };
  });
}

/** What is told of a clearance, put into the job; a new one where there was none. An office's own days are worked out where none are told. */
export function clearing(job: Job, need: Need, next: Partial<Omit<Clearance, 'id' | 'kind' | 'of'>>): Change {
  const known = ofKind(job, 'clearance').find(({ of }) => of === need.key);
  const fresh = { id: freshId('clearance'), kind: 'clearance' as const, of: need.key, state: 'asked' as const };
  return put('Say how a clearance stands', defined({ ...fresh, ...known, ...next } as Clearance));
}

/** Days of a locate that is asked for on a day: when its marks are due, and the last day that they stand. */
export function locateDays(job: Job, askedOn: string): { readyOn: string; expiresOn: string } {
  const calendar = calendarOf(job);
  const readyOn = plusWorkingDays(askedOn, calendar.locateDays, calendar);
  return { readyOn, expiresOn: plusDays(readyOn, calendar.locateLasts) };
}

export type Marked = { ok: true; change: Change } | { ok: false; waitsFor: readonly NeedStanding[] };

/** The change that marks the dig as ready; what it waits for where it may not be. */
export function markReady(job: Job, needs: readonly Need[], today: string): Marked {
  const waitsFor = standings(job, needs, today).filter(({ blocks }) => blocks);
  if (waitsFor.length > 0) return { ok: false, waitsFor };
  return { ok: true, change: put('Ready to dig', { ...headOf(job), clearedOn: today }) };
}
