/** The sample jobs, put in where they are missing; edited ones are left alone. */
import { samples } from '@katabasis/core/samples';
import type { Db } from './database';
import { JobStore } from './jobs/store';

export function putSamples(db: Db): void {
  const store = new JobStore(db);
  for (const job of samples()) {
    const known = db.prepare('select 1 from jobs where id = ?').get(job.id);
    if (!known) store.create(job);
  }
}
