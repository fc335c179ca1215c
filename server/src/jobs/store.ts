/** Jobs in SQLite. Every write is one transaction: the change log, the elements and the job's sequence move together or not at all. */
import {
  applyChange,
  elementSchema,
  jobFaults,
  jobFrom,
  type ChangeBody,
  type ChangeReply,
  type Conflict,
  type Element,
  type Job,
  type JobReply,
} from '@katabasis/core';
import type { Db } from '../database';
import { ProblemError } from '../http/problem';

interface ElementRow {
  id: string;
  version: number;
  body: string;
}

export interface JobHead {
  id: string;
  seq: number;
  updated_at: string;
}

const parseBody = (row: ElementRow): Element => elementSchema.parse(JSON.parse(row.body));

export class JobStore {
  private readonly db: Db;
  private readonly now: () => string;

  constructor(db: Db, now: () => string = () => new Date().toISOString()) {
    this.db = db;
    this.now = now;
  }

  /** Jobs not deleted, latest first. */
  list(): JobHead[] {
    return this.db
      .prepare<[], JobHead>(
        'select id, seq, updated_at from jobs where deleted_at is null order by updated_at desc, id',
      )
      .all();
  }

  private head(id: string): JobHead {
    const head = this.db
      .prepare<[string], JobHead>('select id, seq, updated_at from jobs where id = ? and deleted_at is null')
      .get(id);
    if (!head) throw new ProblemError(404, 'There is no such job here.');
    return head;
  }

  private rows(id: string): ElementRow[] {
    return this.db
      .prepare<[string], ElementRow>('select id, version, body from elements where job_id = ? order by place')
      .all(id);
  }

  read(id: string): JobReply {
    const { seq } = this.head(id);
    return { id, seq, elements: this.rows(id).map((row) => ({ version: row.version, element: parseBody(row) })) };
  }

  job(id: string): Job {
    return jobFrom(
      id,
      this.read(id).elements.map(({ element }) => element),
    );
  }

  /** Saves a new job whole. The same job sent twice (a reply lost on the way) is no error. */
  create(job: Job): void {
    const faults = jobFaults(job);
    if (faults.length > 0) throw new ProblemError(422, 'This job cannot be saved.', { faults });
    this.db
      .transaction(() => {
        const at = this.now();
        const taken = this.db.prepare<[string], { seq: number }>('select seq from jobs where id = ?').get(job.id);
        if (taken) {
          const same =
            taken.seq === 0 && JSON.stringify(this.rows(job.id).map(parseBody)) === JSON.stringify(job.elements.all);
          if (!same) throw new ProblemError(409, 'A job of that id is here already.');
          return;
        }
        this.db.prepare('insert into jobs (id, seq, created_at, updated_at) values (?, 0, ?, ?)').run(job.id, at, at);
        job.elements.all.forEach((element, place) => this.write(job.id, element, 1, place));
      })
      .immediate();
  }

  private write(jobId: string, element: Element, version: number, place: number): void {
    this.db
      .prepare(
        `insert into elements (job_id, id, kind, version, place, body) values (?, ?, ?, ?, ?, ?)
       on conflict (job_id, id) do update set kind = excluded.kind, version = excluded.version, body = excluded.body`,
      )
      .run(jobId, element.id, element.kind, version, place, JSON.stringify(element));
  }

  /**
   * Applies one change. An element whose version is not the one that the change was made against is a conflict: 409 with its present
   * state, nothing saved. A change of the same id sent again is answered as the first time.
   */
  change(jobId: string, body: ChangeBody): ChangeReply {
    return this.db
      .transaction((): ChangeReply => {
        const { seq } = this.head(jobId);
        const again = this.repeated(jobId, body.change);
        if (again) return again;
        const rows = this.rows(jobId);
        const present = new Map(rows.map((row) => [row.id, row]));
        this.refuseStale(body, present);
        const before = jobFrom(jobId, rows.map(parseBody));
        const { job, inverse } = applyChange(before, {
          label: body.label,
          puts: body.puts.map(({ element }) => element),
          removes: body.removes.map(({ id }) => id),
        });
        const faults = jobFaults(job);
        if (faults.length > 0) throw new ProblemError(422, 'That change would break the job.', { faults });
        const next = seq + 1;
        const versions: Record<string, number> = {};
        const deleteElement = this.db.prepare('delete from elements where job_id = ? and id = ?');
        for (const { id } of body.removes) deleteElement.run(jobId, id);
        const { last } = this.db
          .prepare<[string], { last: number | null }>('select max(place) as last from elements where job_id = ?')
          .get(jobId)!;
        body.puts.forEach(({ element }, index) => {
          // Versions are the job's sequence, so that an element removed and put back never repeats one.
          versions[element.id] = next + 1;
          this.write(jobId, element, next + 1, (last ?? 0) + 1 + index);
        });
        const at = this.now();
        this.db
          .prepare(
            'insert into changes (job_id, seq, change_id, label, before, after, at, by) values (?, ?, ?, ?, ?, ?, ?, ?)',
          )
          .run(
            jobId,
            next,
            body.change,
            body.label,
            JSON.stringify(inverse),
            JSON.stringify({
              puts: body.puts.map(({ element }) => element),
              removes: body.removes.map(({ id }) => id),
            }),
            at,
            'owner',
          );
        this.db.prepare('update jobs set seq = ?, updated_at = ? where id = ?').run(next, at, jobId);
        return { seq: next, versions };
      })
      .immediate();
  }

  private repeated(jobId: string, changeId: string): ChangeReply | null {
    const row = this.db
      .prepare<[string, string], { seq: number; after: string }>(
        'select seq, after from changes where job_id = ? and change_id = ?',
      )
      .get(jobId, changeId);
    if (!row) return null;
    const { puts } = JSON.parse(row.after) as { puts: Element[] };
    return { seq: row.seq, versions: Object.fromEntries(puts.map((element) => [element.id, row.seq + 1])) };
  }

  private refuseStale(body: ChangeBody, present: ReadonlyMap<string, ElementRow>): void {
    const wanted = [...body.puts.map(({ base, element }) => ({ base, id: element.id })), ...body.removes];
    const conflicts: Conflict[] = [];
    for (const { id, base } of wanted) {
      const row = present.get(id);
      if ((row?.version ?? 0) !== base)
        conflicts.push({ id, version: row?.version ?? 0, element: row ? parseBody(row) : null });
    }
    if (conflicts.length > 0) throw new ProblemError(409, 'Somebody else changed this meanwhile.', { conflicts });
  }

  /** Takes a job out of the list; `restore` brings it back whole. */
  remove(id: string): void {
    this.head(id);
    this.db.prepare('update jobs set deleted_at = ? where id = ?').run(this.now(), id);
  }

  restore(id: string): void {
    const done = this.db.prepare('update jobs set deleted_at = null where id = ?').run(id);
    if (done.changes === 0) throw new ProblemError(404, 'There is no such job here.');
  }
}
