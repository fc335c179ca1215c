import pino from 'pino';
import { staffed } from '../testing/people';
import { openDatabase } from '../database';
import { JobStore } from '../jobs/store';
import { quillfeather } from '@katabasis/core/samples';
import { serve } from '../testing/serve';
import { Journal } from './journal';

it('what failed has a number that who it befell and the owner are told, and nothing of a job in it', async () => {
  const lines: string[] = [];
  const journal = new Journal(pino({ base: undefined }, { write: (line) => void lines.push(line) }));
  const error = new Error('Unexpected token in "12 Juniper Lane, Halloran"');
  const number = journal.failed({ method: 'POST', route: '/api/jobs/:id/changes', status: 500, error });
  expect(JSON.parse(lines[0]!)).toMatchObject({ number, method: 'POST', route: '/api/jobs/:id/changes', status: 500 });
  expect(lines[0]).toMatch(/"place":"[^"]*state\.test\.ts:\d+:\d+"/);
  expect(lines.join('')).not.toMatch(/Juniper|Halloran/);
  for (let k = 0; k < 60; k++) journal.failed({ method: 'GET', route: '/', status: 503, error: null });
  expect(journal.problems).toHaveLength(50);
});

it('a fault of the server is told by its number, which stands on the owner’s page', async () => {
  const db = openDatabase(':memory:');
  new JobStore(db).create(quillfeather());
  const { server } = serve({ db });
  db.exec('alter table summaries rename to gone');
  const { body } = await server.get('/api/jobs/rounds').expect(500);
  const [, number] = /Its number is ([A-Z\d]{6})\.$/.exec((body as { title: string }).title)!;
  db.exec('alter table gone rename to summaries');
  const state = (await server.get('/api/state').expect(200)).body;
  expect(state.problems).toMatchObject([{ number, route: 'GET /api/jobs/rounds', status: 500 }]);
  expect(state).toMatchObject({ why: null, backup: null, copy: null, files: { count: 0, bytes: 0 } });
});

it('measures name doors by their pattern: no id, no link and no name is in them', async () => {
  const all = staffed();
  await all.server.get('/api/jobs/quillfeather').set(all.as.owner).expect(200);
  await all.server.get('/s/a-secret-link').expect(404);
  await all.server.get('/api/whatever-somebody-types').set(all.as.owner).expect(404);
  const text = await all.measures.text();
  expect(text).toMatch(/katabasis_request_seconds_count\{method="GET",route="\/api\/jobs\/:id",status="200"\} 1/);
  expect(text).toMatch(/route="\/s\/:token"/);
  expect(text).toMatch(/^katabasis_ready 1$/m);
  expect(text).not.toMatch(/quillfeather|secret|whatever|The owner/);
  const { slowest } = (await all.server.get('/api/state').set(all.as.owner).expect(200)).body;
  expect(slowest.map(({ route }: { route: string }) => route)).toContain('GET /api/jobs/:id');
  await all.server.get('/api/state').set(all.as.planner).expect(403);
});
