/** What a stored job comes to. */
import { glanceOf, jobFrom, planJob, type Glance, type Verdict } from '@katabasis/core';
import { elementsIn, Unreadable, type ElementRow } from '../jobs/rows';

export type Comes = { verdict: Verdict; glance: Glance } | { trouble: string };

/** The verdict on a job of these rows, with the job at a glance, or why they cannot be read. */
export function comesTo(id: string, rows: readonly ElementRow[]): Comes {
  try {
    const job = jobFrom(id, elementsIn(rows));
    const plan = planJob(job);
    return { verdict: plan.verdict, glance: glanceOf(job, plan, new Date().toISOString().slice(0, 10)) };
  } catch (error) {
    if (error instanceof Unreadable) return { trouble: error.message };
    throw error;
  }
}
