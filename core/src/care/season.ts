/** When a job was laid, until when its warranty lasts, and the months that its care goes by. */
import { ofKind, type Job } from '../job/job';
import type { Keeping } from '../job/kinds';

/** Months in which leaves fall and frost begins, where nobody has said: late autumn. */
export const USUAL_SEASONS = { leaves: 11, frost: 12 } as const;
export const keepingOf = (job: Job): Keeping => ofKind(job, 'keeping')[0] ?? { id: 'keeping', kind: 'keeping' };

/** A month so many after another. */
export const monthAfter = (month: number, by: number): number => ((((month - 1 + by) % 12) + 12) % 12) + 1;

export interface Season {
  leaves: number;
  beforeFrost: number | null;
  spring: number;
}

/** The months that dates go by. */
export function seasonOf({ seasons = USUAL_SEASONS }: Pick<Keeping, 'seasons'>): Season {
  const { leaves, frost } = seasons;
  return { leaves, beforeFrost: frost === null ? null : monthAfter(frost, -1), spring: monthAfter(frost ?? 12, 4) };
}

/** The day on which a job's warranty ends; null where none is given, or nobody knows when it was laid. */
export function warrantyEnds(job: Job): string | null {
  const { laidOn, warranty } = keepingOf(job);
  if (laidOn === undefined || warranty === undefined) return null;
  const [year, month, day] = laidOn.split('-').map(Number) as [number, number, number];
  // The last day of a month that is shorter.
  const last = new Date(Date.UTC(year, month + warranty.months, 0)).getUTCDate();
  return new Date(Date.UTC(year, month - 1 + warranty.months, Math.min(day, last))).toISOString().slice(0, 10);
}
