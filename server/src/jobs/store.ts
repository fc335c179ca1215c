/**
 * Jobs in SQLite. Every write is one transaction: the change log, the elements, the job's sequence and what the list shows of it move
 * together or not at all.
 */
import {
  applyChange,
  changeFaults,
  jobFaults,
  jobFrom,
  orderPlaces,
  OTHER_EPOCH,
  rightsOf,
  type Right,
  type Beside,
  type Bin,
  type Change,
  type ChangeBody,
  type ChangeReply,
  type Element,
  type History,
  type Job,
  type JobReply,
} from '@katabasis/core';
import type { Db } from '../database';
import { plainEpoch, seenEpoch } from '../epochs/seenEpoch';
import { Epochs } from '../epochs/epochs';
import { ProblemError } from '../http/problem';
import { Clock } from './clock';
import { HeadRows } from './headRows';
import { LiveJobs, type LiveJob } from './live';
import { elementsIn, type ElementRow } from './rows';
import { statementsOf, type JobHead } from './statements';
import { changeIn, madeBy, refuseAltered, sameSent, refuseStale, versionsAt } from './changeBody';

/** Days that a job taken out is kept. */
export const DAYS_IN_BIN = 30;
const DAY_MS = 24 * 3600 * 1000;

const otherEpoch = (): ProblemError =>
  new ProblemError(409, 'The server was put back from a copy; what this device knows is laid beside it.', {
    type: OTHER_EPOCH,
  });
const noSuchJob = (): ProblemError => new ProblemError(404, 'There is no such job here.');

export class JobStore {
  private readonly db: Db;
  readonly epochs: Epochs;
  private readonly clock: Clock;
  private readonly sql: ReturnType<typeof statementsOf>;
  private readonly heads: HeadRows;
  private readonly live = new LiveJobs();

  constructor(db: Db, now: () => Date = () => new Date()) {
    this.db = db;
    this.epochs = new Epochs(db);
    this.sql = statementsOf(db);
    this.heads = new HeadRows(db);
    this.clock = new Clock(now, this.sql.latest.get()!.at);
  }

  private head(id: string): JobHead {
    const head = this.sql.head.get(id);
    if (!head) throw noSuchJob();
    return head;
  }

  /** The job as it stands, from memory where it is there as of its sequence number. */
  private stands({ id, seq }: JobHead): LiveJob {
    const known = this.live.at(id, seq);
    if (known) return known;
    const rows = this.sql.elements.all(id);
    return this.live.keep(id, {
      seq,
      job: jobFrom(id, elementsIn(rows)),
      versions: new Map(rows.map((row) => [row.id, row.version])),
      places: new Map(rows.map((row) => [row.id, row.place])),
    });
  }

  read(id: string): JobReply {
    const head = this.head(id);
    const { seq, job, versions } = this.stands(head);
    return {
      id,
      epoch: this.epochs.id,
      seq,
      createdAt: head.created_at,
      elements: job.elements.all.map((element) => ({ version: versions.get(element.id)!, element })),
    };
  }

  /** A job for a device that has it as it was in another epoch. */
  beside(id: string, epoch: string): Beside {
    const { common, asOf } = this.epochs.since(plainEpoch(epoch), id);
    const isHere = this.sql.head.get(id) !== undefined;
    const is = { epoch: this.epochs.id, asOf, takenOut: !isHere && this.sql.seqOf.get(id) !== undefined };
    if (!isHere) return { ...is, job: null };
    const since = this.sql.logSince.all(id, common);
    const removed = since.flatMap(({ after }) => (JSON.parse(after) as Change).removes);
    return { ...is, job: { ...this.read(id), common, removed: [...new Set(removed)] } };
  }

  job(id: string): Job {
    return this.stands(this.head(id)).job;
  }

  /** How far a job has come. */
  seqOf(id: string): number {
    return this.head(id).seq;
  }

  /** A job's rows as they lie in the database, whatever is wrong with them. */
  raw(id: string): { id: string; seq: number; rows: ElementRow[] } {
    const known = this.sql.seqOf.get(id);
    if (!known) throw noSuchJob();
    return { id, seq: known.seq, rows: this.sql.elements.all(id) };
  }

  /** Saves a new job whole. The same job sent twice (a reply lost on the way) is no error. */
  create(job: Job): void {
    const faults = jobFaults(job);
    if (faults.length > 0) throw new ProblemError(422, 'This job cannot be saved.', { faults });
    this.db
      .transaction(() => {
        const taken = this.sql.seqOf.get(job.id);
        if (taken) {
          const rows = this.sql.elements.all(job.id);
          const same = taken.seq === 0 && JSON.stringify(elementsIn(rows)) === JSON.stringify(job.elements.all);
          if (!same) throw new ProblemError(409, 'A job of that id is here already.');
          return;
        }
        this.insert(job);
      })
      .immediate();
  }

  private insert(job: Job): void {
    const at = this.clock.next();
    this.sql.newJob.run(job.id, at, at);
    job.elements.all.forEach((element, place) => this.write(job.id, element, 1, place));
    this.heads.put(job);
  }

  private write(jobId: string, element: Element, version: number, place: number): void {
    this.sql.putElement.run(jobId, element.id, element.kind, version, place, JSON.stringify(element));
  }

