import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { serve } from '../testing/serve';
import { DeviceStore } from './store';
import { Pairing } from './pairing';
import { openDatabase } from '../database';

const CODE = '12345678';

/** A server that the network reaches: a request is from its own machine only where a header of this test says so. */
function onLan() {
  const db = openDatabase(':memory:');
  const { app, server, close } = serve({
    db,
    pairing: new Pairing(CODE),
    addresses: () => ['http://192.168.1.20:4870'],
    isLocal: (ctx) => ctx.get('x-here') === 'yes',
  });
  return { app, server, db, close };
}

const pair = async ({ server }: ReturnType<typeof onLan>, name: string): Promise<string> => {
  const { headers } = await server.post('/api/devices/pair').send({ code: '1234 5678', name }).expect(201);
  const [cookie] = headers['set-cookie'] as unknown as string[];
  expect(cookie).toMatch(/httponly/i);
  expect(cookie).toMatch(/samesite=strict/i);
  return cookie!.split(';')[0]!;
};

it('lets nobody on the network read, change or delete before they typed the code', async () => {
  const lan = onLan();
  const { server } = lan;
  for (const path of ['/api/jobs', '/API/JOBS', '/api/jobs/clinic', '/api/devices', '/api/jobs/bin', '/api/events'])
    await server.get(path).expect(401);
  await server.post('/api/jobs').send({ id: 'x', elements: [] }).expect(401);
  await server.delete('/api/jobs/clinic').expect(401);
  await server.get('/api/health').expect(200);
  const phone = await pair(lan, 'Crew phone');
  await server.get('/api/jobs').set('Cookie', phone).expect(200);
  await server.get('/api/jobs').set('Cookie', `${phone}x`).expect(401);
  await server.get('/api/jobs').set('x-here', 'yes').expect(200);
});

it('writes down which device did what', async () => {
  const lan = onLan();
  const phone = await pair(lan, 'Crew phone');
  const head = { id: 'job', kind: 'job', name: 'Yard', units: 'us', pitchStyle: 'ground' };
  const change = (name: string, base: number) => ({
    change: `change-${name}`,
    label: `Call it ${name}`,
    puts: [{ base, element: { ...head, name } }],
    removes: [],
  });
  const { server } = lan;
  await server
    .post('/api/jobs')
    .set('Cookie', phone)
    .send({ id: 'yard', elements: [head] })
    .expect(201);
  const post = (): ReturnType<typeof server.post> => server.post('/api/jobs/yard/changes');
  // What a paired device calls itself in a header is not believed.
  await post().set({ Cookie: phone, 'katabasis-device': 'Office' }).send(change('One', 1)).expect(200);
  await post().set({ 'x-here': 'yes', 'katabasis-device': 'Office' }).send(change('Two', 2)).expect(200);
  await post().set({ 'x-here': 'yes', 'katabasis-device': '%E0%A4%A' }).send(change('Three', 3)).expect(200);
  const { body } = await server.get('/api/jobs/yard/history').set('Cookie', phone).expect(200);
  expect(body.changes.map(({ by }: { by: string }) => by)).toEqual(['This computer', 'Office', 'Crew phone']);
});

it('tells the code on its own machine only, and takes a device out at once', async () => {
  const lan = onLan();
  const { server } = lan;
  const [one, two] = [await pair(lan, 'One'), await pair(lan, 'Two')];
  const seen = (await server.get('/api/devices').set('Cookie', one).expect(200)).body;
  expect(seen.pairing).toBeNull();
  expect(seen.devices.map(({ name, own }: { name: string; own: boolean }) => [name, own])).toEqual([
    ['One', true],
    ['Two', false],
  ]);
  const here = (await server.get('/api/devices').set('x-here', 'yes').expect(200)).body;
  expect(here.pairing).toMatchObject({ code: '1234 5678', addresses: [{ url: 'http://192.168.1.20:4870' }] });
  expect(here.pairing.addresses[0].qr).toContain('<svg');
  const [, second] = seen.devices as { id: string }[];
  await server.delete(`/api/devices/${second!.id}`).set('Cookie', one).expect(403);
  await server.delete(`/api/devices/${second!.id}`).set('x-here', 'yes').expect(204);
  await server.get('/api/jobs').set('Cookie', two).expect(401);
  await server.get('/api/jobs').set('Cookie', one).expect(200);
});

