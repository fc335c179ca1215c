/** News for people: written down when it happens, and read by each up to where they have come. */
import type { Right, Told } from '@katabasis/core';
import type { Asker } from '../admission/asker';
import { rightsAt } from '../admission/rules';
import type { Db } from '../database';

/** So many are kept, so many looked through for what somebody is told, and so many shown to anybody. */
const KEPT = 5000;
const LOOKED_THROUGH = 1000;
const SHOWN = 100;
/** Devices that are nobody's in particular. */
const OFFICE = 'office';

interface Row {
  number: number;
  at: string;
  job: string;
  name: string | null;
  person: string | null;
  needs: Right | null;
  by_reader: string;
  what: string;
}

/** Somebody as others are told of them: the server's own machine is nobody's name. */
export const toldAs = ({ person, local, name }: Pick<Asker, 'person' | 'local' | 'name'>): string =>
  person === null && local ? 'The office' : name;

/** Whom a piece of news is for: one person, or all who have a right at its job. */
export type For = { person: string } | { needs: Right };
export interface News {
  job: string;
  for: For;
  what: string;
  /** Who did it; a customer is nobody. */
  by: Asker | null;
  /** What it tells anew: an earlier one of that sort, of the same job for the same person, is told no more where it was not read. */
  sort?: 'days';
}

const readerOf = ({ person }: Pick<Asker, 'person'>): string => person?.id ?? OFFICE;

export class ToldStore {
  private readonly sql;

  constructor(db: Db) {
    this.sql = {
      add: db.prepare(
        'insert into told (at, job_id, person_id, needs, by_reader, sort, what) values (?, ?, ?, ?, ?, ?, ?)',
      ),
      drop: db.prepare('delete from told where number <= ?'),
      outdated: db.prepare(
        `delete from told where job_id = ? and person_id = ? and sort = ?
         and number > ifnull((select number from told_read where reader = person_id), 0)`,
      ),
      latest: db.prepare<[number], Row>(
        `select number, at, told.job_id as job, summaries.name, person_id as person, needs, by_reader, what from told
         join jobs on jobs.id = told.job_id left join summaries on summaries.job_id = told.job_id
         where deleted_at is null order by number desc limit ?`,
      ),
      readTo: db.prepare<[string], { number: number }>('select number from told_read where reader = ?'),
      read: db.prepare(
        'insert into told_read values (?, ?) on conflict (reader) do update set number = max(number, excluded.number)',
      ),
    };
  }

  add(news: News): void {
    const { job, what, by, sort = null } = news;
    const person = 'person' in news.for ? news.for.person : null;
    const needs = 'needs' in news.for ? news.for.needs : null;
    if (sort !== null) this.sql.outdated.run(job, person, sort);
    const { lastInsertRowid } = this.sql.add.run(
      new Date().toISOString(),
      job,
      person,
      needs,
      by ? readerOf(by) : '',
      sort,
      what.slice(0, 500),
    );
    this.sql.drop.run(Number(lastInsertRowid) - KEPT);
  }

  /** What somebody is told, the latest first. */
  of(asker: Asker): Told['told'] {
    const reader = readerOf(asker);
    const readTo = this.sql.readTo.get(reader)?.number ?? 0;
    return this.sql.latest
      .all(LOOKED_THROUGH)
      .filter((row) => isFor(row, asker, reader))
      .slice(0, SHOWN)
      .map(({ number, at, job, name, what }) => ({ number, at, job, name: name ?? job, what, fresh: number > readTo }));
  }

  /** Takes it that somebody has read all up to a number. */
  read(asker: Asker, number: number): void {
    this.sql.read.run(readerOf(asker), number);
  }
}

/** Who may not see a job any more is told nothing of it. */
function isFor(row: Row, asker: Asker, reader: string): boolean {
  const rights = rightsAt(asker, row.job);
  if (!rights?.has('look') || row.by_reader === reader) return false;
  return row.person === null ? row.needs !== null && rights.has(row.needs) : row.person === asker.person?.id;
}
