/** Times as they are said in lists, in the words of the device. */
import { parseISO } from 'date-fns/parseISO';

// Made once: to get one ready takes longer than a whole row of the list.
const MOMENT = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });
const DAY = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium' });

/** A text that is no time, as a damaged job may hold it, is said as it lies. */
function said(iso: string, words: Intl.DateTimeFormat): string {
  const at = parseISO(iso);
  return Number.isNaN(at.getTime()) ? iso : words.format(at);
}

/** So many days of work. */
export const daysOf = (count: number): string => (count === 1 ? '1 day' : `${count} days`);

/** A time, of an ISO 8601 text. */
export const momentOf = (iso: string): string => said(iso, MOMENT);

/** A day, of `2026-11-25` or of a time. */
export const dayOf = (iso: string): string => said(iso, DAY);
