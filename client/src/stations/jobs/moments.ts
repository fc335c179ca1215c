/** Times as they are said in lists, in the words of the device. */
import { parseISO } from 'date-fns/parseISO';

/** A time, of an ISO 8601 text. */
export const momentOf = (iso: string): string =>
  parseISO(iso).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });

/** A day, of `2026-11-25` or of a time. */
export const dayOf = (iso: string): string => parseISO(iso).toLocaleDateString(undefined, { dateStyle: 'medium' });
