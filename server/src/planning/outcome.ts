/** What a stored job comes to. */
import { keptOf, type KeptJob } from '@katabasis/core/care';
import { jarTestsOf, type JarTest } from '@katabasis/core/visits';
import { ledgerEntry } from '@katabasis/core/ledger';
import { glanceOf, jobFrom, planJob, type Glance, type LedgerEntry, type Verdict } from '@katabasis/core';
import { elementsIn, Unreadable, type ElementRow } from '../jobs/rows';

export type Comes =
  | {
      verdict: Verdict;
      glance: Glance;
      kept: KeptJob | null;
      ledger: LedgerEntry | null;
      jars: readonly Pick<JarTest, 'on' | 'soil' | 'tries'>[];
    }
  | { trouble: string };

/** The verdict on a job of these rows, with the job at a glance, what it is due for and how it came out, or why they cannot be read. */
export function comesTo(id: string, rows: readonly ElementRow[]): Comes {
  try {
    const job = jobFrom(id, elementsIn(rows));
    const plan = planJob(job);
    const today = new Date().toISOString().slice(0, 10);
    return {
      verdict: plan.verdict,
      glance: glanceOf(job, plan, today),
      kept: keptOf(job, plan, today),
      ledger: ledgerEntry(job, plan),
      jars: jarTestsOf(job),
    };
  } catch (error) {
    if (error instanceof Unreadable) return { trouble: error.message };
    throw error;
  }
}
