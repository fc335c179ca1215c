import type { Crew, Element, Today, Told } from '@katabasis/core';
import { quillfeather } from '@katabasis/core/samples';
import { JOB, staffed, type Staffed } from '../testing/people';
import { Here } from './here';

type As = { Cookie: string } | { 'x-here': string };

const today = async ({ server }: Staffed, as: As, on = '2026-12-02'): Promise<Today> =>
  (await server.get(`/api/today?on=${on}`).set(as).expect(200)).body as Today;
const told = async ({ server }: Staffed, as: As): Promise<Told['told']> =>
  ((await server.get('/api/told').set(as).expect(200)).body as Told).told;
const crew = async ({ server }: Staffed, as: As): Promise<Crew['people']> =>
  ((await server.get(`/api/jobs/${JOB}/crew`).set(as).expect(200)).body as Crew).people;
const give = ({ server }: Staffed, as: As, person: string, days: object, job = JOB) =>
  server.put(`/api/jobs/${job}/crew/${person}`).set(as).send(days);
const note = ({ server }: Staffed, as: As, element: Record<string, unknown>, base = 0) =>
  server
    .post(`/api/jobs/${JOB}/changes`)
    .set(as)
    .send({
      change: `change-${String(element.id)}-${base}`,
      label: 'Write a note',
      puts: [{ base, element: { kind: 'note', on: '2026-12-02', ...element } as unknown as Element }],
      removes: [],
    });

const THREE = { from: '2026-12-02', to: '2026-12-04' };

it('a job given on days is there for who it is given to, on these days and before, and is told', async () => {
  const all = staffed();
  const { server, as, admit } = all;
  const { person, as: phone } = admit('Ines', 'crew', false);
  await server.get(`/api/jobs/${JOB}`).set(phone).expect(404);
  expect(await today(all, phone)).toEqual({ jobs: [], fresh: 0 });
  await give(all, as.planner, person.id, THREE).expect(204);
  await server.get(`/api/jobs/${JOB}`).set(phone).expect(200);
  for (const on of ['2026-11-30', '2026-12-04'])
    expect(await today(all, phone, on)).toMatchObject({
      jobs: [{ job: JOB, ...THREE, own: true, who: ['Ines'] }],
      fresh: 1,
    });
  expect((await today(all, phone, '2026-12-05')).jobs).toEqual([]);
  expect((await today(all, as.owner)).jobs).toMatchObject([{ own: false, who: ['Ines'] }]);
  const [before] = await told(all, phone);
  // Said anew before it was read, it is told once, under a number that nobody has read up to.
  await give(all, as.planner, person.id, { from: '2026-12-02', to: '2026-12-03' }).expect(204);
  await give(all, as.planner, person.id, THREE).expect(204);
  const [first, ...earlier] = await told(all, phone);
  expect(earlier).toEqual([]);
  expect(first!.number).toBeGreaterThan(before!.number);
  expect(first).toMatchObject({
    job: JOB,
    what: 'The planner gave you this job from Wed 2 Dec to Fri 4 Dec.',
    fresh: true,
  });
  await server.post('/api/told/read').set(phone).send({ number: first!.number }).expect(204);
  expect(await today(all, phone)).toMatchObject({ fresh: 0 });
  await give(all, as.planner, person.id, THREE).expect(204);
  expect((await told(all, phone)).map(({ fresh }) => fresh)).toEqual([true, false]);
  // Nobody else is told of it.
  expect(await told(all, as.owner)).toEqual([]);
  await server.delete(`/api/jobs/${JOB}/crew/${person.id}`).set(as.planner).expect(204);
  await server.get(`/api/jobs/${JOB}`).set(phone).expect(404);
  // What was told of a job that is not theirs any more is not shown.
  expect(await told(all, phone)).toEqual([]);
});

it('days change nothing of what somebody may, given or taken away', async () => {
  const all = staffed();
  const { server, as, here, people, admit } = all;
  const { person, as: phone } = admit('Teo', 'planner');
  people.give(person.id, [{ job: JOB, role: 'viewer' }]);
  const rights = async () => (await server.get('/api/me').set(phone).expect(200)).body.narrower[JOB];
  expect((await crew(all, here)).find(({ name }) => name === 'Teo')!.given).toBeNull();
  await give(all, as.planner, person.id, THREE).expect(204);
  expect((await crew(all, here)).find(({ name }) => name === 'Teo')!.given).toEqual(THREE);
  expect(await rights()).toEqual(['look']);
  await server.delete(`/api/jobs/${JOB}/crew/${person.id}`).set(as.planner).expect(204);
  expect(await rights()).toEqual(['look']);
  // An owner who says anew what they may leaves their days as they are.
  await give(all, as.planner, person.id, THREE).expect(204);
  people.give(person.id, [{ job: JOB, role: 'crew' }]);
  expect((await crew(all, here)).find(({ name }) => name === 'Teo')!.given).toEqual(THREE);
  // Who only looks sees who is there, and nobody else of the company.
  expect((await crew(all, as.viewer)).map(({ name }) => name)).toEqual(['Teo']);
});

