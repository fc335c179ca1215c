/** Times the server as its users meet it: a list of 2,000 jobs, a change to a job of 5,000 elements, 200 users at once. Part of `npm run bench`. */
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { jobFrom, type Element, type JobList, type JobReply } from '@katabasis/core';
import { quillfeather } from '@katabasis/core/samples';
import { largeYard } from '@katabasis/core/trial';
import { openDatabase } from '../database';
import { JobStore } from '../jobs/store';
import { pdfOf } from '../sheets/set';
import { send, startServer } from '../trial/started';

const JOBS = 2000;
const USERS = 200;
const SECONDS = 20;
/** A user looks, thinks and taps: about one request a second. */
const THINK_MS = 1000;

const at = (times: readonly number[], share: number): string =>
  [...times].sort((a, b) => a - b)[Math.floor((times.length - 1) * share)]!.toFixed(1);
const shown = (times: readonly number[]): string =>
  `median ${at(times, 0.5)} ms, p95 ${at(times, 0.95)} ms, p99 ${at(times, 0.99)} ms`;

async function timed<T>(times: number[], work: () => Promise<T>): Promise<T> {
  const start = performance.now();
  const done = await work();
  times.push(performance.now() - start);
  return done;
}

/** 2,000 jobs as a company has after some years, and one of 5,000 elements. */
function fill(file: string): void {
  const db = openDatabase(file);
  const store = new JobStore(db);
  const { all } = quillfeather().elements;
  db.transaction(() => {
    for (let k = 0; k < JOBS; k++)
      store.create(
        jobFrom(
          `job${k}`,
          all.map((element) =>
            element.kind === 'job' ? { ...element, name: `Yard ${k}`, client: `Client ${k % 300}` } : element,
          ),
        ),
      );
    store.create(jobFrom('large', largeYard(200, 5000).elements.all));
  })();
  db.close();
}

async function list(base: string): Promise<void> {
  const first: number[] = [];
  await timed(first, () => send('GET', `${base}/api/jobs`));
  const times: number[] = [];
  for (let k = 0; k < 200; k++)
    await timed(times, () => send('GET', `${base}/api/jobs${k % 2 ? '?find=client+27' : ''}`));
  console.log(`list of ${JOBS} jobs, a page of 50: first ${at(first, 0.5)} ms, then ${shown(times)}`);
  const start = performance.now();
  const coming = async (): Promise<boolean> =>
    ((await send('GET', `${base}/api/jobs`)).body as JobList).jobs.some(({ verdict }) => verdict === null);
  while (await coming()) await pause(100);
  console.log(
    `its verdicts, worked out beside the requests: there after ${((performance.now() - start) / 1000).toFixed(1)} s`,
  );
}

const headOf = async (base: string, job: string): Promise<{ version: number; element: Element }> =>
  ((await send('GET', `${base}/api/jobs/${job}`)).body as JobReply).elements.find(
    ({ element }) => element.kind === 'job',
  )!;

const changeOf = (head: { version: number; element: Element }, name: string): object => ({
  change: randomUUID(),
  label: 'Name it',
  puts: [{ base: head.version, element: { ...head.element, name } }],
  removes: [],
});

async function change(base: string): Promise<void> {
  const times: Record<string, number[]> = { large: [], job0: [] };
  for (const job of Object.keys(times)) {
    let head = await headOf(base, job);
    for (let k = 0; k < 120; k++) {
      const reply = await timed(times[job]!, () =>
        send('POST', `${base}/api/jobs/${job}/changes`, changeOf(head, `n${k}`)),
      );
      head = { ...head, version: (reply.body as { versions: { job: number } }).versions.job };
    }
  }
  console.log(`a change saved, 30 elements: ${shown(times.job0!)}; 5,000 elements: ${shown(times.large!)}`);
}

async function users(base: string): Promise<void> {
  const times: number[] = [];
  const until = performance.now() + SECONDS * 1000;
  const refused = { count: 0 };
  const user = async (k: number): Promise<void> => {
    await pause(Math.random() * THINK_MS);
    const job = `job${k % JOBS}`;
    let head = await headOf(base, job);
    while (performance.now() < until) {
      const dice = Math.random();
      const ask = (): Promise<{ status: number; body: unknown }> =>
        dice < 0.4
          ? send('GET', `${base}/api/jobs`)
          : dice < 0.7
            ? send('GET', `${base}/api/jobs/${job}`)
            : send('POST', `${base}/api/jobs/${job}/changes`, changeOf(head, `n${Math.random()}`));
      const reply = await timed(times, ask);
      if (reply.status >= 400 || reply.status === 0) refused.count++;
      else if (dice >= 0.7) head = { ...head, version: (reply.body as { versions: { job: number } }).versions.job };
      await pause(THINK_MS * (0.5 + Math.random()));
    }
  };
  await Promise.all(Array.from({ length: USERS }, (_, k) => user(k)));
  console.log(
    `${USERS} users for ${SECONDS} s, lists, jobs and changes, on this machine too: ${(times.length / SECONDS).toFixed(0)} requests a second, ${refused.count} not answered; ${shown(times)}`,
  );
}

/** As fast as one process goes: changes one after another from some clients. */
async function most(base: string): Promise<void> {
  const until = performance.now() + 5000;
  let done = 0;
  const client = async (k: number): Promise<void> => {
    let head = await headOf(base, `job${500 + k}`);
    while (performance.now() < until) {
      const reply = await send('POST', `${base}/api/jobs/job${500 + k}/changes`, changeOf(head, `n${done++}`));
      head = { ...head, version: (reply.body as { versions: { job: number } }).versions.job };
    }
  };
  await Promise.all(Array.from({ length: 16 }, (_, k) => client(k)));
  console.log(`changes that one process saves, each flushed to the disk: ${(done / 5).toFixed(0)} a second`);
}

/** The whole set on paper, as a tap on "Print" waits for it: of the sample, and of 208 runs with its steps. */
async function papers(): Promise<void> {
  for (const [name, job, rounds] of [
    ['the sample', quillfeather(), 7],
    ['a large yard that is on no plan', largeYard(190, 900), 3],
  ] as const) {
    const times: number[] = [];
    let steps = 0;
    let bytes = 0;
    for (let k = 0; k < rounds; k++) {
      steps = 0;
      const made = new Date(0).toISOString();
      const onStep = (): void => void steps++;
      bytes = (
        await timed(times, () => pdfOf(jobFrom(name, [...job.elements]), 'set', { size: 'letter', made, onStep }))
      ).length;
    }
    const runs = job.elements.ofKind('run').length;
    console.log(
      `every sheet of ${name} as PDF (${runs} runs, ${(bytes / 1000).toFixed(0)} kB, ${steps} steps told): first ${at([times[0]!], 0)} ms, then ${at(times.slice(1), 0.5)} ms`,
    );
  }
}

await papers();
const data = mkdtempSync(join(tmpdir(), 'katabasis-bench-'));
try {
  fill(join(data, 'katabasis.sqlite'));
  const server = await startServer(data);
  await list(server.base);
  await change(server.base);
  await users(server.base);
  await most(server.base);
  await server.kill();
} finally {
  rmSync(data, { recursive: true, force: true });
}
