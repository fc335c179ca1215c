import { Agent, createServer, request, type Server } from 'node:http';
import { connect, type AddressInfo } from 'node:net';
import { brotliCompressSync, deflateSync, gzipSync } from 'node:zlib';
import fc from 'fast-check';
import { quillfeather } from '@katabasis/core/samples';
import type { Element, Problem } from '@katabasis/core';
import { openDatabase } from './database';
import { serve } from './testing/serve';

const head = { id: 'job', kind: 'job', name: 'Yard', units: 'us', pitchStyle: 'ground' };
const post = (elements: unknown[]) => serve().server.post('/api/jobs').send({ id: 'yard', elements });

/** Gutters that lead to one another every way there is. */
const gutters = (count: number): unknown[] =>
  Array.from({ length: count }, (_, k) => ({
    id: `d${k}`,
    kind: 'downspout',
    name: `d${k}`,
    storey: 2,
    size: 'rect2x3',
    groundLevel: 0,
    landsOn: Array.from({ length: 20 }, (__, n) => ({ to: `d${(k * 7 + n * 13 + 1) % count}`, share: 1 })),
  }));

const landing = (id: string): unknown => ({ id, kind: 'junction', form: 'wye', name: id, groundLevel: 0 });
const run = (k: number, from: string, to: string): unknown => ({
  id: `r${k}`,
  kind: 'run',
  from,
  to,
  length: 5,
  material: 'smooth',
  nominal: 0.1016,
  grade: { type: 'auto' },
});

/** Told faults: 200 at most and how many more, in an answer that a phone can take. */
async function refusedBriefly(elements: unknown[], least: number): Promise<void> {
  const { body, text } = await post(elements).expect(422);
  const { faults } = body as Problem;
  expect(faults).toHaveLength(201);
  expect(faults!.at(-1)!.path).toBe('and');
  expect(Number(faults!.at(-1)!.sentence.replace(/[^\d]/g, ''))).toBeGreaterThanOrEqual(least);
  expect(text.length).toBeLessThan(100_000);
}

describe('one post does not stop it', () => {
  it('gutters that all lead round', () => refusedBriefly([head, ...gutters(6000)], 3000));
  it('one ring of nine thousand', () =>
    post([
      head,
      ...Array.from({ length: 9000 }, (_, k) => landing(`w${k}`)),
      ...Array.from({ length: 9000 }, (_, k) => run(k, `w${k}`, `w${(k + 1) % 9000}`)),
    ])
      .expect(422)
      .expect(({ text }) => expect(text.length).toBeLessThan(2000)));
  it('nineteen thousand runs out of one landing', () =>
    refusedBriefly(
      [head, landing('a'), landing('b'), ...Array.from({ length: 19_000 }, (_, k) => run(k, 'a', 'b'))],
      18_000,
    ));
  it('elements that are none', () =>
    refusedBriefly([head, ...Array.from({ length: 19_000 }, (_, k) => ({ id: `x${k}`, kind: 'y' }))], 18_000));
  it('a change of nineteen thousand runs out of one landing', async () => {
    const { server } = serve();
    await server
      .post('/api/jobs')
      .send({ id: 'yard', elements: [head, landing('a'), landing('b')] })
      .expect(201);
    const puts = Array.from({ length: 19_000 }, (_, k) => ({ base: 0, element: run(k, 'a', 'b') }));
    const body = { change: 'change-one', label: 'x', puts, removes: [] };
    const { text } = await server.post('/api/jobs/yard/changes').send(body).expect(422);
    expect(text.length).toBeLessThan(100_000);
  });
});

