import { createHash } from 'node:crypto';
import { jobFrom, money, ofKind, placeAlong, planJob, priceOf, takeOff, wayOfRun } from '@katabasis/core';
import { quillfeather, quillfeatherLaid } from '@katabasis/core/samples';
import { offerOf } from '../accepted/offer';
import { openDatabase } from '../database';
import { serve } from '../testing/serve';

const job = quillfeather();

async function shared(audience: 'crew' | 'customer' | 'keeper', of = job) {
  const db = openDatabase(':memory:');
  const { server } = serve({ db });
  await server.post('/api/jobs').send({ id: 'clinic', elements: of.elements.all }).expect(201);
  const { link } = (await server.post('/api/jobs/clinic/shares').send({ audience }).expect(201)).body as {
    link: string;
  };
  return { server, link, db };
}

it('a customer’s page has the work and its price, and nothing of what it costs; a crew’s has no money at all', async () => {
  const price = priceOf(job, takeOff(job, planJob(job)));
  const customer = await shared('customer');
  const offered = (await customer.server.get(customer.link).expect(200).expect('Content-Type', /html/)).text;
  expect(offered).toContain(money(price.price, price.currency));
  for (const own of [price.cost, price.profit, price.overhead])
    expect(offered).not.toContain(money(own, price.currency));
  expect(offered).toContain('What you will see in the rain');
  expect(offered.match(/<figure>/g)).toHaveLength(4);
  const crew = await shared('crew');
  const dug = (await crew.server.get(crew.link).expect(200)).text;
  expect(dug).toContain('Roadside swale');
  expect(dug).toContain('By spade only within');
  expect(dug).not.toMatch(/\$\d/);
  expect(dug).not.toContain('<figure>');
});

it('reads the job as it stands, and nothing can be asked of the rest by a link', async () => {
  const { server, link } = await shared('crew');
  const swale = job.elements.get('swale')!;
  await server
    .post('/api/jobs/clinic/changes')
    .send({
      change: 'change-01',
      label: 'Name it',
      puts: [{ base: 1, element: { ...swale, name: 'Ditch <script>alert(1)</script>' } }],
      removes: [],
    })
    .expect(200);
  const { text, headers } = await server.get(link).expect(200);
  expect(text).toContain('Ditch &lt;script&gt;');
  expect(text).not.toContain('<script');
  expect(headers['content-security-policy']).toContain("script-src 'self'");
  expect(headers['cache-control']).toBe('no-store');
});

it('a link that is withdrawn, one that nobody made and one to a job that is gone are told in words', async () => {
  const { server, link, db } = await shared('customer');
  const { shares } = (await server.get('/api/jobs/clinic/shares')).body as { shares: { id: string }[] };
  // Who reads the database has no link.
  expect(JSON.stringify(db.prepare('select * from shares').all())).not.toContain(link.slice(3));
  await server.delete(`/api/jobs/clinic/shares/${shares[0]!.id}`).expect(204);
  expect((await server.get(link).expect(410)).text).toContain('withdrawn');
  await server.delete(`/api/jobs/clinic/shares/${shares[0]!.id}`).expect(404);
  expect((await server.get('/s/nobody-made-this').expect(404)).text).toContain('no such page');
  await server.post('/api/jobs/none/shares').send({ audience: 'crew' }).expect(404);
  await server.post('/api/jobs/clinic/shares').send({ audience: 'everybody' }).expect(422);
  const other = await shared('crew');
  await other.server.delete('/api/jobs/clinic').expect(204);
  expect((await other.server.get(other.link).expect(404).expect('Content-Type', /html/)).text).toContain(
    'cannot be read',
  );
});

it('only who is let in makes a link; a page by its link needs no letting in', async () => {
  const db = openDatabase(':memory:');
  const here = serve({ db });
  await here.server.post('/api/jobs').send({ id: 'clinic', elements: job.elements.all }).expect(201);
  const { link } = (await here.server.post('/api/jobs/clinic/shares').send({ audience: 'crew' })).body as {
    link: string;
  };
  const afar = serve({ db, isLocal: () => false });
  await afar.server.get(link).expect(200);
  await afar.server.post('/api/jobs/clinic/shares').send({ audience: 'crew' }).expect(401);
});

it('who lives there reads what to look after and what lies where, takes the dates along, and sees no price', async () => {
  const { server, link } = await shared('keeper', quillfeatherLaid());
  const { text } = await server.get(link).expect(200).expect('Content-Type', /html/);
  expect(text).toContain('Rake leaves off the grates');
  expect(text).toContain('We stand for what we laid until 20 November 2027.');
  expect(text).toContain('warned at Lawn basin');
  expect(text).toMatch(/from Clinic and kennel wing, north-east corner/);
  expect(text).not.toMatch(/\$\d/);
  // The visits, what was complained of and whom to reach stay with the company.
  expect(text).not.toMatch(/dogs|gpm/);
  const dates = /href="([^"]*dates[^"]*)"/.exec(text)![1]!;
  const calendar = await server
    .get(`${link}${dates}`)
    .expect(200)
    .expect('Content-Type', /calendar/);
  expect(calendar.text).toMatch(/^BEGIN:VCALENDAR/);
  expect(calendar.text).toContain('Rake leaves off the grates');
  // To another's page no dates belong.
  const quote = await shared('customer', quillfeatherLaid());
  await quote.server.get(`${quote.link}?dates`).expect(200).expect('Content-Type', /html/);
});

