import { join } from 'node:path';
import { quillfeather } from '@katabasis/core/samples';
import { toFile } from '@katabasis/core';
import { openDatabase } from '../database';
import { ProblemError } from '../http/problem';
import { JobStore } from '../jobs/store';
import { folder, serve } from '../testing/serve';
import { Pages } from './pages';
import { PaperThread } from './papers';

const titleOf = (error: unknown): string => (error as ProblemError).problem.title;

/** A thread over a database with the sample in it. */
function thread(limit?: number) {
  const file = join(folder(), 'yard.sqlite');
  const db = openDatabase(file);
  new JobStore(db).create(quillfeather());
  return { db, papers: new PaperThread(file, folder(), limit) };
}

const { job, elements } = toFile(quillfeather());
const sheet = (file: string, body: unknown = { job, elements, paper: 'letter' }) => ({
  kind: 'sheet' as const,
  body: typeof body === 'string' ? body : JSON.stringify(body),
  file,
  made: '2026-11-30T08:00:00.000Z',
});
const page = { kind: 'page' as const, job: 'quillfeather', audience: 'crew' as const };

it('makes one after another beside the requests, and says how many are before and how far it is', async () => {
  const { db, papers } = thread();
  const ahead: number[] = [];
  const steps: number[] = [];
  const [first, second, third] = [
    papers.make(sheet('set.pdf'), { onStep: (done) => steps.push(done) }),
    papers.make(page),
    papers.make(sheet('parts.csv'), { onAhead: (count) => ahead.push(count) }),
  ];
  // Meanwhile this thread is free.
  let turns = 0;
  const turning = setInterval(() => turns++, 5);
  expect(
    Buffer.from(await first, 'base64')
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
  clearInterval(turning);
  expect(await second).toContain('Dig sheet: Quillfeather Animal Clinic');
  expect(Buffer.from(await third, 'base64').toString()).toMatch(/^Part|^\w+/);
  expect(turns).toBeGreaterThan(20);
  expect(ahead).toEqual([2, 1]);
  expect(steps.length).toBeGreaterThan(5);
  papers.close();
  db.close();
});

it('tells what is wrong with what was sent, and goes on', async () => {
  const { db, papers } = thread();
  await expect(papers.make(sheet('set.pdf', '{'))).rejects.toMatchObject({ problem: { status: 400 } });
  await expect(papers.make(sheet('set.pdf', { job: 1 }))).rejects.toMatchObject({ problem: { status: 422 } });
  await expect(papers.make(sheet('none.pdf'))).rejects.toMatchObject({ problem: { status: 404 } });
  await expect(papers.make({ ...page, job: 'nowhere' })).rejects.toMatchObject({ problem: { status: 404 } });
  expect(await papers.make(page)).toContain('Quillfeather');
  papers.close();
  db.close();
});

it('breaks off what takes too long or is not wanted any more, and asks who comes when too many wait to come again', async () => {
  const { db, papers } = thread(30);
  await expect(papers.make(sheet('set.pdf'))).rejects.toMatchObject({ problem: { status: 503 } });
  papers.close();
  const patient = new PaperThread(db.name, folder());
  const gone = new AbortController();
  const [left, next] = [patient.make(sheet('set.pdf'), { signal: gone.signal }), patient.make(page)];
  gone.abort();
  await expect(left).rejects.toBeInstanceOf(ProblemError);
  expect(await next).toContain('Quillfeather');
  const many = Array.from({ length: 31 }, () => patient.make(page));
  await expect(patient.make(page).catch(titleOf)).resolves.toBe(
    '30 sheets and pages are to be made before this one. Ask again in a while.',
  );
  expect((await Promise.all(many)).length).toBe(31);
  patient.close();
  db.close();
});

it('a page asked for again costs nothing until its job changes; asked for by many at once it is made once', async () => {
  let made = 0;
  let fails = false;
  const pages = new Pages({
    make: async () => {
      made++;
      await new Promise((done) => setTimeout(done, 5));
      if (fails) throw new ProblemError(503, 'Busy.');
      return `page ${made}`;
    },
    close: () => undefined,
  });
  const many = await Promise.all(Array.from({ length: 20 }, () => pages.of('yard', 'crew', 1)));
  expect([new Set(many), made]).toEqual([new Set(['page 1']), 1]);
  expect(await pages.of('yard', 'customer', 1)).toBe('page 2');
  expect(await pages.of('yard', 'crew', 1)).toBe('page 1');
  expect(await pages.of('yard', 'crew', 2)).toBe('page 3');
  fails = true;
  await expect(pages.of('yard', 'crew', 3)).rejects.toThrow('Busy.');
  fails = false;
  expect(await pages.of('yard', 'crew', 3)).toBe('page 5');
});

it('the page behind a link follows its job', async () => {
  const { server, store } = serve();
  store.create(quillfeather());
  const { link } = (await server.post('/api/jobs/quillfeather/shares').send({ audience: 'crew' }).expect(201)).body;
  expect((await server.get(link).expect(200)).text).toContain('Quillfeather Animal Clinic');
  const head = { ...quillfeather().elements.get('job')!, name: 'Another name' };
  store.change('quillfeather', {
    change: 'change-name',
    label: 'x',
    puts: [{ base: 1, element: head as never }],
    removes: [],
  });
  expect((await server.get(link).expect(200)).text).toContain('Another name');
});
