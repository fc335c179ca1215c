/** The jobs list with its verdicts. Nothing derived is stored: a verdict is planned once for each state of a job and kept in memory. */
import { headOf, planJob, type JobRow } from '@katabasis/core';
import type { JobHead, JobStore } from './store';

const MAX_KEPT = 500;

export class Summaries {
  private readonly store: JobStore;
  private readonly kept = new Map<string, JobRow>();

  constructor(store: JobStore) {
    this.store = store;
  }

  list(): JobRow[] {
    return this.store.list().map((head) => this.row(head));
  }

  private row({ id, seq, updated_at: updatedAt }: JobHead): JobRow {
    const key = `${id}@${seq}`;
    const known = this.kept.get(key);
    if (known) return known;
    const job = this.store.job(id);
    const { name, site, units } = headOf(job);
    const row: JobRow = {
      id,
      name,
      units,
      seq,
      updatedAt,
      verdict: planJob(job).verdict,
      ...(site === undefined ? {} : { site }),
    };
    if (this.kept.size >= MAX_KEPT) this.kept.delete(this.kept.keys().next().value!);
    this.kept.set(key, row);
    return row;
  }
}
