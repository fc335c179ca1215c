import { spawn, type ChildProcess } from 'node:child_process';
import {
  chmodSync,
  closeSync,
  copyFileSync,
  existsSync,
  openSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
  writeSync,
} from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { toFile, type Element } from '@katabasis/core';
import { quillfeather } from '@katabasis/core/samples';
import { Backups } from './backups/backups';
import { readEverything, writeEverything } from './backups/everything';
import { openDatabase } from './database';
import { FileStore } from './files/store';
import { JobStore } from './jobs/store';
import { ROOT } from './paths';
import { folder } from './testing/serve';
import { WITH_KEY } from './trial/started';
import { createHash } from 'node:crypto';
import { Readable } from 'node:stream';

const running = new Set<ChildProcess>();
afterEach(() => {
  for (const child of running) child.kill('SIGKILL');
  running.clear();
});

interface Started {
  child: ChildProcess;
  /** Resolves with what was said, once it serves or has ended. */
  said: Promise<{ out: string; err: string; code: number | null; base: string | null }>;
}

function program(file: string, args: string[], env: Record<string, string>): Started {
  const child = spawn(process.execPath, [join(ROOT, 'server/dist', file), ...args], {
    cwd: ROOT,
    env: {
      ...process.env,
      KATABASIS_PORT: '0',
      KATABASIS_KEY: WITH_KEY['Katabasis-Key'],
      KATABASIS_PARENT: String(process.pid),
      ...env,
    },
  });
  running.add(child);
  const said = new Promise<Awaited<Started['said']>>((resolve) => {
    let [out, err] = ['', ''];
    child.stderr.on('data', (chunk) => (err += String(chunk)));
    child.stdout.on('data', (chunk) => {
      out += String(chunk);
      const base = /(http:\/\/localhost:\d+)/.exec(out)?.[1];
      if (base) resolve({ out, err, code: null, base });
    });
    child.on('close', (code) => resolve({ out, err, code, base: null }));
  });
  return { child, said };
}

const start = (data: string, env: Record<string, string> = {}): Started =>
  program('main.mjs', [], { KATABASIS_DATA: data, ...env });
const demo = (data: string, samples = 'keep'): Started => start(data, { KATABASIS_SAMPLES: samples });

const jobsAt = async (base: string): Promise<{ id: string; name: string; verdict: { state: string } | null }[]> =>
  ((await (await fetch(`${base}/api/jobs`, { headers: WITH_KEY })).json()) as { jobs: [] }).jobs;

const rename = async (base: string, name: string): Promise<void> => {
  const { elements } = (await (await fetch(`${base}/api/jobs/quillfeather`, { headers: WITH_KEY })).json()) as {
    elements: { version: number; element: { id: string } }[];
  };
  const head = elements.find(({ element }) => element.id === 'job')!;
  const puts = [{ base: head.version, element: { ...head.element, name } }];
  const body = JSON.stringify({ change: `change-${name}`, label: 'Rename', puts, removes: [] });
  const headers = { ...WITH_KEY, 'Content-Type': 'application/json' };
  expect((await fetch(`${base}/api/jobs/quillfeather/changes`, { method: 'POST', headers, body })).status).toBe(200);
};

it('one data folder has one server: a second says so and harms nothing, however it is started', async () => {
  const data = folder();
  const first = await demo(data).said;
  await rename(first.base!, 'Kept');
  for (const samples of ['fresh', 'keep']) {
    const second = await demo(data, samples).said;
    expect(second.code).toBe(1);
    expect(second.err.trim()).toBe(`Katabasis already runs over ${data}, at ${first.base}. One folder has one server.`);
  }
  await rename(first.base!, 'Kept-too');
  expect((await jobsAt(first.base!)).map(({ name }) => name)).toContain('Kept-too');
});