describe('what a client sends wrong is never told as the server’s fault', () => {
  it('bytes that do not unpack', async () => {
    const { server } = serve();
    const whole = gzipSync(JSON.stringify({ id: 'x', elements: [] }));
    for (const bytes of [Buffer.from('no gzip'), whole.subarray(0, 12), Buffer.alloc(0)])
      await server
        .post('/api/jobs')
        .set({ 'Content-Type': 'application/json', 'Content-Encoding': 'gzip' })
        .serialize((body: unknown) => body as string)
        .send(bytes as unknown as string)
        .expect(({ status }) => expect([400, 422]).toContain(status));
  });

  it.each(['identity;q=0', '*;q=0', 'identity;q=0, br;q=0', 'nonsense;;q=x', '\u00e9'])(
    'an encoding that nobody has: %s',
    async (accept) => {
      const { server } = serve();
      await server.post('/api/jobs').send({ id: 'clinic', elements: [...quillfeather().elements] });
      for (const path of ['/api/jobs/clinic', '/api/health', '/nothing'])
        await server
          .get(path)
          .set('Accept-Encoding', accept)
          .expect(({ status }) => expect(status).toBeLessThan(500));
    },
  );

  it('a query that is none', async () => {
    const { server } = serve();
    for (const query of [
      'limit=0',
      'limit=x',
      'state=lost',
      'from=yesterday',
      'find=a&find=b',
      '__proto__=1',
      'after=%',
    ])
      await server.get(`/api/jobs?${query}`).expect(({ status }) => expect(status).toBeLessThan(500));
    await server.get('/api/jobs?limit=x').expect(422);
  });

  describe('by the wire', () => {
    let listening: Server;
    const said = (text: string): Promise<string> =>
      new Promise((resolve) => {
        const socket = connect((listening.address() as AddressInfo).port, '127.0.0.1', () => socket.write(text));
        let answer = '';
        socket.on('data', (chunk) => (answer += chunk.toString()));
        socket.on('error', () => resolve(answer));
        socket.on('close', () => resolve(answer));
      });
    beforeAll(
      () =>
        new Promise<void>((done) => (listening = createServer(serve().app.callback()).listen(0, '127.0.0.1', done))),
    );
    afterAll(() => void listening.close());

    /** One request of a connection that is kept; gives its status, and the client's port, by which it is known. */
    const onOne = (agent: Agent, method: string, path: string, body?: Buffer): Promise<[number, number]> =>
      new Promise((resolve, reject) => {
        const { port } = listening.address() as AddressInfo;
        const headers = { Host: 'localhost', ...(body ? { 'Content-Length': body.length } : {}) };
        const asked = request({ agent, port, host: '127.0.0.1', method, path, headers }, (answer) => {
          answer.resume();
          const { localPort } = asked.socket!;
          answer.on('end', () => resolve([answer.statusCode!, localPort!]));
        });
        asked.on('error', reject);
        asked.end(body);
      });

    it.each([
      ['a file of 21 MB', 'PUT', `/api/files/${'a'.repeat(64)}`, 21_000_000, 413],
      ['a piece of 2 MB', 'PUT', `/api/files/${'a'.repeat(64)}/pieces?at=0&of=5`, 2_000_000, 413],
      ['a job of 9 MB to be printed', 'POST', '/api/sheets/set.pdf', 9_000_000, 415],
      ['a new job of 9 MB', 'POST', '/api/jobs', 9_000_000, 422],
    ])('a connection goes on after %s was refused', async (_, method, path, size, status) => {
      const agent = new Agent({ keepAlive: true, maxSockets: 1 });
      const [refused, connection] = await onOne(agent, method, path, Buffer.alloc(size));
      expect(refused).toBe(status);
      // Asked at once it waits until the body has run out, and goes by the same connection.
      expect(await onOne(agent, 'GET', '/api/health')).toEqual([200, connection]);
      agent.destroy();
    });

    it.each([
      'GET http://[::bad HTTP/1.1',
      'GET /%E0%A4%A HTTP/1.1',
      'GET /api/jobs/%00 HTTP/1.1',
      'GET //evil.example/%2e%2e HTTP/1.1',
      'GET /api/../../etc/passwd HTTP/1.1',
      'OPTIONS * HTTP/1.1',
      'BREW /api/jobs HTTP/1.1',
      'GET /API/Jobs/none HTTP/1.1',
    ])('%s', async (line) => {
      const answer = await said(`${line}\r\nHost: localhost\r\nConnection: close\r\n\r\n`);
      expect(answer).toMatch(/^HTTP\/1.1 [24]\d\d/);
    });
  });
});

