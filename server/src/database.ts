/** The database file: opened durable, checked, and brought to the newest migration before anything is served. */
import { mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Database from 'better-sqlite3';

export type Db = Database.Database;

export const MIGRATIONS = join(dirname(fileURLToPath(import.meta.url)), '..', 'migrations');

/** How long another process may hold the file before opening it fails, ms. */
const PATIENCE_MS = 20_000;

/** A file that cannot be used as the database, in a sentence for whoever starts the server. */
export class UnusableDatabase extends Error {}

export const migrationFiles = (): string[] =>
  readdirSync(MIGRATIONS)
    .filter((name) => /^\d{3}-.*\.sql$/.test(name))
    .sort();

/** Words as they are searched: small letters, without accents. */
export const fold = (text: unknown): string =>
  String(text ?? '')
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase();

/**
 * Opens (and makes) the database. `:memory:` for tests. WAL with synchronous FULL: an acknowledged change survives a kill. Throws
 * `UnusableDatabase` for a file that is damaged, none of ours, or of a later version.
 */
export function openDatabase(file: string): Db {
  if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true });
  const db = new Database(file, { timeout: PATIENCE_MS });
  try {
    db.function('fold', { deterministic: true }, fold);
    patiently(() => db.pragma('journal_mode = WAL'));
    db.pragma('synchronous = FULL');
    db.pragma('foreign_keys = ON');
    refuseDamaged(db);
    migrate(db);
    return db;
  } catch (error) {
    db.close();
    throw usable(error);
  }
}

/** Changing the journal's mode does not wait for a lock by itself: several processes may open a new file at once. */
function patiently(step: () => void): void {
  const until = Date.now() + PATIENCE_MS;
  for (;;) {
    try {
      return step();
    } catch (error) {
      if ((error as { code?: string }).code !== 'SQLITE_BUSY' || Date.now() > until) throw error;
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 20);
    }
  }
}

function refuseDamaged(db: Db): void {
  const found = db.pragma('quick_check(1)', { simple: true }) as string;
  if (found !== 'ok') throw new UnusableDatabase(`The database is damaged (${oneLine(found)}).`);
}

const oneLine = (text: string): string => text.replace(/\s*\n\s*/g, ' ');

const DAMAGED = /^SQLITE_(CORRUPT|NOTADB)/;

function usable(error: unknown): unknown {
  const { code, message } = error as { code?: string; message: string };
  return code && DAMAGED.test(code) ? new UnusableDatabase(`The database is damaged (${oneLine(message)}).`) : error;
}

/**
 * Runs every migration not yet run, all in one transaction with the number that marks them done: read inside it, so that of several
 * processes one does it and the others find it done. A migration rebuilds tables, so links are checked at its end, not on the way.
 */
function migrate(db: Db): void {
  const files = migrationFiles();
  const version = (): number => db.pragma('user_version', { simple: true }) as number;
  if (version() === files.length) return;
  db.pragma('foreign_keys = OFF');
  db.transaction(() => {
    const done = version();
    if (done > files.length)
      throw new UnusableDatabase(
        `The database is of a later version (${done}) than this program (${files.length}). Use the newer program.`,
      );
    for (const name of files.slice(done)) db.exec(readFileSync(join(MIGRATIONS, name), 'utf8'));
    if ((db.pragma('foreign_key_check') as unknown[]).length > 0)
      throw new UnusableDatabase('The database names jobs that are not in it.');
    db.pragma(`user_version = ${files.length}`);
  }).immediate();
  db.pragma('foreign_keys = ON');
}
