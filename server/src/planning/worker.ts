/** Plans jobs beside the server's own thread, reading them for itself: what a job costs to plan holds up nobody. */
import { parentPort, workerData } from 'node:worker_threads';
import Database from 'better-sqlite3';
import type { ElementRow } from '../jobs/rows';
import { comesTo } from './outcome';
import type { Answer, Question } from './planner';

const db = new Database((workerData as { file: string }).file, { readonly: true, timeout: 20_000 });
const seqOf = db.prepare<[string], { seq: number }>('select seq from jobs where id = ?');
const rowsOf = db.prepare<[string], ElementRow>(
  'select id, version, place, body from elements where job_id = ? order by place',
);

/** The verdict on a job as it stands; null for one that is not here. One read, so that the rows are those of the number. */
const answer = db.transaction(({ job: id }: Question): Answer | null => {
  const known = seqOf.get(id);
  if (!known) return null;
  return { job: id, seq: known.seq, ...comesTo(id, rowsOf.all(id)) };
});

parentPort!.on('message', (question: Question) => parentPort!.postMessage(answer(question)));
