/**
 * A database put back from a copy goes on from an earlier state, and its numbers meet those that devices know from before. Each such life
 * is an epoch with a name of its own; how far a job had come when one began tells which versions two epochs share.
 */
import { randomUUID } from 'node:crypto';
import type { Db } from '../database';

interface Since {
  /** The last change of the job that both epochs share; −1 where they share none that is known. */
  common: number;
  /** The moment whose state was put back, ISO 8601; null where nobody can tell. */
  asOf: string | null;
}

interface EpochRow {
  number: number;
  id: string;
  /** Number of the one that it went on from. */
  parent: number | null;
  as_of: string | null;
  reset: number;
}

/** Marks a database as a copy, made now: whoever works on it begins an epoch. */
export function markAsCopy(copy: Db): void {
  copy.prepare('delete from copied').run();
  copy.prepare('insert into copied (at) values (?)').run(new Date().toISOString());
}

/** When a database that is a copy was made; null of one that is none, or has begun its epoch. */
export const copiedAt = (db: Db): string | null =>
  db.prepare<[], { at: string }>('select at from copied').get()?.at ?? null;

const latest = (db: Db): EpochRow | undefined =>
  db.prepare<[], EpochRow>('select * from epochs where elsewhere = 0 order by number desc limit 1').get();

/** Begins an epoch from the present state. `asOf`: as of when that was, null where nobody can tell. */
export function beginEpoch(db: Db, { asOf, reset = false }: { asOf: string | null; reset?: boolean }): void {
  db.transaction(() => {
    const { lastInsertRowid: number } = db
      .prepare('insert into epochs (id, parent, begun_at, as_of, reset) values (?, ?, ?, ?, ?)')
      .run(randomUUID(), latest(db)?.number ?? null, new Date().toISOString(), asOf, reset ? 1 : 0);
    db.prepare('insert into epoch_jobs (epoch, job_id, seq) select ?, id, seq from jobs').run(number);
    db.exec('delete from copied');
  })();
}

export class Epochs {
  /** Name of the present one. */
  readonly id: string;
  private readonly db: Db;

  /** Begins one where the database has none yet, or is a copy that was put in place. */
  constructor(db: Db) {
    this.db = db;
    db.transaction(() => {
      const asOf = copiedAt(db);
      if (asOf !== null || !latest(db)) beginEpoch(db, { asOf });
    }).immediate();
    this.id = latest(db)!.id;
  }

  /** An epoch and those that it went on from, one from another, newest first. */
  private lineOf(epoch: EpochRow | undefined): EpochRow[] {
    const line: EpochRow[] = [];
    const at = this.db.prepare<[number], EpochRow>('select * from epochs where number = ?');
    for (let each = epoch; each; each = each.parent === null ? undefined : at.get(each.parent)) line.push(each);
    return line;
  }

  /** What a job's present state shares with that of another epoch; no name is that of the first, before epochs were told. */
  since(epoch: string, job: string): Since {
    const known =
      epoch === ''
        ? this.db.prepare<[], EpochRow>('select * from epochs order by number limit 1').get()
        : this.db.prepare<[string], EpochRow>('select * from epochs where id = ?').get(epoch);
    const [here, there] = [this.lineOf(latest(this.db)), this.lineOf(known)];
    const shared = there.find((each) => here.some(({ number }) => number === each.number));
    if (!shared) return { common: -1, asOf: null };
    const after = (line: EpochRow[]): EpochRow[] =>
      line.slice(
        0,
        line.findIndex((each) => each.number === shared.number),
      );
    // What was emptied on purpose is not brought back by a device that still has it.
    const reset = after(here).find((each) => each.reset === 1);
    if (reset) return { common: Number.MAX_SAFE_INTEGER, asOf: reset.as_of };
    // Both lines left what they share with an epoch of their own: the lesser of what was there then is what both have.
    const parted = [...after(here), ...after(there)];
    const seqIn = this.db.prepare<[number, string], { seq: number }>(
      'select seq from epoch_jobs where epoch = ? and job_id = ?',
    );
    const times = parted.map((each) => each.as_of);
    return {
      common: Math.min(Number.MAX_SAFE_INTEGER, ...parted.map((each) => seqIn.get(each.number, job)?.seq ?? -1)),
      asOf: times.includes(null) ? null : (times.sort()[0] ?? null),
    };
  }
}
