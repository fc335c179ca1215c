import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { quillfeather } from '@katabasis/core/samples';
import type { ServerState } from '@katabasis/core';
import { folder } from '../testing/serve';
import { endReplicator, restoreInto } from '../trial/replica';
import { send, startServer, WITH_KEY, type Started } from '../trial/started';
import { replicaKeyAt, replicaKeyIn, type ReplicaKey } from './key';
import { placeFrom, putTogether } from './litestream';
import { Replica } from './replica';

const elements = quillfeather().elements.all;
const swale = elements.find(({ id }) => id === 'swale')!;
const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

const rename = (at: Started, seq: number) =>
  send('POST', `${at.base}/api/jobs/yard/changes`, {
    change: `change-${seq}-name`,
    label: `Call it ${seq}`,
    puts: [{ base: seq, element: { ...swale, name: `Swale ${seq}` } }],
    removes: [],
  });
const stateOf = async (at: Started): Promise<ServerState> =>
  (await send('GET', `${at.base}/api/state`)).body as ServerState;

const runs = (pid: string): boolean =>
  existsSync(`/proc/${pid}/cmdline`) && readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('litestream');
async function replicated(env: Record<string, string> = {}) {
  const [data, copy] = [join(folder(), 'data'), folder()];
  mkdirSync(data);
  const url = `file://${copy}`;
  const start = () => startServer(data, { KATABASIS_REPLICA: url, ...env });
  const at = await start();
  expect((await send('POST', `${at.base}/api/jobs`, { id: 'yard', elements })).status).toBe(201);
  return { data, copy, url, at, start };
}

/** How many changes the replica holds of the yard. */
async function heldOf(url: string, key: ReplicaKey | null): Promise<number> {
  const target = join(folder(), 'held.sqlite');
  await putTogether(placeFrom(url, key), target);
  const db = new Database(target, { readonly: true });
  const { seq } = db.prepare("select seq from jobs where id = 'yard'").get() as { seq: number };
  db.close();
  return seq;
}
/** Until it holds so many; in its first moment there is nothing to put together yet. */
async function untilHeld(url: string, seq: number, key: ReplicaKey | null = null): Promise<void> {
  for (let tries = 0; (await heldOf(url, key).catch(() => -1)) < seq; tries++) {
    if (tries > 100) throw new Error(`The replica never came to ${seq}.`);
    await pause(100);
  }
}

it('of a machine that is lost all comes back that the replica holds, photos too, and what was before can be had', async () => {
  const { data, copy, url, at, start } = await replicated();
  const photo = Buffer.from('a photo of a trench');
  const hash = createHash('sha256').update(photo).digest('hex');
  await fetch(`${at.base}/api/files/${hash}`, { method: 'PUT', headers: WITH_KEY, body: photo });
  const change = async (from: number, to: number): Promise<void> => {
    for (let seq = from; seq <= to; seq++) expect((await rename(at, seq)).status).toBe(200);
  };
  await change(1, 10);
  await untilHeld(url, 10);
  const early = new Date().toISOString();
  await pause(1500);
  await change(11, 20);
  await untilHeld(url, 20);
  await expect(stateOf(at)).resolves.toMatchObject({ replica: { running: true, photos: 0 } });
  await change(21, 30);
  await at.kill();
  endReplicator(data);
  rmSync(data, { recursive: true });
  mkdirSync(data);
  await restoreInto(data, '--from', url);
  const back = await start();
  const { seq } = (await send('GET', `${back.base}/api/jobs/yard`)).body as { seq: number };
  expect(seq).toBeGreaterThanOrEqual(20);
  expect((await fetch(`${back.base}/api/files/${hash}`, { headers: WITH_KEY })).status).toBe(200);
  // It goes on following, as another life of the database.
  expect((await rename(back, seq + 1)).status).toBe(200);
  await back.kill();
  endReplicator(data);
  const old = join(folder(), 'old');
  mkdirSync(old);
  await restoreInto(old, '--from', url, '--at', early);
  const db = new Database(join(old, 'katabasis.sqlite'), { readonly: true });
  expect(db.prepare("select seq from jobs where id = 'yard'").get()).toEqual({ seq: 10 });
  db.close();
  expect(existsSync(join(copy, 'files', hash))).toBe(true);
});

