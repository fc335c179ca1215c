import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { hostname, tmpdir } from 'node:os';
import { join } from 'node:path';
import { quillfeather } from '@katabasis/core/samples';
import type { Element, JobReply, Problem } from '@katabasis/core';
import Database from 'better-sqlite3';
import { MIGRATIONS, migrationFiles, openDatabase, type Db } from './database';
import { JobStore } from './jobs/store';
import { Summaries } from './jobs/summaries';
import { allowedHosts } from './http/guard';
import { serve as served } from './testing/serve';

const elements = (): Element[] => [...quillfeather().elements];
const wye = (name: string): Element => ({ id: 'wye2', kind: 'junction', form: 'wye', name, groundLevel: -0.27 });

const serve = (db: Db = openDatabase(':memory:'), web?: string) => served({ db, ...(web ? { web } : {}) }).server;

async function withJob() {
  const server = serve();
  await server.post('/api/jobs').send({ id: 'clinic', elements: elements() }).expect(201);
  return server;
}

const put = (change: string, base: number, element: Element) => ({
  change,
  label: 'Change it',
  puts: [{ base, element }],
  removes: [],
});

describe('jobs', () => {
  it('lists a job with its verdict, and gives back what was put', async () => {
    const server = await withJob();
    expect((await server.get('/api/jobs').expect(200)).body.jobs).toMatchObject([{ id: 'clinic', verdict: null }]);
    await new Promise(setImmediate);
    const { body } = await server.get('/api/jobs').expect(200);
    expect(body.jobs).toMatchObject([
      { id: 'clinic', name: 'Quillfeather Animal Clinic', seq: 0, verdict: { state: 'stop', stops: 1, fixes: 1 } },
    ]);
    const reply = (await server.get('/api/jobs/clinic')).body as JobReply;
    expect(reply.elements.map(({ element }) => element)).toEqual(elements());
  });

  it('takes the same new job twice, as a lost reply makes it come, and no other of that id', async () => {
    const server = await withJob();
    await server.post('/api/jobs').send({ id: 'clinic', elements: elements() }).expect(201);
    await server
      .post('/api/jobs')
      .send({ id: 'clinic', elements: elements().slice(0, 2) })
      .expect(409);
  });

  it('refuses a bad job with every fault named, and saves nothing of it', async () => {
    const server = serve();
    const bad = elements().map((element) => (element.kind === 'run' ? { ...element, length: -1 } : element));
    const { body } = await server
      .post('/api/jobs')
      .send({ id: 'bad', elements: bad })
      .expect(422)
      .expect('Content-Type', /application\/problem\+json/);
    expect((body as Problem).faults).toHaveLength(8);
    expect((body as Problem).faults![0]).toEqual({
      path: 'elements[19] (runKennel).length',
      sentence: 'must be more than 0',
    });
    expect((await server.get('/api/jobs')).body).toEqual({ jobs: [], total: 0, next: null });
  });

  it('takes a job out and brings it back', async () => {
    const server = await withJob();
    await server.delete('/api/jobs/clinic').expect(204);
    await server.get('/api/jobs/clinic').expect(404);
    await server.post('/api/jobs/clinic/restore').expect(204);
    await server.get('/api/jobs/clinic').expect(200);
  });
});

describe('changes', () => {
  it('answers a stale one with the present element, and saves nothing', async () => {
    const server = await withJob();
    await server
      .post('/api/jobs/clinic/changes')
      .send(put('change-one', 1, wye('One')))
      .expect(200, { seq: 1, versions: { wye2: 2 } });
    const { body } = await server
      .post('/api/jobs/clinic/changes')
      .send(put('change-two', 1, wye('Two')))
      .expect(409);
    expect((body as Problem).conflicts).toEqual([{ id: 'wye2', version: 2, element: wye('One') }]);
    await server
      .post('/api/jobs/clinic/changes')
      .send(put('change-two', 2, wye('Two')))
      .expect(200);
  });

  it('answers the same change sent again as the first time', async () => {
    const server = await withJob();
    const first = await server.post('/api/jobs/clinic/changes').send(put('change-one', 1, wye('One')));
    await server
      .post('/api/jobs/clinic/changes')
      .send(put('change-one', 1, wye('One')))
      .expect(200, first.body);
    expect((await server.get('/api/jobs/clinic')).body.seq).toBe(1);
  });

  it('refuses what would leave a run pointing at nothing', async () => {
    const server = await withJob();
    const { body } = await server
      .post('/api/jobs/clinic/changes')
      .send({ change: 'change-one', label: 'Cut', puts: [], removes: [{ base: 1, id: 'wye2' }] })
      .expect(422);
    expect((body as Problem).faults!.map((fault) => fault.path)).toEqual([
      'elements.trunkUpper.to',
      'elements.runStreet.to',
      'elements.trunkLower.from',
    ]);
  });

  it('names the field that cannot be', async () => {
    const server = await withJob();
    const { body } = await server
      .post('/api/jobs/clinic/changes')
      .send(put('change-one', 1, { ...wye('x'), groundLevel: 1e9 } as Element))
      .expect(422);
    expect((body as Problem).faults).toEqual([
      { path: 'puts.0.element.groundLevel', sentence: 'must be less than 9000 or equal to it' },
    ]);
  });

  it('is still there when the file is opened again', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'katabasis-db-')), 'jobs.sqlite');
    const db = openDatabase(file);
    await serve(db).post('/api/jobs').send({ id: 'clinic', elements: elements() });
    await serve(db)
      .post('/api/jobs/clinic/changes')
      .send(put('change-one', 1, wye('Kept')));
    // No closing: as after a kill.
    const again = (await serve(openDatabase(file)).get('/api/jobs/clinic')).body as JobReply;
    expect(again.seq).toBe(1);
    expect(again.elements.find(({ element }) => element.id === 'wye2')!.element).toEqual(wye('Kept'));
    expect(db.pragma('synchronous', { simple: true })).toBe(2);
    expect(db.pragma('journal_mode', { simple: true })).toBe('wal');
  });
});

