import { join } from 'node:path';
import * as argon2 from '@node-rs/argon2';
import { Withdrawals } from '../admission/withdrawals';
import { Backups } from '../backups/backups';
import { readEverything } from '../backups/everything';
import { openDatabase } from '../database';
import { proxiesFrom } from '../http/cameFrom';
import { allowedHosts } from '../http/guard';
import { folder, serve } from '../testing/serve';
import { staffed, type Staffed } from '../testing/people';
import { fits, hashOfPassword } from './passwords';
import { PeopleStore } from './store';

jest.mock('@node-rs/argon2', () => {
  const real = jest.requireActual<typeof argon2>('@node-rs/argon2');
  return { ...real, verify: jest.fn(real.verify) };
});

const PASSWORD = 'four wet basins';
const cookieOf = (headers: Record<string, unknown>): { Cookie: string } => ({
  Cookie: String(headers['set-cookie']).split(';')[0]!,
});

async function invited(all: Staffed, name: string, role = 'crew'): Promise<string> {
  const { body } = await all.server
    .post('/api/people/invitations')
    .set(all.here)
    .send({ name, role, everywhere: true, days: 7 })
    .expect(201);
  return (body as { link: string }).link.replace('/join#', '');
}
const join_ = (all: Pick<Staffed, 'server'>, token: string, password = PASSWORD) =>
  all.server.post('/api/join').send({ token, password, device: 'Her phone' });
const signIn = (all: Pick<Staffed, 'server'>, name: string, password: string, from = {}) =>
  all.server.post('/api/sign-in').set(from).send({ name, password, device: 'A phone' });

it('an invitation lets one in once, as what it says; used, withdrawn, run out or guessed it says so', async () => {
  const all = staffed();
  const { server, here } = all;
  const token = await invited(all, '  Rósa Vik ', 'bookkeeper');
  expect((await server.post('/api/join/look').send({ token }).expect(200)).body).toMatchObject({
    name: 'Rósa Vik',
    role: 'bookkeeper',
    again: false,
  });
  await join_(all, token, 'short').expect(422);
  const { body, headers } = await join_(all, token).expect(201);
  expect(new Set(body.codes).size).toBe(8);
  const me = (await server.get('/api/me').set(cookieOf(headers)).expect(200)).body;
  expect(me).toMatchObject({
    person: { name: 'Rósa Vik', role: 'bookkeeper' },
    local: false,
    codes: 8,
    password: true,
  });
  expect((await join_(all, token).expect(410)).body.title).toMatch(/was used already/);
  // The same name, however it is written.
  const again = await server
    .post('/api/people/invitations')
    .set(here)
    .send({ name: 'ROSA  vik', role: 'crew', everywhere: true, days: 7 });
  expect([again.status, again.body.title]).toEqual([422, 'ROSA  vik is here already.']);
  const withdrawn = await invited(all, 'Ola');
  const { body: list } = await server.get('/api/people').set(here).expect(200);
  await server.delete(`/api/people/invitations/${list.invitations[0].id}`).set(here).expect(204);
  expect((await join_(all, withdrawn).expect(410)).body.title).toMatch(/was withdrawn/);
  const late = await invited(all, 'Lars');
  all.db.prepare("update invitations set until = '2020-01-01T00:00:00.000Z' where used_at is null").run();
  expect((await join_(all, late).expect(410)).body.title).toMatch(/has run out/);
  for (let k = 0; k < 20; k++)
    await server
      .post('/api/join/look')
      .send({ token: `guess${k}` })
      .expect(404);
  await server.post('/api/join/look').send({ token: 'one-more' }).expect(429);
  expect(JSON.stringify(all.db.prepare('select * from invitations').all())).not.toContain(token);
});

