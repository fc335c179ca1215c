/** What somebody wrote who may not any more, or never might: it is kept, and whoever may puts it in or lets it be. */
import { handedSchema, type ChangeBody, type Handed } from '@katabasis/core';
import type { Db } from '../database';
import { ProblemError } from '../http/problem';

/** So many of one person wait at most: who is refused and goes on all the same is not kept for ever. */
const MOST = 500;

interface Row {
  number: number;
  job: string;
  name: string | null;
  label: string;
  body: string;
  at: string;
  by: string;
}

export class HandedStore {
  constructor(private readonly db: Db) {}

  /** Keeps a change; false where too many of that person's wait already. */
  keep(job: string, body: ChangeBody, { person, by }: { person: string | null; by: string }): boolean {
    const { n } = this.db
      .prepare<[string | null], { n: number }>(
        'select count(*) as n from handed where person_id is ? and settled_at is null',
      )
      .get(person)!;
    if (n >= MOST) return false;
    this.db
      .prepare(
        'insert into handed (job_id, person_id, change_id, label, body, at, by) values (?, ?, ?, ?, ?, ?, ?) on conflict do nothing',
      )
      .run(job, person, body.change, body.label, JSON.stringify(body), new Date().toISOString(), by);
    return true;
  }

  /** Those that wait, the oldest first. */
  waiting(): Handed {
    const rows = this.db
      .prepare<[], Row>(
        `select number, handed.job_id as job, summaries.name, label, handed.body, at, by from handed
         join jobs on jobs.id = handed.job_id left join summaries on summaries.job_id = handed.job_id
         where settled_at is null and deleted_at is null order by number limit 200`,
      )
      .all();
    return handedSchema.parse({
      changes: rows.map(({ number, job, name, label, at, by, body }) => {
        const { puts, removes } = JSON.parse(body) as ChangeBody;
        return { number, job, name: name ?? job, label, at, by, touches: puts.length + removes.length };
      }),
    });
  }

  /** One that waits. */
  find(number: number): { job: string; body: ChangeBody; by: string } {
    const row = this.db
      .prepare<[number], { job: string; body: string; by: string }>(
        'select job_id as job, body, by from handed where number = ? and settled_at is null',
      )
      .get(number);
    if (!row) throw new ProblemError(404, 'That was settled already.');
    return { job: row.job, body: JSON.parse(row.body) as ChangeBody, by: row.by };
  }

  settle(number: number): void {
    this.db.prepare('update handed set settled_at = ? where number = ?').run(new Date().toISOString(), number);
  }
}