it('is taken up again after a kill, puts samples back inside the database, and keeps a copy of what was there', async () => {
  const data = folder();
  const first = demo(data);
  await rename((await first.said).base!, 'Mine');
  first.child.kill('SIGKILL');
  await new Promise((gone) => first.child.once('close', gone));
  const again = demo(data, 'fresh');
  const { base, err } = await again.said;
  expect([err, (await jobsAt(base!)).map(({ name }) => name)]).toEqual([
    '',
    [
      'Number 3, the old drain',
      'The clinic, a year on',
      'Wrenmoor Green Bowls Pavilion',
      'Brackenfold Terrace',
      'Quillfeather Animal Clinic',
    ],
  ]);
  // The verdict comes from a thread beside the requests.
  const pavilion = async () => (await jobsAt(base!)).find(({ name }) => name.startsWith('Wrenmoor'))!;
  for (let tries = 0; tries < 200 && (await pavilion()).verdict === null; tries++)
    await new Promise((wait) => setTimeout(wait, 50));
  expect((await pavilion()).verdict).toMatchObject({ state: 'holds' });
  const backups = new Backups(join(data, 'backups'));
  const kept = new JobStore(openDatabase(join(backups.folder, backups.list()[0]!)));
  expect(kept.job('quillfeather').elements.get('job')).toMatchObject({ name: 'Mine' });
});

it('twelve first starts at once: none fails', async () => {
  const data = folder();
  const file = join(data, 'jobs.sqlite');
  const open = (): Promise<string> =>
    new Promise((resolve) => {
      const child = spawn(process.execPath, [join(ROOT, 'server/dist/openDatabase.mjs'), file], { cwd: ROOT });
      running.add(child);
      let out = '';
      child.stdout.on('data', (chunk) => (out += String(chunk)));
      child.stderr.on('data', (chunk) => (out += String(chunk)));
      child.on('close', (code) => resolve(`${code} ${out.trim()}`));
    });
  const version = openDatabase(':memory:').pragma('user_version', { simple: true }) as number;
  const ends = await Promise.all(Array.from({ length: 12 }, open));
  expect(ends).toEqual(Array.from({ length: 12 }, () => `0 ${version}`));
});

it('says in one sentence that the database is damaged, and which backup is the newest good one; that one is put back', async () => {
  const data = folder();
  const file = join(data, 'katabasis.sqlite');
  const db = openDatabase(file);
  const store = new JobStore(db);
  store.create({ ...quillfeather(), id: 'clinic' });
  const backups = new Backups(join(data, 'backups'));
  const good = await backups.make(db, new Date('2026-03-01T10:00:00Z'));
  const torn = await backups.make(db, new Date('2026-03-02T10:00:00Z'));
  db.pragma('wal_checkpoint(TRUNCATE)');
  db.close();
  for (const path of [file, torn]) scribble(path);
  const { err, code } = await start(data).said;
  expect(code).toBe(1);
  expect(err.trim().split('\n')).toHaveLength(1);
  expect(err).toContain('is damaged');
  expect(err).toContain(`The newest good backup is ${good}.`);
  const restored = await program('restore.mjs', [good], { KATABASIS_DATA: data }).said;
  expect(restored).toMatchObject({ code: 0, err: '' });
  const { base } = await start(data).said;
  expect((await jobsAt(base!)).map(({ id }) => id)).toEqual(['clinic']);
  // While it runs nothing is put in its place.
  expect(await program('restore.mjs', [good], { KATABASIS_DATA: data }).said).toMatchObject({ code: 1 });
  expect(readdirSync(data).filter((name) => name.includes('before-restore'))).toHaveLength(1);
});

/** Writes over the middle of a file, as a failing disk does. */
function scribble(path: string): void {
  const handle = openSync(path, 'r+');
  for (let at = 4096; at < 12 * 4096; at += 512) writeSync(handle, Buffer.alloc(200, 0xa5), 0, 200, at + 16);
  closeSync(handle);
}

