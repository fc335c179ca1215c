import { money, planJob, priceOf, takeOff } from '@katabasis/core';
import { quillfeather, quillfeatherLaid } from '@katabasis/core/samples';
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