/** The smallest PNG there is: one dot. */
const DOT = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

it('who looks after it sees the photos of the open trench and no other file; on paper they stand too', async () => {
  const laid = quillfeatherLaid();
  const run = ofKind(laid, 'run').find((each) => wayOfRun(laid, each))!;
  const hash = createHash('sha256').update(DOT).digest('hex');
  const other = Buffer.concat([DOT, DOT]);
  const otherHash = createHash('sha256').update(other).digest('hex');
  const photo = {
    id: 'open',
    kind: 'photo',
    name: 'Open trench',
    file: hash,
    place: placeAlong(wayOfRun(laid, run)!, 1),
  } as const;
  const away = { id: 'away', kind: 'photo', name: 'The van', file: otherHash } as const;
  const job = jobFrom('clinic', [...laid.elements.all, photo, away]);
  const { server, link } = await shared('keeper', job);
  await server.put(`/api/files/${hash}`).send(DOT).expect(204);
  await server.put(`/api/files/${otherHash}`).send(other).expect(204);
  const { text } = await server.get(link).expect(200);
  expect(text).toContain('While the trench was open');
  expect(text.match(/src="\?photo=[0-9a-f]{64}"/g)).toEqual([`src="?photo=${hash}"`]);
  const given = await server.get(`${link}?photo=${hash}`).expect(200).expect('Content-Type', 'image/png');
  expect(Buffer.compare(given.body as Buffer, DOT)).toBe(0);
  await server.get(`${link}?photo=${otherHash}`).expect(404);
  await server.get(`${link}?photo=../x`).expect(404);
  const crew = await shared('crew', job);
  await crew.server.put(`/api/files/${hash}`).send(DOT).expect(204);
  await crew.server.get(`${crew.link}?photo=${hash}`).expect(404);
  const paper = (
    await server.post('/api/sheets/as-built.pdf').send({ job: 'clinic', elements: job.elements.all, paper: 'a4' })
  ).text;
  const bytes = (JSON.parse(paper.trim().split('\n').at(-1)!) as { bytes: string }).bytes;
  expect(Buffer.from(bytes, 'base64').toString('latin1')).toContain('/Subtype /Image');
});

