/** Days of the calendar as they are written, 2026-11-26, and which of them are worked on. No clock: today is always told. */
import { addDays, differenceInCalendarDays, formatISO, isWeekend, parseISO } from 'date-fns';
import { crewOf, type Crew } from '../job/crew';
import { headOf, type Job } from '../job/job';

export interface Calendar extends Crew {
  holidays: ReadonlySet<string>;
  /** Working days from a locate request to its marks, and days that those stand. */
  locateDays: number;
  locateLasts: number;
}

const USUAL = { locateDays: 3, locateLasts: 21 };

/** A job's calendar, the usual one where it says nothing. */
export function calendarOf(job: Job): Calendar {
  const { holidays = [], ...own } = headOf(job).calendar ?? {};
  return { ...USUAL, ...own, ...crewOf(job), holidays: new Set(holidays) };
}

const written = (date: Date): string => formatISO(date, { representation: 'date' });

export const plusDays = (day: string, days: number): string => written(addDays(parseISO(day), days));

/** Days from one to another; less than 0 where the other comes before it. */
export const daysBetween = (from: string, to: string): number => differenceInCalendarDays(parseISO(to), parseISO(from));

export const isWorked = (day: string, { holidays }: Pick<Calendar, 'holidays'>): boolean =>
  !isWeekend(parseISO(day)) && !holidays.has(day);

/** Longest that nobody works, days: beyond it a calendar full of holidays is not believed. */
const LONGEST = 370;

/** The day itself where it is worked on, else the next that is. */
export function workedFrom(day: string, calendar: Pick<Calendar, 'holidays'>): string {
  let at = day;
  for (let k = 0; k < LONGEST && !isWorked(at, calendar); k++) at = plusDays(at, 1);
  return at;
}

/** So many working days after a day; the day itself for none. */
export function plusWorkingDays(day: string, count: number, calendar: Pick<Calendar, 'holidays'>): string {
  let at = day;
  for (let k = 0; k < count; k++) at = workedFrom(plusDays(at, 1), calendar);
  return at;
}
