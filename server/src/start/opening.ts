/** What a start finds in its data folder, and what it makes of it before anything is served. */
import { chmodSync, existsSync, readdirSync, rmSync, statSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { Withdrawals } from '../admission/withdrawals';
import { Backups } from '../backups/backups';
import { openDatabase, UnusableDatabase, type Db } from '../database';
import { Epochs } from '../epochs/epochs';
import { meetLives } from '../epochs/lives';
import { heedAnotherPlace, noteSamePlace } from '../epochs/samePlace';
import type { Paths } from '../paths';
import { putSamples, resetToSamples } from '../samples';
import { CannotStart } from './cannotStart';

const ASKED_ANEW =
  'This database was put back from a copy on a machine that knows nothing of devices and links shut out since: all of them are asked anew.';

const putBack = (good: string): string => `Put it back with:  npm run restore -- ${good}`;

/** Opens the database; of a damaged one says which backup is the newest good one. */
function opened({ database, backups }: Paths): Db {
  try {
    return openDatabase(database);
  } catch (error) {
    if (!(error instanceof UnusableDatabase)) throw error;
    const good = error.message.includes('damaged') ? new Backups(backups).newestGood() : null;
    const way = good ? ` The newest good backup is ${good}. ${putBack(good)}` : '';
    throw new CannotStart(`${database}: ${error.message}${way}`);
  }
}

/** Stops before an empty database is begun where there was one: nobody notices an empty list in time. `KATABASIS_EMPTY=yes` begins it. */
function refuseMissing({ database, backups }: Paths): void {
  const size = statSync(database, { throwIfNoEntry: false })?.size ?? 0;
  if (size > 0 || process.env.KATABASIS_EMPTY === 'yes') return;
  const good = new Backups(backups).newestGood();
  if (good === null) return;
  const is = existsSync(database) ? 'is empty' : 'is not there';
  throw new CannotStart(
    `${database} ${is}, though there are backups of it; the newest good one is ${good}. ${putBack(good)}  To begin an empty one, start with KATABASIS_EMPTY=yes.`,
  );
}

/** Lets go of what backups and restores left half done, and has what is here be its owner's alone. */
function tidy({ database, backups, key, withdrawn, note, epochs }: Paths): void {
  for (const [folder, stem] of [
    [dirname(database), basename(database)],
    [backups, ''],
  ] as const) {
    const names = existsSync(folder) ? readdirSync(folder) : [];
    for (const name of names)
      if (name.startsWith(stem) && /\.draft(-wal|-shm|-journal)?$/.test(name))
        rmSync(join(folder, name), { force: true });
  }
  const copies = new Backups(backups);
  const all = [database, key, withdrawn, note, epochs, ...copies.list().map((name) => join(copies.folder, name))];
  for (const file of all.filter((each) => existsSync(each))) chmodSync(file, 0o600);
}

/** The database, ready to be served, with what is known of who was shut out. `samples`: `fresh` puts them back as they were. */
export async function prepare(
  paths: Paths,
  samples: string | undefined,
): Promise<{ db: Db; withdrawals: Withdrawals }> {
  tidy(paths);
  if (samples !== 'fresh') refuseMissing(paths);
  const db = opened(paths);
  const withdrawals = new Withdrawals(paths.withdrawn);
  if (withdrawals.heed(db) > 0) console.log(ASKED_ANEW);
  heedAnotherPlace(db, paths.note);
  noteSamePlace(db, paths.note);
  if (samples === 'fresh') {
    // What is put away is put away with a copy.
    if (db.prepare('select 1 from changes limit 1').get()) await new Backups(paths.backups).make(db);
    resetToSamples(db);
  } else if (samples) putSamples(db);
  new Epochs(db);
  meetLives(db, paths.epochs);
  return { db, withdrawals };
}
