/** Jobs in SQLite. Every write is one transaction: the change log, the elements and the job's sequence move together or not at all. */
import {
  applyChange,
  changeFaults,
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
import { LiveJobs, type LiveJob } from './live';

interface ElementRow {
  id: string;
  version: number;
  place: number;
  body: string;
}

export interface JobHead {
  id: string;
  seq: number;
  updated_at: string;
}

const parseBody = (row: ElementRow): Element => elementSchema.parse(JSON.parse(row.body));

/** Every statement, prepared once. */
function statementsOf(db: Db) {
  const jobColumns = 'select id, seq, updated_at from jobs where deleted_at is null';
  return {
    heads: db.prepare<[], JobHead>(`${jobColumns} order by updated_at desc, id`),
    head: db.prepare<[string], JobHead>(`${jobColumns} and id = ?`),
    elements: db.prepare<[string], ElementRow>(
      'select id, version, place, body from elements where job_id = ? order by place',
    ),
    seqOf: db.prepare<[string], { seq: number }>('select seq from jobs where id = ?'),
    newJob: db.prepare('insert into jobs (id, seq, created_at, updated_at) values (?, 0, ?, ?)'),
    putElement: db.prepare(
      `insert into elements (job_id, id, kind, version, place, body) values (?, ?, ?, ?, ?, ?)
       on conflict (job_id, id) do update set kind = excluded.kind, version = excluded.version, body = excluded.body`,
    ),
    dropElement: db.prepare('delete from elements where job_id = ? and id = ?'),
    changeOf: db.prepare<[string, string], { seq: number; after: string }>(
      'select seq, after from changes where job_id = ? and change_id = ?',
    ),
    logChange: db.prepare(
      'insert into changes (job_id, seq, change_id, label, before, after, at, by) values (?, ?, ?, ?, ?, ?, ?, ?)',
    ),
    touchJob: db.prepare('update jobs set seq = ?, updated_at = ? where id = ?'),
    setDeleted: db.prepare('update jobs set deleted_at = ? where id = ?'),
  };
}

export class JobStore {
  private readonly db: Db;
  private readonly now: () => string;
  private readonly sql: ReturnType<typeof statementsOf>;
  private readonly live = new LiveJobs();

  constructor(db: Db, now: () => string = () => new Date().toISOString()) {
    this.db = db;
    this.now = now;
    this.sql = statementsOf(db);
  }

  /** Jobs not deleted, latest first. */
  list(): JobHead[] {
    return this.sql.heads.all();
  }

  private head(id: string): JobHead {
    const head = this.sql.head.get(id);
    if (!head) throw new ProblemError(404, 'There is no such job here.');
    return head;
  }

  private rows(id: string): ElementRow[] {
    return this.sql.elements.all(id);
  }

  /** The job as it stands, from memory where it is there as of its sequence number. */
  private stands({ id, seq }: JobHead): LiveJob {
    const known = this.live.at(id, seq);
    if (known) return known;
    const rows = this.rows(id);
    return this.live.keep(id, {
      seq,
      job: jobFrom(id, rows.map(parseBody)),
      versions: new Map(rows.map((row) => [row.id, row.version])),
      lastPlace: rows.at(-1)?.place ?? -1,
    });
  }

  read(id: string): JobReply {
    const { seq, job, versions } = this.stands(this.head(id));
    return { id, seq, elements: job.elements.all.map((element) => ({ version: versions.get(element.id)!, element })) };
  }

  job(id: string): Job {
    return this.stands(this.head(id)).job;
  }

  /** Saves a new job whole. The same job sent twice (a reply lost on the way) is no error. */
  create(job: Job): void {
    const faults = jobFaults(job);
    if (faults.length > 0) throw new ProblemError(422, 'This job cannot be saved.', { faults });
    this.db
      .transaction(() => {
        const at = this.now();
        const taken = this.sql.seqOf.get(job.id);
        if (taken) {
          const same =
            taken.seq === 0 && JSON.stringify(this.rows(job.id).map(parseBody)) === JSON.stringify(job.elements.all);
          if (!same) throw new ProblemError(409, 'A job of that id is here already.');
          return;
        }
        this.sql.newJob.run(job.id, at, at);
        job.elements.all.forEach((element, place) => this.write(job.id, element, 1, place));
      })
      .immediate();
  }

  private write(jobId: string, element: Element, version: number, place: number): void {
    this.sql.putElement.run(jobId, element.id, element.kind, version, place, JSON.stringify(element));
  }

  /**
   * Applies one change, at the cost of what it touches. An element whose version is not the one that the change was made against is a
   * conflict: 409 with its present state, nothing saved. A change of the same id sent again is answered as the first time.
   */
  change(jobId: string, body: ChangeBody): ChangeReply {
    return this.db
      .transaction((): ChangeReply => {
        const head = this.head(jobId);
        const again = this.repeated(jobId, body.change);
        if (again) return again;
        const before = this.stands(head);
        this.refuseStale(body, before);
        const puts = body.puts.map(({ element }) => element);
        const removes = body.removes.map(({ id }) => id);
        const { job, inverse } = applyChange(before.job, { label: body.label, puts, removes });
        const faults = changeFaults(before.job, job, { puts, removes });
        if (faults.length > 0) throw new ProblemError(422, 'That change would break the job.', { faults });
        const seq = head.seq + 1;
        // Versions are the job's sequence, so that an element removed and put back never repeats one.
        const versions = Object.fromEntries(puts.map(({ id }) => [id, seq + 1]));
        const after = this.written(before, { job, puts, removes, seq });
        const at = this.now();
        const logged = JSON.stringify({ puts, removes });
        this.sql.logChange.run(jobId, seq, body.change, body.label, JSON.stringify(inverse), logged, at, 'owner');
        this.sql.touchJob.run(seq, at, jobId);
        this.live.keep(jobId, after);
        return { seq, versions };
      })
      .immediate();
  }

  /** Writes what a change touches; gives the job as it stands then. */
  private written(
    before: LiveJob,
    { job, puts, removes, seq }: { job: Job; puts: Element[]; removes: string[]; seq: number },
  ): LiveJob {
    const versions = new Map(before.versions);
    for (const id of removes) {
      this.sql.dropElement.run(job.id, id);
      versions.delete(id);
    }
    let { lastPlace } = before;
    for (const element of puts) {
      this.write(job.id, element, seq + 1, ++lastPlace);
      versions.set(element.id, seq + 1);
    }
    return { seq, job, versions, lastPlace };
  }

  private repeated(jobId: string, changeId: string): ChangeReply | null {
    const row = this.sql.changeOf.get(jobId, changeId);
    if (!row) return null;
    const { puts } = JSON.parse(row.after) as { puts: Element[] };
    return { seq: row.seq, versions: Object.fromEntries(puts.map((element) => [element.id, row.seq + 1])) };
  }

  private refuseStale(body: ChangeBody, { job, versions }: LiveJob): void {
    const wanted = [...body.puts.map(({ base, element }) => ({ base, id: element.id })), ...body.removes];
    const conflicts: Conflict[] = [];
    for (const { id, base } of wanted) {
      const version = versions.get(id) ?? 0;
      if (version !== base) conflicts.push({ id, version, element: job.elements.get(id) ?? null });
    }
    if (conflicts.length > 0) throw new ProblemError(409, 'Somebody else changed this meanwhile.', { conflicts });
  }

  /** Takes a job out of the list; `restore` brings it back whole. */
  remove(id: string): void {
    this.head(id);
    this.sql.setDeleted.run(this.now(), id);
  }

  restore(id: string): void {
    const done = this.sql.setDeleted.run(null, id);
    if (done.changes === 0) throw new ProblemError(404, 'There is no such job here.');
  }
}
