import { RIGHTS, rightsOf, ROLES, withoutMoney, type Element, type Role } from '@katabasis/core';
import { quillfeather } from '@katabasis/core/samples';
import { JOB, staffed, type Staffed } from '../testing/people';
import { RULES, ruleOf } from './rules';

/** Doors that no router has: they are answered before them. */
const BEFORE_ROUTERS = ['GET /api/health', 'GET /api/events', 'POST /api/here'];
/** Narrower doors of a wider one. */
const PARTS = ['POST /api/sheets/quote.pdf', 'POST /api/sheets/price.csv'];

const said = ({ method, path }: { method: string; path: string }): string => `${method} ${path}`;

it('every door has its rule, and every rule its door', () => {
  const { routes } = staffed();
  expect(routes.filter((route) => !RULES.some((rule) => said(rule) === route))).toEqual([]);
  expect(RULES.map(said).filter((rule) => ![...BEFORE_ROUTERS, ...PARTS, ...routes].includes(rule))).toEqual([]);
  for (const rule of RULES) {
    const asked = rule.path.replace(/:\w+/g, 'x1');
    expect(ruleOf(rule.method, asked)).toBe(rule);
    expect(ruleOf(rule.method, `${asked.toUpperCase()}/`)).toBe(rule);
  }
  expect(ruleOf('HEAD', '/api/jobs')?.path).toBe('/api/jobs');
});

/** Asks at a door as one of them would, with what nobody can take for anything. */
async function statusAt({ server }: Staffed, rule: { method: string; path: string }, headers: object): Promise<number> {
  const method = rule.method.toLowerCase() as 'get' | 'post' | 'put' | 'delete';
  const path = rule.path.replace('/jobs/:id', `/jobs/${JOB}`).replace(':hash', 'f'.repeat(64)).replace(/:\w+/g, 'x1');
  const request = server[method](path).set(headers as Record<string, string>);
  const { status, body } = await (method === 'get' ? request : request.send({}));
  // What is wrong with what was sent was looked at, so the door was open; a wrong password is no door that is shut.
  return status === 403 && /Nobody is signed in|not the name|passkey/.test(String((body as { title?: string }).title))
    ? 422
    : status;
}

it('at every door every role gets what its rule says, and a stranger nothing but what is open', async () => {
  const all = staffed();
  const doors = RULES.filter((rule) => !['/api/events', '/api/me/sign-out'].includes(rule.path)).filter(
    // Told at length elsewhere: a job that is taken out is there for nobody after.
    ({ method, path }) => !(method === 'DELETE' && path === '/api/jobs/:id'),
  );
  for (const rule of doors) {
    const stranger = await statusAt(all, rule, {});
    expect([said(rule), stranger === 401]).toEqual([said(rule), rule.needs !== 'open']);
    for (const role of ROLES) {
      const { needs } = rule;
      const may = typeof needs === 'string' || needs.some((right) => rightsOf(role).has(right));
      const status = await statusAt(all, rule, all.as[role]);
      const shut = status === 401 || (status === 403 && !/devices/.test(rule.path));
      expect([role, said(rule), status, shut]).toEqual([role, said(rule), status, !may]);
      expect(status).toBeLessThan(500);
    }
  }
});

it('prices, people and the trail are shut to a crew, whatever the list says', async () => {
  const { server, as } = staffed();
  for (const path of [
    '/api/jobs/ledger',
    '/api/years/2026.csv',
    '/api/books',
    `/api/jobs/${JOB}/shares`,
    '/api/people',
    '/api/audit',
  ])
    for (const role of ['crew', 'viewer'] as const) await server.get(path).set(as[role]).expect(403);
  for (const file of ['quote.pdf', 'price.csv', 'Quote.PDF'])
    await server.post(`/api/sheets/${file}`).set(as.crew).send({}).expect(403);
  for (const role of ['planner', 'bookkeeper', 'crew', 'viewer'] as const) {
    await server.get('/api/people').set(as[role]).expect(403);
    await server.post('/api/people/invitations').set(as[role]).send({}).expect(403);
  }
});

it('a door that nobody thought of is shut', async () => {
  const { server, as } = staffed();
  await server.get('/api/secrets').set(as.owner).expect(404);
  await server.patch('/api/jobs').set(as.owner).expect(405);
  await server.get('/api/jobs/').set(as.viewer).expect(200);
  await server.head('/api/audit').set(as.planner).expect(403);
});

