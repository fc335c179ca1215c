/**
 * `npm run restore -- FILE`: puts everything of a backup in place of what is there. `npm run restore -- --from URL [--at TIME]`: of a
 * replica, as it stood at a time or at its last; KATABASIS_REPLICA_KEY names the file of its key, where it has one. The server must not run meanwhile.
 */
import { mkdirSync, rmSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import Database from 'better-sqlite3';
import { readEverything } from '../backups/everything';
import { markAsCopy } from '../epochs/epochs';
import { holdFolder } from '../folder';
import { pathsOf, type Paths } from '../paths';
import { placeFrom, putTogether } from '../replica/litestream';
import { replicaKeyIn } from '../replica/key';
import { besideIt, photosOf } from '../replica/replica';

// What is written here is its owner's alone.
process.umask(0o077);

const USE =
  'Name the backup:  npm run restore -- FILE   or a replica:  npm run restore -- --from file:///FOLDER [--at TIME]';

function tell(what: string, { aside, count }: { aside: string | null; count: number }): void {
  console.log(`${what} is in place${count > 0 ? `, with ${count} files` : ''}.`);
  if (aside) console.log(`What was there before is kept as ${aside}`);
}

async function fromReplica(url: string, at: string | undefined, paths: Paths): Promise<void> {
  const keyAt = process.env.KATABASIS_REPLICA_KEY;
  const place = placeFrom(url, keyAt === undefined ? null : await replicaKeyIn(keyAt));
  mkdirSync(dirname(paths.database), { recursive: true });
  const aside = besideIt(paths.database);
  try {
    const file = join(aside, 'database.sqlite');
    await putTogether(place, file, at);
    const db = new Database(file);
    db.pragma('journal_mode = DELETE');
    // As of any copy: what devices know beyond it is laid beside it.
    markAsCopy(db);
    db.close();
    const put = readEverything(file, paths.database, paths.files);
    tell(`The replica at ${url}`, { ...put, count: (await photosOf(place, paths.files)?.takeBack()) ?? 0 });
  } finally {
    rmSync(aside, { recursive: true, force: true });
  }
}

async function restore(): Promise<void> {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { from: { type: 'string' }, at: { type: 'string' } },
  });
  const [file, ...more] = positionals;
  if (more.length > 0 || (file === undefined) === (values.from === undefined)) throw new Error(USE);
  if (values.at !== undefined && Number.isNaN(Date.parse(values.at)))
    throw new Error(`--at wants a time like 2026-12-02T14:30:00Z, and "${values.at}" is none.`);
  const paths = pathsOf(process.env);
  const held = holdFolder(paths.folder);
  try {
    if (values.from === undefined) tell(file!, readEverything(resolve(file!), paths.database, paths.files));
    else await fromReplica(values.from, values.at && new Date(values.at).toISOString(), paths);
  } finally {
    held.release();
  }
}

restore().catch((error: unknown) => {
  console.error((error as Error).message);
  process.exit(1);
});
