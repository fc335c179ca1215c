/** Who is at which job on which days. */
import type { Crew, Today } from '@katabasis/core';
import type { Db } from '../database';

type Days = NonNullable<Crew['people'][number]['given']>;
interface OnDays {
  job: string;
  name: string | null;
  site: string | null;
  from: string;
  to: string;
  person: string;
  who: string;
}

export class CrewStore {
  private readonly sql;

  constructor(db: Db) {
    this.sql = {
      of: db.prepare<[string], { person: string; from: string | null; to: string | null }>(
        // A row that only narrows what somebody may, who is at every job, gives them none.
        `select person_id as person, from_day as "from", to_day as "to" from given_jobs join people on people.id = person_id
         where job_id = ? and (everywhere = 0 or given_jobs.role is null or from_day is not null)`,
      ),
      give: db.prepare(
        `insert into given_jobs (person_id, job_id, given_at, from_day, to_day) values (?, ?, ?, ?, ?)
         on conflict (person_id, job_id) do update set from_day = excluded.from_day, to_day = excluded.to_day`,
      ),
      // Where it narrows what they may, that stays.
      undate: db.prepare(
        `update given_jobs set from_day = null, to_day = null where job_id = ? and person_id = ? and role is not null
         and (select everywhere from people where id = person_id) = 1`,
      ),
      take: db.prepare('delete from given_jobs where job_id = ? and person_id = ?'),
      from: db.prepare<[string], OnDays>(
        `select given_jobs.job_id as job, summaries.name, summaries.site, from_day as "from", to_day as "to",
           people.id as person, people.name as who from given_jobs
         join people on people.id = person_id and people.withdrawn_at is null
         join jobs on jobs.id = given_jobs.job_id and deleted_at is null
         left join summaries on summaries.job_id = given_jobs.job_id
         where to_day >= ? order by from_day, given_jobs.job_id, people.called`,
      ),
    };
  }

  /** Days of each person that a job is given to. */
  of(job: string): ReadonlyMap<string, Days> {
    return new Map(this.sql.of.all(job).map(({ person, ...days }) => [person, days]));
  }

  /** Gives somebody a job on these days; what they may there stays. */
  give(job: string, person: string, { from, to }: Days): void {
    this.sql.give.run(person, job, new Date().toISOString(), from, to);
  }

  /** Takes a job away from somebody: they may there no more than before. Whether it was given to them. */
  takeAway(job: string, person: string): boolean {
    return this.sql.undate.run(job, person).changes > 0 || this.sql.take.run(job, person).changes > 0;
  }

  /** Jobs with people on them from a day on: those of one person who have other days stand by themselves. */
  from(day: string, own: string | null): Today['jobs'] {
    const jobs = new Map<string, Today['jobs'][number]>();
    for (const { job, name, site, from, to, person, who } of this.sql.from.all(day)) {
      const key = `${job} ${from} ${to}`;
      const stands = jobs.get(key) ?? { job, name: name ?? job, site, from, to, own: false, who: [] };
      jobs.set(key, { ...stands, own: stands.own || person === own, who: [...stands.who, who] });
    }
    return [...jobs.values()];
  }
}