describe('a disk that will not take it', () => {
  const withClinic = async () => {
    const db = openDatabase(':memory:');
    const { server } = serve({ db });
    await server
      .post('/api/jobs')
      .send({ id: 'clinic', elements: [...quillfeather().elements] })
      .expect(201);
    return { db, server };
  };
  const change = (base: number, name: string) => ({
    change: `change-${name.slice(0, 8)}`,
    label: 'x',
    puts: [{ base, element: { ...quillfeather().elements.get('wye2')!, name } as Element }],
    removes: [],
  });

  it('full: says so, in its health as well, saves nothing by halves, and goes on when there is room', async () => {
    const { db, server } = await withClinic();
    const pages = db.pragma('page_count', { simple: true }) as number;
    db.pragma(`max_page_count = ${pages}`);
    let seq = 0;
    for (let k = 0; k < 200; k++) {
      const { status, body } = await server
        .post('/api/jobs/clinic/changes')
        .send(change(seq + 1, `${k}-`.padEnd(100, 'x')));
      if (status === 200) {
        seq = (body as { seq: number }).seq;
        continue;
      }
      expect([status, (body as Problem).title]).toEqual([507, 'The server’s disk is full.']);
      break;
    }
    expect((await server.get('/api/health').expect(503)).body).toEqual({
      ok: false,
      why: 'The server’s disk is full.',
    });
    expect((await server.get('/api/state')).body.problems).toMatchObject([{ status: 507 }]);
    expect((await server.get('/api/jobs/clinic').expect(200)).body.seq).toBe(seq);
    db.pragma('max_page_count = 1000000');
    await server.get('/api/health').expect(200, { ok: true });
    await server
      .post('/api/jobs/clinic/changes')
      .send(change(seq + 1, 'room'))
      .expect(200);
  });

  it('read-only', async () => {
    const { db, server } = await withClinic();
    db.pragma('query_only = ON');
    const { body } = await server.post('/api/jobs/clinic/changes').send(change(1, 'x')).expect(503);
    expect((body as Problem).title).toMatch(/may not write/);
    await server.get('/api/jobs/clinic').expect(200);
  });
});

it('hides no job behind one that cannot be read, and gives that one out as it lies', async () => {
  const db = openDatabase(':memory:');
  const { server } = serve({ db });
  for (const id of ['good', 'torn', 'odd'])
    await server
      .post('/api/jobs')
      .send({ id, elements: [...quillfeather().elements] })
      .expect(201);
  db.exec(`update elements set body = '{"id":' where job_id = 'torn' and id = 'wye1'`);
  db.exec(`update elements set body = '{"id":"job","kind":"spaceship"}' where job_id = 'odd' and id = 'job'`);
  const fresh = serve({ db }).server;
  await fresh.get('/api/jobs').expect(200);
  await new Promise(setImmediate);
  const rows = (await fresh.get('/api/jobs').expect(200)).body.jobs as {
    id: string;
    trouble?: string;
    verdict: unknown;
  }[];
  const of = (id: string) => rows.find((row) => row.id === id)!;
  expect(of('good').verdict).not.toBeNull();
  expect(of('torn').trouble).toBe('This job is kept, but cannot be read here: "wye1" is not written whole.');
  expect(of('odd').trouble).toMatch(/job\.kind is of no kind that this version knows/);
  await fresh.get('/api/jobs/torn').expect(422);
  const raw = (await fresh.get('/api/jobs/torn/raw').expect(200)).body;
  expect(raw.rows).toHaveLength(quillfeather().elements.size);
  expect(raw.rows.find(({ id }: { id: string }) => id === 'wye1').body).toBe('{"id":');
  await fresh.delete('/api/jobs/torn').expect(204);
  expect((await fresh.get('/api/jobs/bin').expect(200)).body.jobs).toMatchObject([{ id: 'torn' }]);
});

it('a body that does not unpack was ill sent, whatever it is called and wherever it breaks off', async () => {
  const { server } = serve();
  const whole = JSON.stringify({ id: 'yard', elements: [head], more: 'x'.repeat(300) });
  const packed = { br: brotliCompressSync(whole), gzip: gzipSync(whole), deflate: deflateSync(whole) };
  const send = async (encoding: string, body: Buffer): Promise<void> => {
    const { status } = await server
      .post('/api/jobs')
      .set({ 'Content-Type': 'application/json', 'Content-Encoding': encoding })
      .serialize((bytes) => bytes as never)
      .send(body as never);
    expect([encoding, status >= 400 && status < 500]).toEqual([encoding, true]);
  };
  const encodings = fc.constantFrom('br', 'gzip', 'deflate', 'zstd', 'compress', 'identity', 'br, gzip', '');
  await fc.assert(
    fc.asyncProperty(encodings, fc.uint8Array({ minLength: 1, maxLength: 200 }), (encoding, bytes) =>
      send(encoding, Buffer.from(bytes)),
    ),
    { numRuns: 150 },
  );
  for (const [encoding, bytes] of Object.entries(packed))
    for (let end = 1; end < bytes.length; end += 7) await send(encoding, bytes.subarray(0, end));
});