it('has everything in one file, out and in, photos too; and takes nothing in that is not one', async () => {
  const [here, there] = [folder(), folder()];
  const files = join(here, 'files');
  const db = openDatabase(join(here, 'katabasis.sqlite'));
  new JobStore(db).create({ ...quillfeather(), id: 'clinic' });
  const photo = Buffer.from('a photo of the yard');
  const hash = createHash('sha256').update(photo).digest('hex');
  await new FileStore(db, files).keep(hash, Readable.from([photo]));
  const all = join(here, 'all.sqlite');
  const named = (id: string, file: string): Element => ({ id, kind: 'photo', name: id, file, takenOn: '2026-11-01' });
  const puts = [named('here', hash), named('away', 'f'.repeat(64)), named('twice', 'f'.repeat(64))];
  new JobStore(db).change('clinic', {
    change: 'change-photos',
    label: 'Keep photos',
    puts: puts.map((element) => ({ base: 0, element })),
    removes: [],
  });
  // What a job names and nobody has sent is told.
  expect(await writeEverything(db, files, all)).toEqual({ count: 1, lacking: 1 });
  const target = join(there, 'katabasis.sqlite');
  expect(readEverything(all, target, join(there, 'files'))).toEqual({ aside: null, count: 1 });
  expect(readFileSync(join(there, 'files', hash))).toEqual(photo);
  const moved = new JobStore(openDatabase(target));
  expect(moved.job('clinic').elements.all).toEqual([...quillfeather().elements.all, ...puts]);
  const text = join(here, 'text.sqlite');
  copyFileSync(join(ROOT, 'package.json'), text);
  for (const wrong of [text, join(here, 'none.sqlite'), join(ROOT, 'package.json')])
    expect(() => readEverything(wrong, target, join(there, 'files'))).toThrow(/no file|not a whole/);
  expect(existsSync(target)).toBe(true);
});

it('keeps one backup a day and fourteen at most, also when the clock is set back', async () => {
  const db = openDatabase(join(folder(), 'katabasis.sqlite'));
  const backups = new Backups(join(folder(), 'backups'));
  const day = (n: number, hour = 10): Date => new Date(Date.UTC(2026, 2, n, hour));
  for (let n = 1; n <= 20; n++) {
    expect(await backups.makeDue(db, day(n))).not.toBeNull();
    expect(await backups.makeDue(db, day(n, 20))).toBeNull();
  }
  expect(backups.list()).toHaveLength(14);
  expect(backups.list().at(-1)).toBe('2026-03-07T10-00-00.000Z.sqlite');
  expect(await backups.makeDue(db, new Date('2025-01-01T00:00:00Z'))).not.toBeNull();
});

/** A folder whose database has a job, with a backup of it. */
async function withBackup(): Promise<{ data: string; file: string; good: string }> {
  const data = folder();
  const file = join(data, 'katabasis.sqlite');
  const db = openDatabase(file);
  new JobStore(db).create({ ...quillfeather(), id: 'clinic' });
  const good = await new Backups(join(data, 'backups')).make(db, new Date('2026-03-01T10:00:00Z'));
  db.close();
  return { data, file, good };
}

it.each(['is not there', 'is empty'])(
  'a database that %s beside good backups is told, and they are offered',
  async (how) => {
    const { data, file, good } = await withBackup();
    for (const tail of ['', '-wal', '-shm']) rmSync(file + tail, { force: true });
    if (how === 'is empty') writeFileSync(file, '');
    const { err, code } = await start(data).said;
    expect(code).toBe(1);
    expect(err).toContain(`${file} ${how}, though there are backups of it; the newest good one is ${good}.`);
    expect(err).toContain('npm run restore');
    const { base } = await start(data, { KATABASIS_EMPTY: 'yes' }).said;
    expect(await jobsAt(base!)).toEqual([]);
  },
);

it('at its start clears what broke off, and has all that it keeps be its owner’s alone', async () => {
  const { data, file, good } = await withBackup();
  const broken = ['katabasis.sqlite.draft', 'katabasis.sqlite.draft-journal', 'backups/2026.sqlite.draft'].map((name) =>
    join(data, name),
  );
  for (const path of broken) writeFileSync(path, 'x');
  for (const path of [file, good]) chmodSync(path, 0o644);
  const { base } = await start(data).said;
  expect(base).not.toBeNull();
  expect(broken.filter((path) => existsSync(path))).toEqual([]);
  const open = readdirSync(data, { recursive: true, encoding: 'utf8' })
    .map((name) => join(data, name))
    .filter((path) => statSync(path).isFile() && (statSync(path).mode & 0o077) !== 0);
  expect(open.map((path) => path.slice(data.length))).toEqual([]);
});

