/**
 * Copies of the database, made by SQLite's own means while it runs: whole as of one moment. One a day, fourteen kept, each checked before
 * it gets its name.
 */
import { mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import type { Db } from '../database';
import { markAsCopy } from '../epochs/epochs';

const KEPT = 14;
const DAY_MS = 24 * 3600 * 1000;
const NAME = /^\d{4}-\d\d-\d\dT\d\d-\d\d-\d\d\.\d{3}Z\.sqlite$/;

/** `2026-11-25T09-30-00.123Z.sqlite`: names in order of time. */
const nameAt = (at: Date): string => `${at.toISOString().replaceAll(':', '-')}.sqlite`;
const timeOf = (name: string): number =>
  Date.parse(name.replace('.sqlite', '').replace(/T(\d\d)-(\d\d)-(\d\d)/, 'T$1:$2:$3'));

/** Removes a database file with what SQLite keeps beside it. */
export function dropDatabase(file: string): void {
  for (const tail of ['', '-wal', '-shm']) rmSync(file + tail, { force: true });
}

/** Says in a copy that it is one. */
function markCopy(file: string): void {
  const copy = new Database(file);
  try {
    copy.pragma('journal_mode = DELETE');
    markAsCopy(copy);
  } finally {
    copy.close();
  }
}

/** Whether a file is a sound database. */
export function isSound(file: string): boolean {
  try {
    const db = new Database(file, { readonly: true, fileMustExist: true });
    try {
      return db.pragma('quick_check(1)', { simple: true }) === 'ok';
    } finally {
      db.close();
    }
  } catch {
    return false;
  }
}

export class Backups {
  readonly folder: string;

  constructor(folder: string) {
    this.folder = folder;
  }

  /** Names, newest first. */
  list(): string[] {
    try {
      return readdirSync(this.folder)
        .filter((name) => NAME.test(name))
        .sort()
        .reverse();
    } catch {
      return [];
    }
  }

  /** Path of the newest one that is sound; null when there is none. */
  newestGood(): string | null {
    const name = this.list().find((each) => isSound(join(this.folder, each)));
    return name === undefined ? null : join(this.folder, name);
  }

  /** Writes a sound copy of the database to a path of its own, in place of an earlier one. */
  static async copy(db: Db, path: string): Promise<void> {
    const draft = `${path}.draft`;
    try {
      await db.backup(draft);
      markCopy(draft);
      if (!isSound(draft)) throw new Error('The copy was not written whole.');
      renameSync(draft, path);
    } finally {
      dropDatabase(draft);
    }
  }

  /** Makes one now, and lets the oldest beyond fourteen go. Gives its path. */
  async make(db: Db, at = new Date()): Promise<string> {
    mkdirSync(this.folder, { recursive: true });
    const path = join(this.folder, nameAt(at));
    await Backups.copy(db, path);
    for (const old of this.list().slice(KEPT)) rmSync(join(this.folder, old), { force: true });
    return path;
  }

  /** Makes one where the newest is a day old or more. */
  async makeDue(db: Db, at = new Date()): Promise<string | null> {
    const [newest] = this.list();
    // A clock set back must not stop them: a newest one of the future is no reason to wait.
    const age = newest === undefined ? Infinity : Math.abs(at.getTime() - timeOf(newest));
    return age >= DAY_MS ? this.make(db, at) : null;
  }
}