it('signs in by a password or, once each, by a recovery code; and goes by itself', async () => {
  const all = staffed();
  const { server } = all;
  const { codes } = (await join_(all, await invited(all, 'Ines')).expect(201)).body as { codes: string[] };
  await signIn(all, 'Ines', 'another password').expect(403);
  await signIn(all, 'Nobody', PASSWORD).expect(403);
  const as = cookieOf((await signIn(all, ' INES ', PASSWORD).expect(204)).headers);
  await server.get('/api/jobs').set(as).expect(200);
  await signIn(all, 'Ines', codes[0]!.toLowerCase().replace('-', ' ')).expect(204);
  await signIn(all, 'Ines', codes[0]!).expect(403);
  await server.put('/api/me/password').set(as).send({ old: 'wrong', password: 'a longer password' }).expect(403);
  await server.put('/api/me/password').set(as).send({ old: PASSWORD, password: 'a longer password' }).expect(204);
  await signIn(all, 'Ines', PASSWORD).expect(403);
  const renewed = (await server.post('/api/me/codes').set(as).expect(200)).body as { codes: string[] };
  await signIn(all, 'Ines', codes[1]!).expect(403);
  await signIn(all, 'Ines', renewed.codes[0]!).expect(204);
  await server.post('/api/me/sign-out').set(as).expect(204);
  await server.get('/api/jobs').set(as).expect(401);
  const kept = JSON.stringify([
    all.db.prepare('select * from people').all(),
    all.db.prepare('select * from recovery_codes').all(),
  ]);
  for (const secret of [PASSWORD, 'a longer password', ...codes, ...renewed.codes]) expect(kept).not.toContain(secret);
});

it('to be told that nobody is of that name takes the same work as that the password is wrong', async () => {
  const work = jest.mocked(argon2.verify);
  const kept = await hashOfPassword(PASSWORD);
  await fits(null, 'the first, for whose sake a hash is made');
  const costs: string[] = [];
  for (const its of [null, kept]) {
    work.mockClear();
    expect(await fits(its, 'wrong')).toBe(false);
    expect(work).toHaveBeenCalledTimes(1);
    // What it costs to look stands before the salt.
    costs.push(String(work.mock.calls[0]![0]).split('$').slice(0, 4).join('$'));
  }
  expect(costs[0]).toBe(costs[1]);
  expect(costs[0]).toBe('$argon2id$v=19$m=19456,t=2,p=1');
  expect(await fits(kept, PASSWORD.normalize('NFD'))).toBe(true);
});

it('guessing is slowed by name and by address, and keeps nobody out of where they signed in before', async () => {
  const db = openDatabase(':memory:');
  const { server } = serve({
    db,
    isLocal: () => false,
    proxies: proxiesFrom('127.0.0.1, ::1'),
    hosts: allowedHosts('127.0.0.1'),
  });
  const people = new PeopleStore(db);
  people.join(
    people.invite({ name: 'Mara', role: 'owner', everywhere: true, days: 1 }, 'x'),
    await hashOfPassword(PASSWORD),
  );
  const from = (address: string) => ({
    'X-Forwarded-For': address,
    'X-Forwarded-Proto': 'https',
    'X-Forwarded-Host': 'localhost',
  });
  const at = { server };
  await signIn(at, 'Mara', PASSWORD, from('198.51.100.1')).expect(204);
  for (let k = 0; k < 10; k++) await signIn(at, 'Mara', 'a guess', from('203.0.113.1')).expect(403);
  expect((await signIn(at, 'Mara', PASSWORD, from('203.0.113.1')).expect(429)).body.title).toMatch(
    /Too many wrong passwords/,
  );
  // All at once is no way round.
  const burst = await Promise.all(
    Array.from({ length: 40 }, () => signIn(at, 'Nobody', 'a guess', from('203.0.113.200'))),
  );
  expect(burst.filter(({ status }) => status === 403)).toHaveLength(10);
  // From a whole street of addresses.
  const answers: number[] = [];
  for (let k = 2; k < 10; k++)
    for (let n = 0; n < 9; n++) answers.push((await signIn(at, 'Mara', 'a guess', from(`203.0.113.${k}`))).status);
  expect(answers.filter((status) => status === 403).length).toBeLessThanOrEqual(51);
  await signIn(at, 'Mara', PASSWORD, from('192.0.2.77')).expect(429);
  await signIn(at, 'Mara', PASSWORD, from('198.51.100.1')).expect(204);
});

