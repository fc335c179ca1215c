import { createHash } from 'node:crypto';
import { readdirSync, rmSync, statSync, utimesSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { openDatabase } from '../database';
import { DeviceStore } from '../devices/store';
import { folder, serve as served } from '../testing/serve';

/** Bytes that begin as a JPEG does. */
const photo = Buffer.concat([
  Buffer.from([0xff, 0xd8, 0xff, 0xe0]),
  Buffer.from(Array.from({ length: 70_000 }, (_, k) => (k * 31) % 251)),
]);
const hashOf = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');
const url = (bytes: Buffer): string => `/api/files/${hashOf(bytes)}`;

function serve() {
  const files = folder();
  const db = openDatabase(':memory:');
  return { server: served({ files, db }).server, files, db };
}

it('keeps a photo under the hash of its bytes, and gives it back for ever', async () => {
  const { server, files } = serve();
  await server.put(url(photo)).set('Content-Type', 'image/jpeg').send(photo).expect(204);
  // Sent again, as after a lost reply.
  await server.put(url(photo)).set('Content-Type', 'image/jpeg').send(photo).expect(204);
  const { body, headers } = await server.get(url(photo)).expect(200);
  expect(Buffer.compare(body as Buffer, photo)).toBe(0);
  expect(headers['content-type']).toBe('image/jpeg');
  expect(headers['cache-control']).toContain('immutable');
  expect(readdirSync(files)).toEqual([hashOf(photo)]);
});

it('refuses bytes that are not what their hash says, and leaves nothing of them', async () => {
  const { server, files } = serve();
  await server.put(url(photo)).set('Content-Type', 'image/jpeg').send(photo.subarray(1)).expect(422);
  await server.get(url(photo)).expect(404);
  expect(readdirSync(files)).toEqual([]);
});

it('never shows a page that somebody sent as one', async () => {
  const { server } = serve();
  const page = Buffer.from('<script>alert(1)</script>');
  await server.put(url(page)).set('Content-Type', 'text/html').send(page).expect(204);
  expect((await server.get(url(page)).expect(200)).headers['content-disposition']).toBe('attachment');
});

it('takes no more than a phone’s photo needs, and no name but a hash', async () => {
  const { server, files } = serve();
  const large = Buffer.alloc(20_000_001);
  await server.put(url(large)).set('Content-Type', 'image/jpeg').send(large).expect(413);
  expect(readdirSync(files)).toEqual([]);
  await server.get('/api/files/..%2fdemo.sqlite').expect(404);
  await server.put('/api/files/abc').set('Content-Type', 'image/jpeg').send(photo).expect(404);
});

const pieces = (bytes: Buffer, at: number): string => `${url(bytes)}/pieces?at=${at}&of=${bytes.length}`;

it('takes a file in pieces, and goes on where they broke off, in a server started since', async () => {
  const { server, files, db } = serve();
  const send = (to: typeof server, at: number, end: number) => to.put(pieces(photo, at)).send(photo.subarray(at, end));
  expect((await server.get(`${url(photo)}/pieces`).expect(200)).body).toEqual({ has: 0, done: false });
  expect((await send(server, 0, 30_000).expect(200)).body).toEqual({ has: 30_000, done: false });
  // One that does not join on is left; what is here is told.
  expect((await send(server, 40_000, 50_000).expect(200)).body).toEqual({ has: 30_000, done: false });
  // Sent again, as after a lost reply, and by two pages at once.
  const twice = await Promise.all([send(server, 20_000, 45_000), send(server, 0, 10_000)]);
  expect(twice.map(({ body }) => body.has)).toEqual([45_000, 45_000]);
  const again = served({ files, db }).server;
  expect((await again.get(`${url(photo)}/pieces`).expect(200)).body).toEqual({ has: 45_000, done: false });
  expect((await send(again, 45_000, photo.length).expect(200)).body).toEqual({ has: photo.length, done: true });
  expect(Buffer.compare((await again.get(url(photo)).expect(200)).body as Buffer, photo)).toBe(0);
  expect(readdirSync(files)).toEqual([hashOf(photo)]);
  expect((await send(again, 0, 10).expect(200)).body).toEqual({ has: photo.length, done: true });
});

it('pieces that are not what their hash says are let go of, and begun anew', async () => {
  const { server, files } = serve();
  const wrong = Buffer.from(photo);
  wrong[5] = 0;
  await server.put(pieces(photo, 0)).send(wrong.subarray(0, 40_000)).expect(200);
  await server.put(pieces(photo, 40_000)).send(photo.subarray(40_000)).expect(422);
  expect(readdirSync(files)).toEqual([]);
  await server.put(pieces(photo, 0)).send(photo).expect(200);
  await server
    .put(`${url(photo)}/pieces?at=0&of=${10 ** 9}`)
    .send(Buffer.alloc(2_000_000))
    .expect(413);
  const other = Buffer.from('other');
  await server
    .put(`${url(other)}/pieces?at=0&of=${10 ** 9}`)
    .send(other)
    .expect(413);
  await server
    .put(`${url(other)}/pieces?at=0&of=3`)
    .send(other)
    .expect(422);
});

it('a row whose bytes are gone says so, is told as lacking, and is taken in anew', async () => {
  const { server, files } = serve();
  await server.put(url(photo)).send(photo).expect(204);
  const ask = async (): Promise<string[]> =>
    (
      await server
        .post('/api/files/lacking')
        .send({ hashes: [hashOf(photo), 'f'.repeat(64)] })
        .expect(200)
    ).body.hashes;
  expect(await ask()).toEqual(['f'.repeat(64)]);
  // Cut short, and then gone.
  writeFileSync(join(files, hashOf(photo)), 'x');
  expect(await ask()).toEqual([hashOf(photo), 'f'.repeat(64)]);
  rmSync(join(files, hashOf(photo)));
  await server.get(url(photo)).expect(404);
  await server.put(url(photo)).send(photo).expect(204);
  expect(await ask()).toEqual(['f'.repeat(64)]);
  expect(Buffer.compare((await server.get(url(photo)).expect(200)).body as Buffer, photo)).toBe(0);
});

it('knows a file by its bytes, whatever its sender says it is', async () => {
  const { server } = serve();
  const page = Buffer.from('<script>alert(1)</script>');
  await server.put(url(page)).set('Content-Type', 'image/png').send(page).expect(204);
  const { headers } = await server.get(url(page)).expect(200);
  expect([headers['content-type'], headers['content-disposition']]).toEqual(['application/octet-stream', 'attachment']);
  await server.put(url(photo)).set('Content-Type', 'text/html').send(photo).expect(204);
  expect((await server.get(url(photo)).expect(200)).headers['content-type']).toBe('image/jpeg');
});

it('at its start lets go of what broke off long ago, and keeps the rest for its owner alone', async () => {
  const { server, files, db } = serve();
  await server.put(pieces(photo, 0)).send(photo.subarray(0, 100)).expect(200);
  const [young] = readdirSync(files);
  expect((statSync(join(files, young!)).mode & 0o777).toString(8)).toBe('600');
  for (const name of ['draft-1', 'abc.draft', 'piece-old']) writeFileSync(join(files, name), 'x');
  utimesSync(join(files, 'piece-old'), new Date(0), new Date(0));
  served({ files, db });
  expect(readdirSync(files)).toEqual([young]);
});

it('one device may take so much of the disk and no more; another still may, and so does the machine itself', async () => {
  const files = folder();
  const db = openDatabase(':memory:');
  const devices = new DeviceStore(db);
  const [full, other] = [devices.admit('Full'), devices.admit('Other')];
  db.prepare("insert into files (hash, size, type, kept_at, kept_by) values ('a', 4999999999, 'x', 'x', ?)").run(
    full.device.id,
  );
  const { server } = served({ files, db, isLocal: (ctx) => ctx.get('x-here') === 'yes' });
  const send = (token: string) => server.put(pieces(photo, 0)).set('Cookie', `katabasis=${token}`).send(photo);
  expect((await send(full.token).expect(413)).body.title).toBe(
    'This device has sent 5 GB of files, and the server takes no more from it.',
  );
  await send(other.token).expect(200);
  const own = Buffer.from('own');
  await server.put(pieces(own, 0)).set('x-here', 'yes').send(own).expect(200);
});
