/** The sample jobs: put in where they are missing, edited ones left alone; or all put back as they were. */
import { samples } from '@katabasis/core/samples';
import type { Db } from './database';
import { beginEpoch } from './epochs/epochs';
import { JobStore } from './jobs/store';

export function putSamples(db: Db): void {
  const store = new JobStore(db);
  const known = db.prepare<[string]>('select 1 from jobs where id = ?');
  for (const job of samples()) if (!known.get(job.id)) store.create(job);
}

/** Empties the database of jobs and puts the samples in: inside it and in one transaction, under whoever has it open. */
export function resetToSamples(db: Db): void {
  db.transaction(() => {
    db.exec('delete from jobs; delete from files');
    putSamples(db);
    beginEpoch(db, { asOf: new Date().toISOString(), reset: true });
  }).immediate();
}