describe('an offer is accepted on its page', () => {
  const SIGNATURE = [
    [
      [10, 10],
      [200, 90],
    ],
    [
      [40, 150],
      [300, 20],
      [420, 160],
    ],
  ];
  const hashIn = (text: string): string => /data-sha256="([0-9a-f]{64})"/.exec(text)![1]!;
  const accept = (server: Awaited<ReturnType<typeof shared>>['server'], link: string, body: object) =>
    server
      .post(`${link}/accept`)
      .send({ name: 'Rosa Vik', on: '2026-12-02', chosen: null, signature: SIGNATURE, ...body });
  const rename = (server: Awaited<ReturnType<typeof shared>>['server'], base: number, name: string) =>
    server
      .post('/api/jobs/clinic/changes')
      .send({
        change: `change-${base}-name`,
        label: 'x',
        puts: [{ base, element: { ...sound.elements.get('swale')!, name } }],
        removes: [],
      })
      .expect(200);

  const sound = quillfeatherLaid();

  it('a plan with a Stop is nobody’s to sign for', async () => {
    const { server, link } = await shared('customer');
    const { text } = await server.get(link).expect(200);
    expect(text).toContain('Not to be accepted yet');
    expect(text).not.toContain('id="accept"');
    const { offered } = offerOf(job, {});
    const sha256 = createHash('sha256').update(offered).digest('hex');
    expect((await accept(server, link, { sha256 }).expect(409)).body.title).toContain('still being put right');
  });

  it('as it was read, once, with its hash; a change after that wants an acceptance of its own', async () => {
    const { server, link, db } = await shared('customer', sound);
    const sha256 = hashIn((await server.get(link).expect(200)).text);
    await accept(server, link, { sha256: 'f'.repeat(64) }).expect(409);
    for (const wrong of [
      { name: ' ' },
      { signature: [] },
      { signature: [[[0, 0]]] },
      { on: 'today' },
      { chosen: 'Another' },
    ])
      await accept(server, link, { sha256, ...wrong }).expect(422);
    await accept(server, link, { sha256 }).expect(204);
    await accept(server, link, { sha256 }).expect(204);
    const { accepted } = (await server.get('/api/jobs/clinic/accepted').expect(200)).body;
    expect(accepted).toHaveLength(1);
    const price = priceOf(sound, takeOff(sound, planJob(sound)));
    expect(accepted[0]).toMatchObject({
      name: 'Rosa Vik',
      stands: true,
      sha256: createHash('sha256').update(accepted[0].offered).digest('hex'),
      price: money(price.total, price.currency),
      signature: 'M10 10L200 90M40 150L300 20L420 160',
    });
    const { text } = await server.get(link).expect(200);
    expect(text).toContain('Accepted by Rosa Vik on 2 December 2026');
    expect(text).not.toContain('Accept this offer');
    // What does not concern the offer leaves it accepted; what does wants another signature.
    await server.put('/api/company').send({ name: 'Ditch and Daughters' }).expect(204);
    expect((await server.get('/api/jobs/clinic/accepted')).body.accepted[0].stands).toBe(true);
    await rename(server, 1, 'Another swale');
    expect((await server.get('/api/jobs/clinic/accepted')).body.accepted[0].stands).toBe(false);
    const changed = (await server.get(link).expect(200)).text;
    expect(changed).toContain('Accept the change');
    await accept(server, link, { sha256 }).expect(409);
    await accept(server, link, { sha256: hashIn(changed), name: 'Rosa <b>Vik</b>' }).expect(204);
    expect((await server.get(link)).text).not.toContain('<b>Vik</b>');
    expect(
      (await server.get('/api/jobs/clinic/accepted')).body.accepted.map(({ stands }: { stands: boolean }) => stands),
    ).toEqual([true, false]);
    expect(() => db.exec("update acceptances set price = '$1'")).toThrow('stays as it is');
  });

  it('what was accepted before can be accepted again after another, and a second signature is kept beside the first', async () => {
    const { server, link } = await shared('customer', sound);
    const first = hashIn((await server.get(link).expect(200)).text);
    await accept(server, link, { sha256: first }).expect(204);
    await rename(server, 1, 'Another swale');
    await accept(server, link, { sha256: hashIn((await server.get(link)).text) }).expect(204);
    // Back to what it was.
    await rename(server, 2, (sound.elements.get('swale') as { name: string }).name);
    const { text } = await server.get(link).expect(200);
    expect(hashIn(text)).toBe(first);
    expect(text).toContain('Accept the change');
    await accept(server, link, { sha256: first }).expect(204);
    await accept(server, link, { sha256: first, name: 'Jon Vik' }).expect(204);
    // The same sent twice is told once.
    await accept(server, link, { sha256: first, name: 'Jon Vik' }).expect(204);
    const { told } = (await server.get('/api/told').expect(200)).body;
    expect(told.filter(({ what }: { what: string }) => what.includes('accepted the offer'))).toHaveLength(4);
    const { accepted } = (await server.get('/api/jobs/clinic/accepted').expect(200)).body;
    expect(accepted.map(({ name, stands }: { name: string; stands: boolean }) => [name, stands])).toEqual([
      ['Jon Vik', true],
      ['Rosa Vik', true],
      ['Rosa Vik', false],
      ['Rosa Vik', true],
    ]);
    expect((await server.get(link)).text).not.toContain('Accept the change');
  });

  it('by who holds a customer’s link that stands, and by no other; questions are asked and answered there', async () => {
    const crew = await shared('crew');
    await accept(crew.server, crew.link, { sha256: 'f'.repeat(64) }).expect(404);
    const { server, link, db } = await shared('customer', sound);
    const ask = (said: string) => server.post(`${link}/comments`).send({ name: 'Rosa', said });
    await ask('Does it reach the $& oak?').expect(204);
    await ask('').expect(422);
    const { comments } = (await server.get('/api/jobs/clinic/accepted').expect(200)).body;
    await server
      .put(`/api/jobs/clinic/accepted/comments/${comments[0].number}`)
      .send({ answer: 'It does.' })
      .expect(204);
    await server.put('/api/jobs/clinic/accepted/comments/999').send({ answer: 'It does.' }).expect(404);
    const { text } = await server.get(link).expect(200);
    expect(text).toContain('Does it reach the $&amp; oak?');
    expect(text).toContain('It does.');
    await server
      .post(`${link}/comments`)
      .set('Origin', 'https://evil.example')
      .send({ name: 'x', said: 'x' })
      .expect(403);
    const sha256 = hashIn(text);
    db.exec("update shares set until = '2020-01-01T00:00:00.000Z'");
    expect((await server.get(link).expect(410)).text).toContain('has run out');
    await accept(server, link, { sha256 }).expect(410);
    await ask('Late').expect(410);
    await server
      .get('/s/signing.js')
      .expect(200)
      .expect('Content-Type', /javascript/);
  });
});