describe('what a crew sees and writes', () => {
  const change = (
    id: string,
    puts: { base: number; element: Element }[],
    removes: { base: number; id: string }[] = [],
  ) => ({
    change: `change-${id}`,
    label: 'Something',
    puts,
    removes,
  });
  const url = `/api/jobs/${JOB}/changes`;
  const elementIn = async (all: Staffed, role: Role, id: string) => {
    const { body } = await all.server.get(`/api/jobs/${JOB}`).set(all.as[role]).expect(200);
    return (body as { elements: { version: number; element: Element }[] }).elements.find(
      ({ element }) => element.id === id,
    );
  };

  it('no money of a job comes to who sees no prices, by whatever door', async () => {
    const all = staffed();
    const { server, as } = all;
    const head = (await elementIn(all, 'owner', 'job'))!;
    const marked = {
      ...head.element,
      prices: { currency: 'USD', rates: { 'work dig': 987_654_321 }, conditions: { gate: 0.9 }, tax: 0.0777 },
    } as Element;
    const extra = {
      id: 'extra1',
      kind: 'note',
      sort: 'extra',
      text: 'A trap',
      on: '2026-11-30',
      amount: 76_543_210,
    } as Element;
    const outcome = { id: 'outcome', kind: 'outcome', asked: 65_432_100 } as Element;
    await server
      .post(url)
      .set(as.bookkeeper)
      .send(
        change('prices', [
          { base: head.version, element: marked },
          { base: 0, element: outcome },
        ]),
      )
      .expect(200);
    await server
      .post(url)
      .set(as.planner)
      .send(change('extra', [{ base: 0, element: extra }]))
      .expect(200);
    const MONEY = /987654321|76543210|65432100|0\.0777/;
    for (const role of ['crew', 'viewer'] as const) {
      for (const path of ['', '/beside?epoch=x', '/history'])
        expect((await server.get(`/api/jobs/${JOB}${path}`).set(as[role]).expect(200)).text).not.toMatch(MONEY);
      expect(await elementIn(all, role, 'job')).toMatchObject({ element: { prices: { conditions: { gate: 0.9 } } } });
      expect((await server.get('/api/jobs').set(as[role]).expect(200)).text).not.toMatch(/"price":"[^"]/);
    }
    expect((await server.get(`/api/jobs/${JOB}`).set(as.bookkeeper)).text).toMatch(MONEY);
    // A conflict shows what stands there, and no money in it.
    const conflict = await server
      .post(url)
      .set(as.crew)
      .send(change('stale', [{ base: 0, element: { ...extra, text: 'Another' } as Element }]))
      .expect(409);
    expect(conflict.text).toContain('A trap');
    expect(conflict.text).not.toMatch(MONEY);
    // Who alters what he sees of it leaves the money as it was, and may send it twice.
    const seen = (await elementIn(all, 'crew', 'extra1'))!;
    const edit = change('edit', [{ base: seen.version, element: { ...seen.element, of: 'basin' } as Element }]);
    const once = await server.post(url).set(as.crew).send(edit).expect(200);
    expect((await server.post(url).set(as.crew).send(edit).expect(200)).body).toEqual(once.body);
    expect((await elementIn(all, 'owner', 'extra1'))!.element).toMatchObject({ of: 'basin', amount: 76_543_210 });
  });

  it('a crew reads its own pipe in and takes a photo, and moves nothing of the plan', async () => {
    const all = staffed();
    const run = (await elementIn(all, 'crew', 'runStreet'))!;
    const laid = { ...run.element, laid: [{ along: 1, level: -0.5 }] } as Element;
    await all.server
      .post(url)
      .set(all.as.crew)
      .send(change('laid', [{ base: run.version, element: laid }]))
      .expect(200);
    const again = (await elementIn(all, 'crew', 'runStreet'))!;
    for (const role of ['crew', 'bookkeeper', 'viewer'] as const) {
      const wider = { ...again.element, nominal: 0.3 } as Element;
      const { body } = await all.server
        .post(url)
        .set(all.as[role])
        .send(change(`wider-${role}`, [{ base: again.version, element: wider }]))
        .expect(403);
      if (role === 'crew') expect(body.title).toMatch(/is the planner’s to change.*lies with the office/);
      await all.server
        .post(url)
        .set(all.as[role])
        .send(change(`gone-${role}`, [], [{ base: again.version, id: 'runStreet' }]))
        .expect(403);
    }
    expect((await elementIn(all, 'owner', 'runStreet'))!.element).toEqual(laid);
  });

  it('who sees prices from now on writes over none that they did not see before', async () => {
    const all = staffed();
    const { server, as, people, admit } = all;
    const { person, as: phone } = admit('Ines', 'crew');
    const whole = (await server.get(`/api/jobs/${JOB}`).set(as.owner).expect(200)).body as { epoch: string };
    const seen = (await server.get(`/api/jobs/${JOB}`).set(phone).expect(200)).body as typeof whole;
    expect(seen.epoch).not.toBe(whole.epoch);
    const note = { id: 'note1', kind: 'note', sort: 'seen', text: 'Roots', on: '2026-11-30' } as Element;
    const noted = { ...change('note', [{ base: 0, element: note }]), epoch: seen.epoch };
    await server.post(url).set(phone).send(noted).expect(200);
    people.change(person.id, { role: 'planner', everywhere: true });
    const head = (await elementIn(all, 'crew', 'job'))!;
    const called = change('call', [{ base: head.version, element: { ...head.element, name: 'Clinic' } as Element }]);
    const { body } = await server
      .post(url)
      .set(phone)
      .send({ ...called, epoch: seen.epoch })
      .expect(409);
    expect(body.type).toBe('otherEpoch');
    const beside = (await server.get(`/api/jobs/${JOB}/beside?epoch=${seen.epoch}`).set(phone).expect(200)).body;
    expect(beside).toMatchObject({ epoch: whole.epoch, job: { epoch: whole.epoch, removed: [] } });
    expect(beside.job.common).toBeGreaterThan(1e9);
  });

  it('what somebody wrote who may not any more lies with the office, who puts it in or sees what stands against it', async () => {
    const all = staffed();
    const { server, as, people, admit } = all;
    const { person, as: phone } = admit('Ines', 'planner');
    const basin = (await elementIn(all, 'owner', 'basin'))!;
    const called = (name: string) =>
      change(`call-${name}`, [{ base: basin.version, element: { ...basin.element, name } as Element }]);
    people.change(person.id, { role: 'crew', everywhere: true });
    await server.post(url).set(phone).send(called('One')).expect(403);
    await server.post(url).set(phone).send(called('One')).expect(403);
    await server.post(url).set(phone).send(called('Two')).expect(403);
    await server.get('/api/handed').set(as.crew).expect(403);
    const { body } = await server.get('/api/handed').set(as.planner).expect(200);
    const waiting = body.changes as { number: number; by: string; touches: number }[];
    expect(waiting.map(({ by, touches }) => [by, touches])).toEqual([
      ['Ines', 1],
      ['Ines', 1],
    ]);
    await server.post(`/api/handed/${waiting[0]!.number}/put-in`).set(as.planner).expect(204);
    expect((await elementIn(all, 'owner', 'basin'))!.element).toMatchObject({ name: 'One' });
    await server.post(`/api/handed/${waiting[1]!.number}/put-in`).set(as.planner).expect(409);
    await server.delete(`/api/handed/${waiting[1]!.number}`).set(as.planner).expect(204);
    expect((await server.get('/api/handed').set(as.planner)).body).toEqual({ changes: [] });
  });
});