it('finishes what runs before it stops, takes nothing new, and ends the streams of news', async () => {
  const data = folder();
  const { child, said } = demo(data);
  const { base } = await said;
  const { job, elements } = toFile(quillfeather());
  const body = JSON.stringify({ job, elements, paper: 'letter' });
  const headers = { ...WITH_KEY, 'Content-Type': 'application/json' };
  const news = await fetch(`${base}/api/events`, { headers: WITH_KEY });
  const making = fetch(`${base}/api/sheets/plan.pdf`, { method: 'POST', headers, body });
  await new Promise((done) => setTimeout(done, 150));
  const ended = new Promise<number | null>((gone) => child.once('close', gone));
  child.kill('SIGTERM');
  await news.text().catch(() => '');
  const lines = (await (await making).text()).trim().split('\n');
  expect(lines.at(-1)).toContain('"bytes"');
  expect(await ended).toBe(0);
  await expect(fetch(`${base}/api/health`)).rejects.toThrow();
});

it('a server of a test ends with the process that started it', async () => {
  const script = `
    const { spawn } = require('node:child_process');
    const server = spawn(process.execPath, [${JSON.stringify(join(ROOT, 'server/dist/main.mjs'))}], {
      env: { ...process.env, KATABASIS_PORT: '0', KATABASIS_PARENT: String(process.pid) }, stdio: ['ignore', 'pipe', 'inherit'],
    });
    server.stdout.once('data', () => { console.log(server.pid); process.kill(process.pid, 'SIGKILL'); });`;
  const starter = spawn(process.execPath, ['-e', script], { env: { ...process.env, KATABASIS_DATA: folder() } });
  let out = '';
  starter.stdout.on('data', (chunk) => (out += String(chunk)));
  await new Promise((gone) => starter.once('close', gone));
  const server = Number(out);
  expect(server).toBeGreaterThan(0);
  const runs = (): boolean => {
    try {
      return process.kill(server, 0);
    } catch {
      return false;
    }
  };
  for (let tries = 0; tries < 200 && runs(); tries++) await new Promise((wait) => setTimeout(wait, 50));
  expect(runs()).toBe(false);
});

it('a restore killed at any moment leaves one whole database, that of before or the one put back', async () => {
  const { data, file, good } = await withBackup();
  for (let round = 0; round < 6; round++) {
    // As it was before the restore: another job, that the backup has not got.
    const db = openDatabase(file);
    db.exec('delete from jobs');
    new JobStore(db).create({ ...quillfeather(), id: `since${round}` });
    db.close();
    const { child } = program('restore.mjs', [good], { KATABASIS_DATA: data });
    setTimeout(() => child.kill('SIGKILL'), 60 + round * 40);
    await new Promise((gone) => child.once('close', gone));
    const after = openDatabase(file);
    const jobs = after.prepare<[], { id: string }>('select id from jobs').all();
    after.close();
    expect([[{ id: `since${round}` }], [{ id: 'clinic' }]]).toContainEqual(jobs);
  }
});

it('a question for another way of speaking, with a body behind it, is answered and its connection closed', async () => {
  const { base } = await start(folder()).said;
  const answer = await new Promise<string>((resolve) => {
    let said = '';
    const head = ['GET /api/health HTTP/1.1', 'Host: localhost', 'Connection: Upgrade', 'Upgrade: websocket'];
    const socket = connect(Number(new URL(base!).port), '127.0.0.1', () =>
      socket.write(`${[...head, 'Content-Length: 5'].join('\r\n')}\r\n\r\nhello`),
    );
    socket.on('data', (chunk) => (said += String(chunk)));
    socket.on('error', () => undefined);
    socket.on('close', () => resolve(said));
  });
  expect(answer).toMatch(/^HTTP\/1\.1 400 /);
  expect(answer).toContain('Connection: close');
  const headers = WITH_KEY;
  expect((await fetch(`${base}/api/health`, { headers })).status).toBe(200);
});
