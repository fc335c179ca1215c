/** What a stored job comes to. */
import { jobFrom, planJob, type Verdict } from '@katabasis/core';
import { elementsIn, Unreadable, type ElementRow } from '../jobs/rows';

export type Comes = { verdict: Verdict } | { trouble: string };

/** The verdict on a job of these rows, or why they cannot be read. */
export function comesTo(id: string, rows: readonly ElementRow[]): Comes {
  try {
    return { verdict: planJob(jobFrom(id, elementsIn(rows))).verdict };
  } catch (error) {
    if (error instanceof Unreadable) return { trouble: error.message };
    throw error;
  }
}
