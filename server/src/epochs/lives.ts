/**
 * Every life of the database, in a file beside it. A copy knows only those before it was made: where one copy is put back a second time,
 * nothing in it tells of the life between, and devices that were there could not be told what they share with the present.
 */
import { readFileSync } from 'node:fs';
import { z } from 'zod';
import type { Db } from '../database';
import { writeWhole } from '../files/writeWhole';

const lifeSchema = z.object({
  id: z.string(),
  /** Name of the epoch that it went on from. */
  parent: z.string().nullable(),
  begunAt: z.string(),
  asOf: z.string().nullable(),
  reset: z.boolean(),
  /** How far each job had come when it began. */
  jobs: z.array(z.tuple([z.string(), z.int()])),
});
type Life = z.infer<typeof lifeSchema>;

/**
 * The lives in the file, in the order they were written, each after the one it went on from. None where there is no file, or nobody can make
 * sense of it: it is written anew, and devices of a life that only it knew are asked.
 */
function written(file: string): Life[] {
  try {
    return z.array(lifeSchema).parse(JSON.parse(readFileSync(file, 'utf8')));
  } catch {
    return [];
  }
}

interface LifeRow {
  number: number;
  id: string;
  parent: string | null;
  begunAt: string;
  asOf: string | null;
  reset: number;
}

function livesIn(db: Db): Life[] {
  const jobsOf = db
    .prepare<[number], [string, number]>('select job_id, seq from epoch_jobs where epoch = ? order by job_id')
    .raw();
  return db
    .prepare<[], LifeRow>(
      `select epochs.number, epochs.id, before.id as parent, epochs.begun_at as begunAt, epochs.as_of as asOf, epochs.reset
       from epochs left join epochs as before on before.number = epochs.parent order by epochs.number`,
    )
    .all()
    .map(({ number, reset, ...life }) => ({ ...life, reset: reset === 1, jobs: jobsOf.all(number) }));
}

/** Takes into the database the lives that only the file knows, and writes into the file all that are known then. */
export function meetLives(db: Db, file: string): void {
  const beside = written(file);
  db.transaction(() => {
    const isHere = db.prepare<[string]>('select 1 from epochs where id = ?');
    const takeIn = db.prepare(
      `insert into epochs (id, parent, begun_at, as_of, reset, elsewhere)
       values (@id, (select number from epochs where id = @parent), @begunAt, @asOf, @reset, 1)`,
    );
    const takeJob = db.prepare('insert into epoch_jobs (epoch, job_id, seq) values (?, ?, ?)');
    for (const { jobs, reset, ...life } of beside) {
      if (isHere.get(life.id)) continue;
      const { lastInsertRowid } = takeIn.run({ ...life, reset: reset ? 1 : 0 });
      for (const [job, seq] of jobs) takeJob.run(lastInsertRowid, job, seq);
    }
  }).immediate();
  const all = livesIn(db);
  if (all.length === beside.length) return;
  writeWhole(file, JSON.stringify(all));
}
