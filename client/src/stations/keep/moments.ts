/** When a visit was, as it is said. */
import { parseISO } from 'date-fns';

export const sayMoment = (at: string): string =>
  parseISO(at).toLocaleString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  });
