/** Today as it is written, 2026-11-26: of the device's own calendar. */
import { formatISO } from 'date-fns';
import { parseISO } from 'date-fns/parseISO';

export const todayOf = (): string => formatISO(new Date(), { representation: 'date' });

/** A day as it is said: Thu 26 Nov. */
export const sayDay = (day: string): string =>
  parseISO(day).toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short' });

/** A day with its year: 15 Dec 2026. */
export const sayFullDay = (day: string): string =>
  parseISO(day).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
