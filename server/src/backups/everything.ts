/**
 * One file with everything: the database, and in a table beside its own the bytes of every photo and file. It is a SQLite database, so
 * that any program that reads those reads it.
 */
import { createHash } from 'node:crypto';
import { copyFileSync, existsSync, linkSync, mkdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import { migrationFiles, openDatabase, type Db } from '../database';
import { markAsCopy } from '../epochs/epochs';
import { writeWhole } from '../files/writeWhole';
import { dropDatabase, isSound } from './backups';

export interface Everything {
  /** Files that are in it. */
  count: number;
  /** Pictures that jobs name and that are not here, so not in it either: the device that took them has not sent them. */
  lacking: number;
}

/** Writes everything of a database and its folder of files into one new file. */
export async function writeEverything(db: Db, files: string, target: string): Promise<Everything> {
  mkdirSync(dirname(target), { recursive: true });
  const draft = `${target}.draft`;
  dropDatabase(draft);
  try {
    await db.backup(draft);
    const copy = new Database(draft);
    copy.pragma('journal_mode = DELETE');
    markAsCopy(copy);
    copy.exec('create table file_bytes (hash text primary key, bytes blob not null) strict, without rowid');
    const put = copy.prepare('insert into file_bytes (hash, bytes) values (?, ?)');
    let count = 0;
    copy.transaction(() => {
      for (const { hash } of copy.prepare<[], { hash: string }>('select hash from files').all()) {
        if (!existsSync(join(files, hash))) continue;
        put.run(hash, readFileSync(join(files, hash)));
        count++;
      }
    })();
    const { lacking } = copy
      .prepare<[], { lacking: number }>(
        `select count(distinct json_extract(body, '$.file')) as lacking from elements
         where kind in ('photo', 'underlay') and json_extract(body, '$.file') not in (select hash from file_bytes)`,
      )
      .get()!;
    copy.close();
    renameSync(draft, target);
    return { count, lacking };
  } finally {
    dropDatabase(draft);
  }
}

export class NotABackup extends Error {}

/**
 * Puts everything of a file in the place of a database and its files; works for daily backups as well. Nothing is touched before the
 * file has been found whole; what was there is moved aside, and its path given. The folder must be held by the caller.
 */
export function readEverything(source: string, target: string, files: string): { aside: string | null; count: number } {
  if (!existsSync(source)) throw new NotABackup(`There is no file ${source}.`);
  if (!isSound(source)) throw new NotABackup(`${source} is not a whole Katabasis backup.`);
  refuseForeign(source);
  mkdirSync(dirname(target), { recursive: true });
  const draft = `${target}.draft`;
  dropDatabase(draft);
  copyFileSync(source, draft);
  const count = unpack(draft, files);
  // Brought to this version while it is still a draft: a file that cannot be used replaces nothing.
  openDatabase(draft).close();
  const aside = existsSync(target) ? putAside(target) : null;
  // One step from the one whole database to the other: a kill before it leaves what was there, after it what was put back.
  renameSync(draft, target);
  dropDatabase(draft);
  return { aside, count };
}

/** Gives what is there a second name, with all that SQLite keeps beside it worked in, or beside that name where it is damaged. */
function putAside(target: string): string {
  const aside = asideOf(target);
  try {
    const db = new Database(target);
    db.pragma('wal_checkpoint(TRUNCATE)');
    db.close();
  } catch {
    // It is damaged: as it lies.
  }
  try {
    linkSync(target, aside);
  } catch {
    // A disk that knows no second names.
    copyFileSync(target, aside);
  }
  for (const tail of ['-wal', '-shm'])
    if (existsSync(target + tail)) {
      copyFileSync(target + tail, aside + tail);
      rmSync(target + tail);
    }
  return aside;
}

function asideOf(target: string): string {
  const stem = target.replace(/\.sqlite$/, '');
  for (let k = 1; ; k++) {
    const aside = `${stem}-before-restore-${k}.sqlite`;
    if (!existsSync(aside)) return aside;
  }
}

function refuseForeign(source: string): void {
  const db = new Database(source, { readonly: true });
  try {
    const tables = db.prepare<[], { name: string }>("select name from sqlite_master where type = 'table'").all();
    const has = (name: string): boolean => tables.some((table) => table.name === name);
    if (!has('jobs') || !has('elements') || !has('changes'))
      throw new NotABackup(`${source} is a database of something else.`);
    const version = db.pragma('user_version', { simple: true }) as number;
    if (version > migrationFiles().length)
      throw new NotABackup(`${source} is of a later version of Katabasis. Use the newer program.`);
  } finally {
    db.close();
  }
}

/** Takes the files' bytes out of a draft into their folder, each checked against its hash. */
function unpack(draft: string, files: string): number {
  const db = new Database(draft);
  try {
    db.pragma('journal_mode = DELETE');
    const has = db.prepare("select 1 from sqlite_master where name = 'file_bytes'").get();
    if (!has) return 0;
    mkdirSync(files, { recursive: true });
    let count = 0;
    for (const { hash, bytes } of db
      .prepare<[], { hash: string; bytes: Buffer }>('select hash, bytes from file_bytes')
      .iterate()) {
      if (createHash('sha256').update(bytes).digest('hex') !== hash)
        throw new NotABackup('A file in the backup is damaged.');
      count++;
      const path = join(files, hash);
      if (existsSync(path)) continue;
      writeWhole(path, bytes);
    }
    db.exec('drop table file_bytes; vacuum');
    return count;
  } finally {
    db.close();
  }
}
