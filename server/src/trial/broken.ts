/** Kills what changes a whole database, a migration, a backup or a restore, at random moments: one whole database is there after each. */
import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import Database from 'better-sqlite3';
import { Backups, dropDatabase, isSound } from '../backups/backups';
import { fold, MIGRATIONS, migrationFiles, openDatabase } from '../database';
import { JobStore } from '../jobs/store';
import { ROOT } from '../paths';
import { HEAD, junction } from './yard';
import { jobFrom } from '@katabasis/core';

export interface BrokenFigures {
  migrations: number;
  backups: number;
  restores: number;
  /** Of all those, after which there was no whole database with a state of before or after: must be none. */
  wrong: number;
}

/** A database as an early version made it. */
function earlyDatabase(file: string, jobs: number): void {
  const db = new Database(file);
  db.function('fold', { deterministic: true }, fold);
  const [first] = migrationFiles();
  db.exec(readFileSync(join(MIGRATIONS, first!), 'utf8'));
  db.pragma('user_version = 1');
  const put = db.prepare("insert into jobs (id, seq, created_at, updated_at) values (?, 0, '2026', '2026')");
  for (let k = 0; k < jobs; k++) put.run(`job${k}`);
  db.close();
}

/** Runs a program of ours for so long, and kills it. */
async function killedAfter(ms: number, file: string, args: string[], data: string): Promise<void> {
  const child = spawn(process.execPath, [join(ROOT, 'server/dist', file), ...args], {
    cwd: ROOT,
    env: { ...process.env, KATABASIS_DATA: data },
    stdio: 'ignore',
  });
  const gone = new Promise((done) => child.once('close', done));
  await Promise.race([pause(ms), gone]);
  child.kill('SIGKILL');
  await gone;
}

const jobsIn = (file: string): string => {
  const db = openDatabase(file);
  const ids = db.prepare<[], { id: string }>('select id from jobs order by id').all();
  db.close();
  return ids.map(({ id }) => id).join();
};

const JOBS = 2_000;

export async function brokenTrial(data: string, rounds: number, chance: () => number): Promise<BrokenFigures> {
  const figures: BrokenFigures = { migrations: 0, backups: 0, restores: 0, wrong: 0 };
  const file = join(data, 'katabasis.sqlite');
  const newest = migrationFiles().length;
  for (let round = 0; round < rounds; round++) {
    const early = join(data, `early${round}.sqlite`);
    earlyDatabase(early, JOBS);
    await killedAfter(40 + chance() * 120, 'openDatabase.mjs', [early], data);
    const db = openDatabase(early);
    const { n } = db.prepare<[], { n: number }>('select count(*) as n from jobs').get()!;
    if (n !== JOBS || db.pragma('user_version', { simple: true }) !== newest) figures.wrong++;
    db.close();
    figures.migrations++;
  }
  const first = openDatabase(file);
  new JobStore(first).create(jobFrom('before', [HEAD, junction('a', 0)]));
  const good = await new Backups(join(data, 'backups')).make(first);
  first.close();
  for (let round = 0; round < rounds; round++) {
    const target = join(data, `all${round}.sqlite`);
    await killedAfter(40 + chance() * 160, 'backup.mjs', [target], data);
    // There whole, or not there under its name at all.
    const made = new Database(target);
    made.close();
    if (!isSound(target)) figures.wrong++;
    dropDatabase(target);
    figures.backups++;
    const db = openDatabase(file);
    db.exec('delete from jobs');
    new JobStore(db).create(jobFrom(`since${round}`, [HEAD]));
    db.close();
    await killedAfter(40 + chance() * 160, 'restore.mjs', [good], data);
    if (!['before', `since${round}`].includes(jobsIn(file))) figures.wrong++;
    figures.restores++;
  }
  return figures;
}
