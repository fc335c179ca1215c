/** Ends of pipes, by way out. */
import { elementOf, type Job } from '../job/job';
import type { Discharge } from '../job/kinds';
import type { PipeEnd } from '../plan/solution';

export const dischargeAt = (job: Job, { discharge }: PipeEnd): Discharge => elementOf(job, 'discharge', discharge)!;

/** Ways out that pipes end in, each once. */
export const reached = (job: Job, ends: readonly PipeEnd[]): Discharge[] =>
  worstEnds(ends).map((end) => dischargeAt(job, end));

/** Of the pipes that end in each way out the one that ends lowest against it. */
export function worstEnds(ends: readonly PipeEnd[]): PipeEnd[] {
  const worst = new Map<string, PipeEnd>();
  for (const end of ends) {
    const other = worst.get(end.discharge);
    if (!other || end.over < other.over) worst.set(end.discharge, end);
  }
  return [...worst.values()];
}