it('a server started again after a kill has one replicator, and a drill says whether the replica can be put together', async () => {
  const { data, copy, url, at, start } = await replicated();
  const first = readFileSync(join(data, 'litestream.pid'), 'utf8');
  await at.kill();
  const again = await start();
  expect(readFileSync(join(data, 'litestream.pid'), 'utf8')).not.toBe(first);
  // What nobody has buried yet does nothing any more, and has no command line.
  await pause(200);
  expect(runs(first)).toBe(false);
  await pause(2000);
  const replica = new Replica({
    database: join(data, 'katabasis.sqlite'),
    files: join(data, 'files'),
    folder: data,
    place: placeFrom(url),
  });
  expect((await replica.drill()).why).toBeNull();
  expect((await stateOf(again)).replica!.drill!.why).toBeNull();
  await again.kill();
  endReplicator(data);
  rmSync(join(copy, 'database'), { recursive: true });
  expect((await replica.drill()).why).toMatch(/could not be put together/);
});

/** Every byte of every file below a folder. */
const bytesBelow = (below: string): Buffer =>
  Buffer.concat(
    readdirSync(below, { withFileTypes: true, recursive: true })
      .filter((entry) => entry.isFile())
      .map((entry) => readFileSync(join(entry.parentPath, entry.name))),
  );

it('a replica with a key says nothing to who has it without the key, and all to who has both', async () => {
  const keyAt = join(folder(), 'replica-key');
  const { data, copy, url, at } = await replicated({ KATABASIS_REPLICA_KEY: keyAt });
  const photo = Buffer.from('a photo of a trench by the pear tree');
  const hash = createHash('sha256').update(photo).digest('hex');
  // One that was copied before there was a key lies open no more.
  mkdirSync(join(copy, 'files'), { recursive: true });
  writeFileSync(join(copy, 'files', hash), photo);
  await fetch(`${at.base}/api/files/${hash}`, { method: 'PUT', headers: WITH_KEY, body: photo });
  for (let seq = 1; seq <= 3; seq++) expect((await rename(at, seq)).status).toBe(200);
  const key = await replicaKeyIn(keyAt);
  await untilHeld(url, 3, key);
  while ((await stateOf(at)).replica!.photos > 0) await pause(100);
  expect((await stateOf(at)).replica).toMatchObject({ sealed: true, running: true });
  await at.kill();
  endReplicator(data);
  expect(statSync(keyAt).mode & 0o077).toBe(0);
  for (const words of ['pear tree', 'Quillfeather', 'SQLite format 3'])
    expect(bytesBelow(copy).includes(words)).toBe(false);
  const restored = join(folder(), 'restored');
  mkdirSync(restored);
  await expect(restoreInto(restored, '--from', url)).rejects.toMatchObject({ code: 1 });
  const other = join(folder(), 'other-key');
  await replicaKeyAt(other);
  for (const [name, wrong] of [
    ['another', other],
    ['none', join(folder(), 'nowhere')],
  ]) {
    process.env.KATABASIS_REPLICA_KEY = wrong;
    await expect(restoreInto(restored, '--from', url)).rejects.toMatchObject({ code: 1 });
    expect([name, existsSync(join(restored, 'katabasis.sqlite'))]).toEqual([name, false]);
  }
  process.env.KATABASIS_REPLICA_KEY = keyAt;
  await restoreInto(restored, '--from', url);
  delete process.env.KATABASIS_REPLICA_KEY;
  const db = new Database(join(restored, 'katabasis.sqlite'), { readonly: true });
  expect(db.prepare("select seq from jobs where id = 'yard'").get()).toEqual({ seq: 3 });
  db.close();
  expect(readFileSync(join(restored, 'files', hash))).toEqual(photo);
});

it('tells in words what is no place for a replica, and restores nothing from none', async () => {
  for (const wrong of ['somewhere', 'ftp://a/b', '/mnt/disk']) expect(() => placeFrom(wrong)).toThrow('neither');
  const data = folder();
  writeFileSync(join(data, 'mine'), 'x');
  for (const [args, words] of [
    [['--from', `file://${folder()}`], 'could not be put together'],
    [['--from', `file://${folder()}`, '--at', 'yesterday'], 'wants a time'],
    [[], 'Name the backup'],
  ] as const)
    await expect(restoreInto(data, ...args)).rejects.toMatchObject({ code: 1, stderr: expect.stringContaining(words) });
  expect(existsSync(join(data, 'katabasis.sqlite'))).toBe(false);
});