it('a wrong day, nobody, no job and who has gone are told in words', async () => {
  const all = staffed();
  const { as, people, admit } = all;
  const { person } = admit('Ines', 'crew');
  for (const days of [
    { from: '2026-12-04', to: '2026-12-02' },
    { from: '2026-12-02', to: null },
    { from: 'Monday', to: 'Tuesday' },
    { from: '2026-02-30', to: '2026-03-01' },
  ])
    expect((await give(all, as.planner, person.id, days).expect(422)).body.faults.length).toBeGreaterThan(0);
  await give(all, as.planner, 'nobody', THREE).expect(404);
  await give(all, as.planner, person.id, THREE, 'nowhere').expect(404);
  await give(all, as.planner, person.id, { from: null, to: null }).expect(204);
  expect((await today(all, as.owner)).jobs).toEqual([]);
  people.end(person.id);
  await give(all, as.planner, person.id, THREE).expect(404);
  await all.server.get('/api/today?on=tomorrow').set(as.owner).expect(422);
});

it('a question goes to the office and to who is at the job, its answer back, each once, and none to who wrote it', async () => {
  const all = staffed();
  const { as, admit } = all;
  const ines = admit('Ines', 'crew');
  const teo = admit('Teo', 'crew');
  const jon = admit('Jon', 'crew');
  for (const { person } of [ines, teo]) await give(all, as.owner, person.id, THREE).expect(204);
  const asked = { id: 'ask1', sort: 'asks', of: 'basin', text: 'Is the gas line live?', by: 'Ines' };
  await note(all, ines.as, asked).expect(200);
  await note(all, ines.as, asked).expect(200);
  const WORDS = 'Ines asks at Lawn basin: “Is the gas line live?”';
  for (const somebody of [as.planner, as.owner, all.here])
    expect((await told(all, somebody)).map(({ what }) => what)).toEqual([WORDS]);
  expect((await told(all, teo.as))[0]!.what).toBe(WORDS);
  for (const somebody of [ines.as, jon.as, as.bookkeeper, as.viewer])
    expect((await told(all, somebody)).map(({ what }) => what)).not.toContain(WORDS);
  await note(all, as.planner, { id: 'answer1', sort: 'seen', of: 'ask1', text: 'Shut off since May.' }).expect(200);
  const ANSWER = 'The planner answers “Is the gas line live?”: “Shut off since May.”';
  expect((await told(all, ines.as))[0]!.what).toBe(ANSWER);
  expect((await told(all, as.planner)).map(({ what }) => what)).not.toContain(ANSWER);
  await note(all, ines.as, { ...asked, done: '2026-12-02' }, 2).expect(200);
  expect((await told(all, as.planner))[0]!.what).toBe('Ines is done with “Is the gas line live?”');
  // A note that asks nothing is no news.
  await note(all, ines.as, { id: 'seen1', sort: 'seen', text: 'Roots' }).expect(200);
  expect((await told(all, as.planner))[0]!.what).toContain('is done with');
});

it('a thousand questions in one change are kept, and some of them told', async () => {
  const all = staffed();
  const puts = Array.from({ length: 1000 }, (_, k) => ({
    base: 0,
    element: { id: `ask${k}`, kind: 'note', sort: 'asks', text: `Question ${k}`, on: '2026-12-02' },
  }));
  const many = { change: 'change-many', label: 'Ask much', puts, removes: [] };
  await all.server.post(`/api/jobs/${JOB}/changes`).set(all.as.crew).send(many).expect(200);
  expect(await told(all, all.as.planner)).toHaveLength(20);
});

it('what somebody may not do lies with the office, who is told of it', async () => {
  const all = staffed();
  const basin = quillfeather().elements.get('basin')!;
  await all.server
    .post(`/api/jobs/${JOB}/changes`)
    .set(all.as.crew)
    .send({
      change: 'change-1',
      label: 'Move the basin',
      puts: [{ base: 1, element: { ...basin, name: 'X' } }],
      removes: [],
    })
    .expect(403);
  expect((await told(all, all.as.planner))[0]!.what).toBe('The crew wrote “Move the basin”, which is yours to put in.');
  expect(await told(all, all.as.viewer)).toEqual([]);
});

it('others who have a job open are named, until they leave or are heard of no more', async () => {
  const all = staffed();
  const others = async (as: As) => (await all.server.post(`/api/jobs/${JOB}/here`).set(as).expect(200)).body.others;
  expect(await others(all.as.crew)).toEqual([]);
  expect(await others(all.as.owner)).toEqual(['The crew']);
  expect(await others(all.as.crew)).toEqual(['The owner']);
  await all.server.delete(`/api/jobs/${JOB}/here`).set(all.as.owner).expect(204);
  expect(await others(all.as.crew)).toEqual([]);
  await all.server.post('/api/jobs/nowhere/here').set(all.as.crew).expect(404);
  let now = 0;
  const here = new Here(() => now);
  here.at('yard', 'one', 'Ines');
  now = 60_000;
  expect(here.at('yard', 'two', 'Teo')).toEqual(['Ines']);
  now = 80_000;
  expect(here.at('yard', 'two', 'Teo')).toEqual([]);
});
