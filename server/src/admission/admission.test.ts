import { createServer, request as httpRequest } from 'node:http';
import type { AddressInfo } from 'node:net';
import { readFileSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { quillfeather } from '@katabasis/core/samples';
import { Backups } from '../backups/backups';
import { readEverything } from '../backups/everything';
import { openDatabase } from '../database';
import { DeviceStore } from '../devices/store';
import { Pairing } from '../devices/pairing';
import { proxiesFrom } from '../http/cameFrom';
import { allowedHosts } from '../http/guard';
import { JobStore } from '../jobs/store';
import { ShareStore } from '../shares/store';
import { folder, serve } from '../testing/serve';
import { NearDoor } from './nearDoor';
import { keyCookie, keyHolder, keyIn } from './ownKey';
import { Withdrawals } from './withdrawals';

const KEY = 'a-key-of-this-test';
const CODE = '12345678';
const owned = (more: object = {}) =>
  serve({ isLocal: keyHolder(KEY), pairing: new Pairing(CODE), addresses: () => ['http://192.168.1.20:4870'], ...more })
    .server;

it('an address tells nothing: through a proxy on the same machine, however silent, everybody is a stranger', async () => {
  // Supertest itself comes from 127.0.0.1, with Host localhost, as a proxy that rewrites it does.
  const server = owned();
  await server.get('/api/jobs').expect(401);
  await server.delete('/api/jobs/clinic').expect(401);
  await server.get('/api/devices').expect(401);
  await server.get('/api/jobs').set('Katabasis-Key', KEY).expect(200);
  await server
    .get('/api/jobs')
    .set('Cookie', `${keyCookie(KEY)}=${KEY}`)
    .expect(200);
  for (const wrong of [`${KEY}x`, '', KEY.slice(1)])
    await server.get('/api/jobs').set('Katabasis-Key', wrong).expect(401);
});

it('who says that he comes through a proxy that was not named is a stranger, whatever he shows', async () => {
  const server = owned();
  for (const name of ['X-Forwarded-For', 'Forwarded', 'Via', 'X-Real-IP', 'X-Forwarded-Proto', 'CF-Connecting-IP']) {
    const stranger = (way: 'get' | 'delete', path: string) =>
      server[way](path)
        .set({ [name]: '203.0.113.9', 'Katabasis-Key': KEY })
        .expect(401);
    await stranger('get', '/api/jobs');
    await stranger('delete', '/api/jobs/clinic');
    await stranger('get', '/api/devices');
  }
});

it('the key lies where its owner alone can read it, and stays the same', () => {
  const file = join(folder(), 'deep', 'own-key');
  const key = keyIn(file);
  expect(key).toMatch(/^[\w-]{43}$/);
  expect(keyIn(file)).toBe(key);
  expect((statSync(file).mode & 0o777).toString(8)).toBe('600');
});

it('a named proxy is believed: https, its name, and who asks; the cookie is for https only', async () => {
  const named = ['drain.example.org'];
  const server = owned({
    proxies: proxiesFrom('127.0.0.1, ::1'),
    hosts: allowedHosts('127.0.0.1', named),
    named: new Set(named),
  });
  const through = (address: string) => ({
    'X-Forwarded-For': `198.51.100.7, ${address}`,
    'X-Forwarded-Proto': 'https',
    'X-Forwarded-Host': 'drain.example.org',
    Host: 'localhost',
  });
  const pair = (address: string, code: string, origin = 'https://drain.example.org') =>
    server
      .post('/api/devices/pair')
      .set({ ...through(address), Origin: origin })
      .send({ code, name: 'Phone' });
  const { headers } = await pair('203.0.113.1', CODE).expect(201);
  expect(String(headers['set-cookie'])).toMatch(/; secure/i);
  expect(headers['strict-transport-security']).toBe('max-age=31536000');
  await pair('203.0.113.1', CODE, 'https://evil.example').expect(403);
  // Guessing is counted by who guesses, not by the proxy.
  for (let k = 0; k < 10; k++) await pair('203.0.113.2', '00000000').expect(403);
  await pair('203.0.113.2', CODE).expect(429);
  await pair('203.0.113.3', CODE).expect(201);
  const stranger = { ...through('203.0.113.4'), 'X-Forwarded-Host': 'evil.example' };
  await server.get('/api/jobs').set(stranger).expect(403);
});

it('without a proxy named, a configured name is answered to, by https too', async () => {
  const named = ['drain.example.org'];
  const server = owned({ hosts: allowedHosts('127.0.0.1', named), named: new Set(named) });
  const from = (origin: string, host = 'drain.example.org') =>
    server.post('/api/devices/pair').set({ Host: host, Origin: origin }).send({ code: CODE, name: 'Phone' });
  const { headers } = await from('https://drain.example.org').expect(201);
  expect(String(headers['set-cookie'])).toMatch(/; secure/i);
  expect(String((await from('http://drain.example.org').expect(201)).headers['set-cookie'])).not.toMatch(/; secure/i);
  await from('https://drain.example.org', 'other.example.org').expect(403);
  await from('https://localhost', 'localhost').expect(403);
});

it('proxies are addresses or networks of them, and a word that is none is told', () => {
  const list = proxiesFrom('127.0.0.1 172.17.0.0/16,fd00::/8');
  expect(['127.0.0.1', '127.0.0.2', '172.17.3.4', '172.18.0.1'].map((each) => list.check(each))).toEqual([
    true,
    false,
    true,
    false,
  ]);
  expect(list.check('fd12::1', 'ipv6')).toBe(true);
  for (const wrong of ['proxy.local', '10.0.0.0/', '10.0.0.0/x', '1.2.3'])
    expect(() => proxiesFrom(wrong)).toThrow(`"${wrong}" is none`);
});

it('IPv6 is a host like any other', async () => {
  const listen = '2001:db8::5';
  const server = serve({ hosts: allowedHosts(listen) }).server;
  await server.get('/api/health').set('Host', '[2001:db8::5]:4870').expect(200);
  await server.get('/api/health').set('Host', '[::1]:4870').expect(200);
  await server.get('/api/health').set('Host', '[2001:db8::6]:4870').expect(403);
});

it('a device used after a while has its year begin anew', async () => {
  const db = openDatabase(':memory:');
  const { token } = new DeviceStore(db).admit('Phone');
  const server = owned({ db });
  const ask = () => server.get('/api/jobs').set('Cookie', `katabasis=${token}`).expect(200);
  expect((await ask()).headers['set-cookie']).toBeUndefined();
  db.exec("update devices set seen_at = '2020-01-01T00:00:00.000Z'");
  expect(String((await ask()).headers['set-cookie'])).toContain(`katabasis=${token}`);
});

/** What a page's script gets at the near door, or the status where it gets nothing. */
const atDoor = (port: number, headers: Record<string, string | undefined>): Promise<string | number> =>
  new Promise((resolve) => {
    httpRequest({ port, host: '127.0.0.1', headers }, (answer) => {
      let text = '';
      answer.on('data', (chunk) => (text += String(chunk)));
      answer.on('end', () => resolve(answer.statusCode === 200 ? text : answer.statusCode!));
    }).end();
  });

it('the near door gives a ticket to the page of this machine alone, and it is good once', async () => {
  const door = new NearDoor(() => 4870);
  await door.open();
  const { app, close } = serve({ isLocal: keyHolder(KEY), near: { door, key: KEY } });
  const listening = createServer(app.callback());
  await new Promise<void>((done) => listening.listen(0, '127.0.0.1', done));
  const base = `http://127.0.0.1:${(listening.address() as AddressInfo).port}`;
  expect((await fetch(`${base}/api/jobs`)).headers.get('katabasis-door')).toBe(String(door.port));
  const forwarded = await fetch(`${base}/api/jobs`, { headers: { 'X-Forwarded-For': '203.0.113.9' } });
  expect(forwarded.headers.get('katabasis-door')).toBeNull();
  const Host = `127.0.0.1:${door.port}`;
  for (const wrong of [
    { Host },
    { Host, Origin: 'http://localhost:3000' },
    { Host, Origin: 'https://drain.example.org' },
    { Host: 'rebound.example', Origin: 'http://localhost:4870' },
  ])
    expect(await atDoor(door.port, wrong)).toBe(403);
  const ticket = await atDoor(door.port, { Host, Origin: 'http://localhost:4870' });
  const show = (sent: unknown): Promise<Response> =>
    fetch(`${base}/api/here`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ ticket: sent }),
    });
  expect((await show('guessed')).status).toBe(403);
  const shown = await show(ticket);
  expect([shown.status, shown.headers.get('set-cookie')]).toEqual([204, expect.stringContaining('httponly')]);
  expect((await show(ticket)).status).toBe(403);
  door.close();
  close();
  listening.closeAllConnections();
  await new Promise((done) => listening.close(done));
});