  /**
   * Applies one change, at the cost of what it touches. An element whose version is not the one that the change was made against is a
   * conflict: 409 with its present state, nothing saved. A change of the same id sent again is answered as the first time; another
   * change under its id is refused.
   */
  change(jobId: string, body: ChangeBody, by = 'owner', rights = rightsOf('owner')): ChangeReply {
    let settle: (() => LiveJob) | null = null;
    const reply = this.db
      .transaction((): ChangeReply => {
        const head = this.head(jobId);
        if (body.epoch !== undefined && body.epoch !== seenEpoch(this.epochs.id, rights)) throw otherEpoch();
        const again = this.repeated(jobId, body, rights);
        if (again) return again;
        const before = this.stands(head);
        refuseStale(body, before);
        const change = madeBy(rights, changeIn(body), before.job);
        const { job, inverse } = applyChange(before.job, change);
        const faults = changeFaults(before.job, job, change);
        if (faults.length > 0) throw new ProblemError(422, 'That change would break the job.', { faults });
        refuseAltered(before.job, change, this.clock.read());
        const seq = head.seq + 1;
        settle = this.written(before, job, change, seq);
        const at = this.clock.next();
        const { label: _label, ...logged } = change;
        this.sql.logChange.run(
          jobId,
          seq,
          body.change,
          body.label,
          JSON.stringify(inverse),
          JSON.stringify(logged),
          at,
          by,
        );
        this.sql.touchJob.run(seq, at, jobId);
        if (change.puts.some(({ kind }) => kind === 'job')) this.heads.put(job);
        return { seq, versions: versionsAt(change.puts, seq) };
      })
      .immediate();
    // Only now is it certain: what is in memory never runs ahead of the disk.
    const settled = settle as (() => LiveJob) | null;
    if (settled) this.live.keep(jobId, settled());
    return reply;
  }

  /** Writes what a change touches; gives what that makes of the job in memory, for when all of it is in the database. */
  private written(before: LiveJob, job: Job, { puts, removes }: Change, seq: number): () => LiveJob {
    const { versions, places } = before;
    for (const id of removes) this.sql.dropElement.run(job.id, id);
    const gone = new Set(removes);
    const { fresh, moved } = orderPlaces(job.elements, puts, (id) => (gone.has(id) ? undefined : places.get(id)));
    for (const element of puts) this.write(job.id, element, seq + 1, fresh.get(element.id) ?? places.get(element.id)!);
    for (const [id, place] of moved) this.sql.placeElement.run(place, job.id, id);
    return () => {
      for (const id of removes) {
        versions.delete(id);
        places.delete(id);
      }
      for (const { id } of puts) versions.set(id, seq + 1);
      for (const [id, place] of [...fresh, ...moved]) places.set(id, place);
      return { seq, job, versions, places };
    };
  }

  private repeated(jobId: string, body: ChangeBody, rights: ReadonlySet<Right>): ChangeReply | null {
    const row = this.sql.changeOf.get(jobId, body.change);
    if (!row) return null;
    const { label, ...sent } = changeIn(body);
    if (row.label !== label || !sameSent(row.after, sent, rights))
      throw new ProblemError(422, 'Another change was saved under that id.');
    return { seq: row.seq, versions: versionsAt(sent.puts, row.seq) };
  }

  /** What was done to a job, latest first, from before a sequence number. */
  history(id: string, before: number, limit: number): History {
    this.head(id);
    const changes = this.sql.history.all(id, before, limit);
    return { changes, next: changes.length === limit && changes.at(-1)!.seq > 1 ? changes.at(-1)!.seq : null };
  }

  /** The job as it stood after a change: what came later taken back, the last first. */
  asOf(id: string, seq: number): Job {
    const head = this.head(id);
    if (seq > head.seq) throw new ProblemError(404, 'The job has not come that far.');
    return this.sql.changesFrom
      .all(id, seq)
      .reduce((job, { before }) => applyChange(job, JSON.parse(before) as Change).job, this.stands(head).job);
  }

  /** Saves a copy of a job as it stood after a change, under a name of its own. What is wrong with the job is wrong with its copy. */
  copy(id: string, { id: copyId, seq, name }: { id: string; seq: number; name: string }): void {
    this.db
      .transaction(() => {
        if (this.sql.seqOf.get(copyId)) throw new ProblemError(409, 'A job of that id is here already.');
        const job = this.asOf(id, seq);
        const renamed = job.elements.all.map((each) => (each.kind === 'job' ? { ...each, name } : each));
        this.insert(jobFrom(copyId, renamed));
      })
      .immediate();
  }

  /** Takes a job out of the list; `restore` brings it back whole for as long as it is kept. */
  remove(id: string): void {
    this.head(id);
    this.sql.setDeleted.run(this.clock.next(), id);
  }

  restore(id: string): void {
    const done = this.sql.setDeleted.run(null, id);
    if (done.changes === 0) throw new ProblemError(404, 'That job is kept no longer.');
  }

  bin(): Bin {
    const jobs = this.sql.bin.all().map(({ id, name, deleted_at: deletedAt }) => ({
      id,
      name: name ?? id,
      deletedAt,
      keptUntil: new Date(Date.parse(deletedAt) + DAYS_IN_BIN * DAY_MS).toISOString(),
    }));
    return { jobs };
  }

  /** Lets go for good of what was taken out more than 30 days ago. */
  purge(): number {
    return this.sql.purge.run(new Date(this.clock.read() - DAYS_IN_BIN * DAY_MS).toISOString()).changes;
  }
}
