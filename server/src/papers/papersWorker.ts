/** Makes papers and pages beside the server's own thread, reading kept jobs for itself. */
import { parentPort, workerData } from 'node:worker_threads';
import Database from 'better-sqlite3';
import { companyIn } from '../company/routes';
import type { ElementRow } from '../jobs/rows';
import { picturesIn } from '../files/pictures';
import { make, type Task } from './make';

const { file, files } = workerData as { file: string; files: string };
const db = new Database(file, { readonly: true, timeout: 20_000 });
const rows = db.prepare<[string], ElementRow>(
  'select id, version, place, body from elements where job_id = ? order by place',
);

parentPort!.on(
  'message',
  (task: Task) =>
    void make(
      task,
      { rowsOf: (job) => rows.all(job), company: () => companyIn(db), pictureOf: picturesIn(files) },
      (said) => parentPort!.postMessage(said),
    ),
);
