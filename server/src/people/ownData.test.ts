import type { Element, KeptOf } from '@katabasis/core';
import { JOB, staffed, type Staffed } from '../testing/people';

const NAME = 'Ines Halloran of the pear trees';

async function worked(all: Staffed, as: { Cookie: string }, id: string): Promise<void> {
  const element = { id, kind: 'note', sort: 'seen', text: 'Roots', on: '2026-12-02' } as Element;
  await all.server
    .post(`/api/jobs/${JOB}/changes`)
    .set(as)
    .send({ change: `change-${id}`, label: `Write ${id}`, puts: [{ base: 0, element }], removes: [] })
    .expect(200);
}

it('gives out all that is kept of somebody, to themselves and to an owner, and nothing of anybody else', async () => {
  const all = staffed();
  const { server, as, admit } = all;
  const { person, as: phone } = admit(NAME, 'crew');
  const other = admit('Teo', 'crew');
  await worked(all, phone, 'note1');
  await worked(all, other.as, 'note2');
  await server
    .put(`/api/jobs/${JOB}/crew/${person.id}`)
    .set(as.planner)
    .send({ from: '2026-12-02', to: '2026-12-03' })
    .expect(204);
  await server.put('/api/me/password').set(phone).send({ old: 'x', password: 'another basin' }).expect(403);
  await server.post('/api/me/codes').set(phone).expect(200);
  const { body } = await server.get('/api/me/kept').set(phone).expect(200);
  const kept = body as KeptOf;
  expect(kept).toMatchObject({ id: person.id, name: NAME, role: 'crew', leftAt: null });
  expect(kept.devices).toMatchObject([{ name: `Phone of ${NAME}`, address: '192.0.2.1', signedOutAt: null }]);
  expect(kept.changes.map(({ label }) => label)).toEqual(['Write note1']);
  expect(kept.jobs).toEqual([{ job: JOB, from: '2026-12-02', to: '2026-12-03' }]);
  expect(kept.news).toHaveLength(1);
  expect(kept.trail.map(({ what }) => what)).toEqual(['made new recovery codes']);
  expect(JSON.stringify(kept)).not.toMatch(/Teo|argon2|note2/);
  expect((await server.get(`/api/people/${person.id}/kept`).set(as.owner).expect(200)).body).toEqual(kept);
  await server.get(`/api/people/${person.id}/kept`).set(other.as).expect(403);
  await server.get('/api/me/kept').set(all.here).expect(403);
});

it('who has gone can be forgotten: their name is nowhere in the database but in the trail, and what they did stays', async () => {
  const all = staffed();
  const { server, as, admit, db } = all;
  const { person, as: phone } = admit(NAME, 'planner');
  await worked(all, phone, 'note1');
  await server.post('/api/me/codes').set(phone).expect(200);
  // What they were not to write, put in by the planner on their behalf.
  all.people.change(person.id, { role: 'crew', everywhere: true });
  const { body: job } = await server.get(`/api/jobs/${JOB}`).set(phone).expect(200);
  const basin = (job.elements as { version: number; element: Element }[]).find(
    ({ element }) => element.id === 'basin',
  )!;
  const puts = [{ base: basin.version, element: { ...basin.element, name: 'Basin one' } }];
  await server
    .post(`/api/jobs/${JOB}/changes`)
    .set(phone)
    .send({ change: 'change-basin', label: 'Call it', puts, removes: [] })
    .expect(403);
  const { changes } = (await server.get('/api/handed').set(as.planner).expect(200)).body as {
    changes: { number: number }[];
  };
  await server.post(`/api/handed/${changes[0]!.number}/put-in`).set(as.planner).expect(204);
  // One of the same name before and after them is somebody else.
  await server.post(`/api/people/${person.id}/forget`).set(as.owner).expect(422);
  await server.delete(`/api/people/${person.id}`).set(as.owner).expect(204);
  const next = admit(NAME, 'crew');
  await worked(all, next.as, 'note2');
  const left = async () => (await server.get('/api/people').set(as.owner).expect(200)).body.left as { id: string }[];
  expect(await left()).toMatchObject([{ id: person.id, name: NAME }]);
  await server.post(`/api/people/${person.id}/forget`).set(as.planner).expect(403);
  await server.post(`/api/people/${person.id}/forget`).set(as.owner).expect(204);
  expect(await left()).toEqual([]);
  await server.get(`/api/people/${person.id}/kept`).set(as.owner).expect(404);
  await server.post(`/api/people/${person.id}/forget`).set(as.owner).expect(404);
  const history = (await server.get(`/api/jobs/${JOB}/history`).set(as.owner).expect(200)).body;
  expect(history.changes.map(({ by }: { by: string }) => by)).toEqual([
    NAME,
    'Somebody who left, by The planner',
    'Somebody who left',
  ]);
  await server.delete(`/api/people/${next.person.id}`).set(as.owner).expect(204);
  await server.post(`/api/people/${next.person.id}/forget`).set(as.owner).expect(204);
  const tables = db.prepare("select name from sqlite_master where type = 'table'").pluck().all() as string[];
  const named = tables.filter((table) =>
    JSON.stringify(db.prepare(`select * from "${table}"`).all()).includes('Halloran'),
  );
  expect(named).toEqual(['audit']);
});
