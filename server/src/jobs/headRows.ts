/** What the list shows of a job without working anything out: its head, written with every change of it. */
import { headOf, type Job } from '@katabasis/core';
import { fold, type Db } from '../database';

export class HeadRows {
  private readonly sql;

  constructor(db: Db) {
    this.sql = db.prepare(
      `insert into summaries (job_id, name, client, site, state, date, units, search) values (?, ?, ?, ?, ?, ?, ?, ?)
       on conflict (job_id) do update set name = excluded.name, client = excluded.client, site = excluded.site,
         state = excluded.state, date = excluded.date, units = excluded.units, search = excluded.search`,
    );
  }

  put(job: Job): void {
    const { name, client, site, state, date, units } = headOf(job);
    const search = fold([name, client, site, date].filter(Boolean).join(' '));
    this.sql.run(job.id, name, client ?? null, site ?? null, state ?? null, date ?? null, units, search);
  }
}
