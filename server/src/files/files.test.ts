import { createHash } from 'node:crypto';
import { readdirSync } from 'node:fs';
import { folder, serve as served } from '../testing/serve';

const photo = Buffer.from(Array.from({ length: 70_000 }, (_, k) => (k * 31) % 251));
const hashOf = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');
const url = (bytes: Buffer): string => `/api/files/${hashOf(bytes)}`;

function serve() {
  const files = folder();
  return { server: served({ files }).server, files };
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