it('shuts the door to guessing, for the right code too, and opens it again', async () => {
  jest.useFakeTimers({ now: 0, advanceTimers: true });
  const { server } = onLan();
  const guess = (code: string) => server.post('/api/devices/pair').send({ code, name: 'Guesser' });
  for (const code of ['', '1', '00000000', '123456789', '12345679', 'abcdefgh', '1234567', '١٢٣٤٥٦٧٨', '        ', '-'])
    await guess(code).expect(403);
  const { body } = await guess(CODE).expect(429);
  expect(body.title).toBe('Too many wrong codes. Wait 10 minutes.');
  // The owner, on the server's own machine, is not kept out by anybody's guessing.
  await guess(CODE).set('x-here', 'yes').expect(201);
  jest.advanceTimersByTime(11 * 60 * 1000);
  await guess(CODE).expect(201);
  jest.useRealTimers();
});

it('guessing from a thousand addresses is slowed in sum, and one address keeps no other out', async () => {
  const pairing = new Pairing(CODE);
  const tried = async (k: number): Promise<number> =>
    pairing.check('00000000', `203.0.${k >> 8}.${k & 255}`).then(
      () => 201,
      (error: { problem: { status: number } }) => error.problem.status,
    );
  const answers: number[] = [];
  for (let k = 0; k < 1000; k++) answers.push(await tried(k));
  expect(answers.filter((status) => status === 403)).toHaveLength(100);
  await expect(pairing.check(CODE, null)).resolves.toBeUndefined();
  const other = new Pairing(CODE);
  for (let k = 0; k < 20; k++) await other.check('1', '2001:db8:1:2::1').catch(() => undefined);
  await expect(other.check(CODE, '2001:db8:1:2:ffff::9')).rejects.toThrow('Too many');
  await expect(other.check(CODE, '2001:db8:1:3::9')).resolves.toBeUndefined();
});

it('keeps no token, only its hash', () => {
  const db = openDatabase(':memory:');
  const { token } = new DeviceStore(db).admit('Phone');
  expect(JSON.stringify(db.prepare('select * from devices').all())).not.toContain(token);
});

it('closes the open stream of a device that is shut out at once, and of no other', async () => {
  const lan = onLan();
  const listening = createServer(lan.app.callback());
  await new Promise<void>((done) => listening.listen(0, '127.0.0.1', done));
  const base = `http://127.0.0.1:${(listening.address() as AddressInfo).port}`;
  const [lost, stays] = [await pair(lan, 'Lost'), await pair(lan, 'Stays')];
  const listen = (cookie: string): Promise<Response> => fetch(`${base}/api/events`, { headers: { cookie } });
  const [first, second, other] = await Promise.all([listen(lost), listen(lost), listen(stays)]);
  const ended = (stream: Response): Promise<string> =>
    stream.text().then(
      () => 'ended',
      () => 'ended',
    );
  const { devices } = (await lan.server.get('/api/devices').set('x-here', 'yes')).body as {
    devices: { id: string; name: string }[];
  };
  const left = ended(other!);
  await lan.server
    .delete(`/api/devices/${devices.find(({ name }) => name === 'Lost')!.id}`)
    .set('x-here', 'yes')
    .expect(204);
  expect(await Promise.all([ended(first!), ended(second!)])).toEqual(['ended', 'ended']);
  expect((await listen(lost)).status).toBe(401);
  const soon = new Promise((done) => setTimeout(() => done('open'), 100));
  expect(await Promise.race([left, soon])).toBe('open');
  lan.close();
  listening.closeAllConnections();
  await new Promise((done) => listening.close(done));
});