it('who is given some jobs knows of no others, and a role there narrows what they may', async () => {
  const all = staffed();
  const { server, as, people, admit } = all;
  const other = quillfeather();
  await server.post('/api/jobs').set(as.owner).send({ id: 'other-yard', elements: other.elements.all }).expect(201);
  const { person, as: phone } = admit('Teo', 'planner', false);
  expect((await server.get('/api/jobs').set(phone).expect(200)).body).toMatchObject({ jobs: [], total: 0 });
  await server.get(`/api/jobs/${JOB}`).set(phone).expect(404);
  await server
    .put(`/api/people/${person.id}/jobs`)
    .set(as.owner)
    .send({ jobs: [{ job: JOB, role: 'crew' }] })
    .expect(204);
  const { body } = await server.get('/api/jobs').set(phone).expect(200);
  expect([body.total, body.jobs.map(({ id }: { id: string }) => id)]).toEqual([1, [JOB]]);
  for (const path of ['', '/history', '/beside?epoch=x', '/shares', '/raw'])
    await server.get(`/api/jobs/other-yard${path}`).set(phone).expect(404);
  await server.post('/api/jobs/other-yard/changes').set(phone).send({}).expect(404);
  // There he is crew, whatever he is elsewhere.
  await server.get(`/api/jobs/${JOB}/shares`).set(phone).expect(403);
  expect((await server.get('/api/me').set(phone).expect(200)).body.narrower).toEqual({ [JOB]: ['look', 'field'] });
  // What he begins himself is his.
  await server.post('/api/jobs').set(phone).send({ id: 'his-yard', elements: other.elements.all }).expect(201);
  expect((await server.get('/api/jobs').set(phone)).body.total).toBe(2);
  await server
    .put(`/api/people/${person.id}/jobs`)
    .set(as.owner)
    .send({ jobs: [{ job: 'nowhere', role: null }] })
    .expect(404);
  expect(people.given(person.id)).toHaveLength(2);
});

it('every element of every kind without its money has no amount in it', () => {
  for (const element of quillfeather().elements.all)
    expect(JSON.stringify(withoutMoney(element) ?? {})).not.toMatch(/"(amount|asked|costs|rates|paid|rented)"/);
  expect(RIGHTS.every((right) => rightsOf('owner').has(right))).toBe(true);
});