it('who goes is out at once on every device; one owner stays, and of two who end each other the second is out', async () => {
  const all = staffed();
  const { server, as, admit, here } = all;
  const { person, as: phone } = admit('Second', 'owner');
  const list = (await server.get('/api/people').set(as.owner).expect(200)).body.people as {
    id: string;
    name: string;
  }[];
  const first = list.find(({ name }) => name === 'The owner')!;
  await server.delete(`/api/people/${person.id}`).set(as.owner).expect(204);
  await server.delete(`/api/people/${first.id}`).set(phone).expect(401);
  await server.get('/api/jobs').set(phone).expect(401);
  for (const go of [
    server.delete(`/api/people/${first.id}`),
    server.put(`/api/people/${first.id}`).send({ role: 'viewer', everywhere: true }),
  ])
    expect((await go.set(as.owner)).body.title).toBe('One owner stays. Make somebody else an owner first.');
  // A name that has gone may come again, as somebody else.
  await invited(all, 'Second');
  const crew = list.find(({ name }) => name === 'The crew')!;
  await server.put(`/api/people/${crew.id}`).set(as.owner).send({ role: 'viewer', everywhere: true }).expect(204);
  expect((await server.get('/api/me').set(as.crew).expect(200)).body.rights).toEqual(['look']);
  // A device of theirs is theirs to shut out, and another's is not.
  const { devices } = (await server.get('/api/devices').set(as.planner).expect(200)).body as {
    devices: { id: string }[];
  };
  expect(devices).toHaveLength(1);
  await server.delete(`/api/devices/${devices[0]!.id}`).set(as.crew).expect(403);
  await server.delete(`/api/devices/${devices[0]!.id}`).set(as.planner).expect(204);
  await server.get('/api/jobs').set(as.planner).expect(401);
  // Who has lost every way in gets a new one, made on the server's own machine.
  const { link } = (await server.post(`/api/people/${first.id}/way-in`).set(here).expect(201)).body as { link: string };
  const back = await join_(all, link.replace('/join#', ''), 'found again at last').expect(201);
  expect((await server.get('/api/me').set(cookieOf(back.headers))).body.person).toMatchObject({
    id: first.id,
    role: 'owner',
  });
});

it('what was done is written down with who and from where, and stays', async () => {
  const all = staffed();
  const { server, as, db } = all;
  await signIn(all, 'The owner', 'a guess').expect(403);
  await invited(all, 'Ines');
  await server.delete('/api/jobs/quillfeather').set(as.planner).expect(204);
  const { entries } = (await server.get('/api/audit').set(as.owner).expect(200)).body as {
    entries: { who: string; what: string; address: string }[];
  };
  expect(entries.map(({ who, what }) => `${who}: ${what}`)).toEqual([
    'The planner: took out the job quillfeather',
    'This computer: invited Ines as crew',
    'The owner: a wrong password',
  ]);
  expect(entries.every(({ address }) => address !== '')).toBe(true);
  for (const sql of ["update audit set what = 'nothing'", 'delete from audit'])
    expect(() => db.exec(sql)).toThrow('The trail is only added to.');
});

it('a copy put back lets nobody in who has gone since, and opens no invitation that was used', async () => {
  const data = folder();
  const paths = { database: join(data, 'yard.sqlite'), files: join(data, 'files') };
  const db = openDatabase(paths.database);
  const withdrawals = new Withdrawals(join(data, 'withdrawn'));
  withdrawals.heed(db);
  const people = new PeopleStore(db, withdrawals);
  const make = async (name: string) =>
    people.join(people.invite({ name, role: 'owner', everywhere: true, days: 1 }, 'x'), await hashOfPassword(PASSWORD));
  await make('Stays');
  const goes = await make('Goes');
  const used = people.invite({ name: 'New', role: 'owner', everywhere: true, days: 1 }, 'x');
  const copy = await new Backups(join(data, 'backups')).make(db);
  people.end(goes.id);
  people.join(used, 'x');
  db.close();
  readEverything(copy, paths.database, paths.files);
  const restored = openDatabase(paths.database);
  new Withdrawals(join(data, 'withdrawn')).heed(restored);
  const { server } = serve({ db: restored, isLocal: () => false });
  await signIn({ server }, 'Stays', PASSWORD).expect(204);
  await signIn({ server }, 'Goes', PASSWORD).expect(403);
  await join_({ server }, used).expect(410);
  restored.close();
});