describe('at the door', () => {
  it.each([
    ['a foreign host', { Host: 'evil.example' }, 403],
    ['a foreign origin', { Origin: 'http://evil.example' }, 403],
    ['its own page', { Origin: 'http://localhost', Host: 'localhost' }, 200],
  ])('%s', (_, headers, status) =>
    serve()
      .get('/api/jobs')
      .set({ Host: 'localhost', ...headers })
      .expect(status),
  );

  it('answers to its names on the network', () => {
    const names = allowedHosts('0.0.0.0');
    const own = hostname().toLowerCase();
    for (const name of ['localhost', own, `${own.replace(/\.local$/, '')}.local`]) expect(names).toContain(name);
    expect(allowedHosts('127.0.0.1')).not.toContain(own);
  });

  it('takes in no broken JSON, and no body over its limit', async () => {
    await serve()
      .post('/api/jobs')
      .set('Content-Type', 'application/json')
      .send('{"id": ')
      .expect(400)
      .expect('Content-Type', /problem/);
    await serve()
      .post('/api/jobs')
      .set('Content-Type', 'application/json')
      .send(`{"id":"${'x'.repeat(9_000_000)}"}`)
      .expect(413);
  });

  it('sends the policy, hashed files for ever, and the page for any other path', async () => {
    const web = mkdtempSync(join(tmpdir(), 'katabasis-web-'));
    writeFileSync(join(web, 'index.html'), '<p>the page');
    const server = serve(openDatabase(':memory:'), web);
    const { headers, text } = await server.get('/job/clinic/plan').expect(200);
    expect(text).toBe('<p>the page');
    expect(headers['cache-control']).toBe('no-cache');
    expect(headers['content-security-policy']).toContain("script-src 'self'");
    expect(headers['x-content-type-options']).toBe('nosniff');
    await server.get('/missing.js').expect(404);
    await server
      .get('/api/nothing')
      .expect(404)
      .expect('Content-Type', /problem/);
  });
});

it('runs every migration once, and refuses a database of a later version', () => {
  const file = join(mkdtempSync(join(tmpdir(), 'katabasis-db-')), 'jobs.sqlite');
  const db = openDatabase(file);
  const version = db.pragma('user_version', { simple: true }) as number;
  expect(openDatabase(file).pragma('user_version', { simple: true })).toBe(version);
  db.pragma(`user_version = ${version + 1}`);
  expect(() => openDatabase(file)).toThrow(/later version/);
  expect(readFileSync(file).length).toBeGreaterThan(0);
});

it('takes over a database of an earlier version, with its jobs in their order and their heads for the list', () => {
  const file = join(mkdtempSync(join(tmpdir(), 'katabasis-db-')), 'jobs.sqlite');
  const old = new Database(file);
  for (const name of migrationFiles().slice(0, 2)) old.exec(readFileSync(join(MIGRATIONS, name), 'utf8'));
  old.pragma('user_version = 2');
  old.exec("insert into jobs values ('clinic', 3, '2026-01-01T00:00:00.000Z', '2026-01-02T00:00:00.000Z', null)");
  const put = old.prepare('insert into elements values (?, ?, ?, ?, ?, ?)');
  elements().forEach((element, place) =>
    put.run('clinic', element.id, element.kind, 1, place, JSON.stringify(element)),
  );
  old.exec("insert into changes values ('clinic', 3, 'change-three', 'Name it', '{}', '{}', '2026-01-02', 'owner')");
  old.close();
  const db = openDatabase(file);
  const store = new JobStore(db);
  expect(store.job('clinic').elements.all).toEqual(elements());
  expect(store.history('clinic', 99, 10).changes).toMatchObject([{ seq: 3, by: 'owner' }]);
  const row = new Summaries(db, 'this', () => undefined).list({ find: 'QUILLFEATHER' }).jobs[0];
  expect(row).toMatchObject({ name: 'Quillfeather Animal Clinic', seq: 3 });
});
