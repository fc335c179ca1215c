/** The database file: opened durable, brought to the newest migration before anything is served. */
import { mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Database from 'better-sqlite3';

export type Db = Database.Database;

const MIGRATIONS = join(dirname(fileURLToPath(import.meta.url)), '..', 'migrations');

/** Opens (and makes) the database. `:memory:` for tests. WAL with synchronous FULL: an acknowledged change survives a kill. */
export function openDatabase(file: string): Db {
  if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true });
  const db = new Database(file);
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  db.pragma('busy_timeout = 5000');
  migrate(db);
  return db;
}

/** Runs every migration not yet run, each in one transaction with the number that marks it done. */
function migrate(db: Db): void {
  const done = db.pragma('user_version', { simple: true }) as number;
  const files = readdirSync(MIGRATIONS)
    .filter((name) => /^\d{3}-.*\.sql$/.test(name))
    .sort();
  if (done > files.length)
    throw new Error(
      `The database is of a later version (${done}) than this program (${files.length}). Use the newer program.`,
    );
  files.slice(done).forEach((name, index) => {
    const sql = readFileSync(join(MIGRATIONS, name), 'utf8');
    db.transaction(() => {
      db.exec(sql);
      db.pragma(`user_version = ${done + index + 1}`);
    })();
  });
}
