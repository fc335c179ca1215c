/** The SQL of jobs, prepared once. */
import { type History } from '@katabasis/core';
import type { Db } from '../database';
import { type ElementRow } from './rows';

export interface JobHead {
  id: string;
  seq: number;
  created_at: string;
}

interface LoggedChange {
  seq: number;
  label: string;
  before: string;
  after: string;
}

/** Every statement, prepared once. */
export function statementsOf(db: Db) {
  return {
    head: db.prepare<[string], JobHead>('select id, seq, created_at from jobs where id = ? and deleted_at is null'),
    elements: db.prepare<[string], ElementRow>(
      'select id, version, place, body from elements where job_id = ? order by place',
    ),
    seqOf: db.prepare<[string], { seq: number }>('select seq from jobs where id = ?'),
    newJob: db.prepare('insert into jobs (id, seq, created_at, updated_at) values (?, 0, ?, ?)'),
    putElement: db.prepare(
      `insert into elements (job_id, id, kind, version, place, body) values (?, ?, ?, ?, ?, ?)
       on conflict (job_id, id) do update set kind = excluded.kind, version = excluded.version, body = excluded.body`,
    ),
    placeElement: db.prepare('update elements set place = ? where job_id = ? and id = ?'),
    dropElement: db.prepare('delete from elements where job_id = ? and id = ?'),
    changeOf: db.prepare<[string, string], LoggedChange>(
      'select seq, label, before, after from changes where job_id = ? and change_id = ?',
    ),
    logChange: db.prepare(
      'insert into changes (job_id, seq, change_id, label, before, after, at, by) values (?, ?, ?, ?, ?, ?, ?, ?)',
    ),
    changesFrom: db.prepare<[string, number], { before: string }>(
      'select before from changes where job_id = ? and seq > ? order by seq desc',
    ),
    logSince: db.prepare<[string, number], { after: string }>(
      'select after from changes where job_id = ? and seq > ? order by seq',
    ),
    history: db.prepare<[string, number, number], History['changes'][number]>(
      'select seq, label, at, by from changes where job_id = ? and seq < ? order by seq desc limit ?',
    ),
    touchJob: db.prepare('update jobs set seq = ?, updated_at = ? where id = ?'),
    setDeleted: db.prepare('update jobs set deleted_at = ? where id = ?'),
    bin: db.prepare<[], { id: string; name: string | null; deleted_at: string }>(
      `select id, name, deleted_at from jobs left join summaries on job_id = id
       where deleted_at is not null order by deleted_at desc, id`,
    ),
    purge: db.prepare('delete from jobs where deleted_at < ?'),
    latest: db.prepare<[], { at: string | null }>('select max(updated_at) as at from jobs'),
  };
}