/** A data folder with a paired phone and a link, and a copy of it made before both were withdrawn. */
async function withdrawnSince() {
  const data = folder();
  const paths = { database: join(data, 'yard.sqlite'), withdrawn: join(data, 'withdrawn'), files: join(data, 'files') };
  const db = openDatabase(paths.database);
  const withdrawals = new Withdrawals(paths.withdrawn);
  withdrawals.heed(db);
  new JobStore(db).create(quillfeather());
  const devices = new DeviceStore(db, withdrawals);
  const shares = new ShareStore(db, withdrawals);
  const [lost, stays] = [devices.admit('Lost'), devices.admit('Stays')];
  const link = shares.make('quillfeather', 'crew');
  const copy = await new Backups(join(data, 'backups')).make(db);
  devices.withdraw(lost.device.id);
  shares.withdraw('quillfeather', shares.of('quillfeather')[0]!.id);
  db.close();
  /** Puts the copy back, and starts over it. */
  const again = () => {
    readEverything(copy, paths.database, paths.files);
    const restored = openDatabase(paths.database);
    const heeded = new Withdrawals(paths.withdrawn);
    const anew = heeded.heed(restored);
    return { server: owned({ db: restored, withdrawals: heeded }), anew };
  };
  return { paths, lost: lost.token, stays: stays.token, link, again };
}

it('a copy put back lets nobody in who was shut out since', async () => {
  const { lost, stays, link, again } = await withdrawnSince();
  const { server, anew } = again();
  await server.get('/api/jobs').set('Cookie', `katabasis=${lost}`).expect(401);
  await server.get('/api/jobs').set('Cookie', `katabasis=${stays}`).expect(200);
  await server.get(`/s/${link}`).expect(410);
  expect(anew).toBe(0);
});

it('where nobody can tell who was shut out since, all are asked anew', async () => {
  const { paths, lost, stays, link, again } = await withdrawnSince();
  expect(readFileSync(paths.withdrawn, 'utf8').trim().split('\n')).toHaveLength(2);
  rmSync(paths.withdrawn);
  const { server, anew } = again();
  for (const token of [lost, stays]) await server.get('/api/jobs').set('Cookie', `katabasis=${token}`).expect(401);
  await server.get(`/s/${link}`).expect(410);
  expect(anew).toBe(3);
});

it('a device has so many pages that listen, and a guesser of links so many guesses; both are told in words', async () => {
  const db = openDatabase(':memory:');
  const { token } = new DeviceStore(db).admit('Phone');
  const { app, close, server } = serve({ db, isLocal: () => false });
  const listening = createServer(app.callback());
  await new Promise<void>((done) => listening.listen(0, '127.0.0.1', done));
  const base = `http://127.0.0.1:${(listening.address() as AddressInfo).port}`;
  const listen = () => fetch(`${base}/api/events`, { headers: { cookie: `katabasis=${token}` } });
  const open = await Promise.all(Array.from({ length: 12 }, listen));
  expect(open.map(({ status }) => status)).toEqual(Array(12).fill(200));
  const refused = await listen();
  expect([refused.status, ((await refused.json()) as { title: string }).title]).toEqual([
    429,
    'This device listens on 12 pages already. Close some of them.',
  ]);
  for (let k = 0; k < 20; k++) await server.get(`/s/guess${k}`).expect(404);
  await Promise.all(open.map(({ body }) => body!.cancel()));
  const { text } = await server.get('/s/one-more').expect(429);
  expect(text).toContain('<h1>Too many links were asked for that nobody made. Wait 10 minutes.</h1>');
  close();
  listening.closeAllConnections();
  await new Promise((done) => listening.close(done));
});
