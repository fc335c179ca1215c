/** Others' waiting while somebody has large papers made, and news to a thousand pages that listen. */
import { get } from 'node:http';
import { setTimeout as pause } from 'node:timers/promises';
import { toFile, type Job } from '@katabasis/core';
import { largeYard } from '@katabasis/core/trial';
import { send, WITH_KEY } from './started';
import { HEAD, junction } from './yard';

export interface BusyFigures {
  papers: number;
  /** How long the papers took in all, s. */
  seconds: number;
  /** Requests of the others meanwhile, and what each waited, ms: the middle, one in a hundred, the longest. */
  asked: number;
  median: number;
  p99: number;
  longest: number;
  /** The same without any papers, ms: one in a hundred, the longest. */
  quietP99: number;
  quietLongest: number;
}

/** Each user looks at the list, at a job or changes one, and then looks at it for a while, ms. */
const PAUSE_MS = 1_000;

/** What `users` wait for their requests until they are told to stop. */
async function waits(base: string, users: number, until: Promise<unknown>): Promise<number[]> {
  const times: number[] = [];
  let stopped = false;
  void until.finally(() => (stopped = true));
  const user = async (k: number): Promise<void> => {
    const id = `user${k}`;
    await send('POST', `${base}/api/jobs`, { id, elements: [HEAD, junction('a', 0)] });
    await pause(Math.random() * PAUSE_MS);
    let version = 1;
    for (let count = 0; !stopped; count++) {
      const start = performance.now();
      if (count % 3 === 0) {
        const puts = [{ base: version, element: junction('a', count) }];
        const body = { change: `change-${k}-${count}`, label: 'Count on', puts, removes: [] };
        const reply = await send('POST', `${base}/api/jobs/${id}/changes`, body);
        version = (reply.body as { versions?: Record<string, number> }).versions?.a ?? version;
      } else await send('GET', `${base}/api/jobs${count % 3 === 1 ? '' : `/${id}`}`);
      times.push(performance.now() - start);
      await pause(PAUSE_MS * (0.5 + Math.random()));
    }
  };
  await Promise.all(Array.from({ length: users }, (_, k) => user(k)));
  return times.sort((a, b) => a - b);
}

const at = (times: readonly number[], share: number): number => times[Math.floor(times.length * share)] ?? 0;

/** A job of so many runs, as it is sent to be printed. */
function large(runs: number): string {
  const job: Job = largeYard(Math.round(runs / 6), runs);
  return JSON.stringify({ job: job.id, elements: toFile(job).elements, paper: 'letter' });
}

export interface BusyTrial {
  users: number;
  /** Of each job that is printed, and how often it is. */
  runs: number;
  papers: number;
  /** How long the users are looked at without any papers, ms. */
  quietMs: number;
}

export async function busyTrial(base: string, { users, runs, papers, quietMs }: BusyTrial): Promise<BusyFigures> {
  const quiet = await waits(base, users, pause(quietMs));
  const body = large(runs);
  const headers = { ...WITH_KEY, 'Content-Type': 'application/json' };
  const start = performance.now();
  const made = Promise.all(
    Array.from({ length: papers }, async () =>
      (await fetch(`${base}/api/sheets/set.pdf`, { method: 'POST', headers, body })).text(),
    ),
  );
  const times = await waits(base, users, made);
  const whole = (await made).filter((lines) => lines.includes('"bytes"')).length;
  return {
    papers: whole,
    seconds: (performance.now() - start) / 1000,
    asked: times.length,
    median: at(times, 0.5),
    p99: at(times, 0.99),
    longest: times.at(-1) ?? 0,
    quietP99: at(quiet, 0.99),
    quietLongest: quiet.at(-1) ?? 0,
  };
}

export interface StreamFigures {
  streams: number;
  /** Pages that heard of a change, and when the last one did, ms after it was answered. */
  heard: number;
  last: number;
}

export async function streamTrial(base: string, streams: number): Promise<StreamFigures> {
  await send('POST', `${base}/api/jobs`, { id: 'told', elements: [HEAD, junction('a', 0)] });
  let heard = 0;
  let last = 0;
  let told = Infinity;
  const open = (): Promise<() => void> =>
    new Promise((opened) => {
      const asked = get(`${base}/api/events`, { headers: WITH_KEY, agent: false }, (stream) => {
        opened(() => asked.destroy());
        stream.on('data', (chunk) => {
          if (!String(chunk).includes('"told"')) return;
          heard++;
          last = performance.now() - told;
        });
        stream.on('error', () => undefined);
      });
      asked.on('error', () => undefined);
    });
  const close = await Promise.all(Array.from({ length: streams }, open));
  const puts = [{ base: 1, element: junction('a', 1) }];
  told = performance.now();
  await send('POST', `${base}/api/jobs/told/changes`, { change: 'change-told', label: 'Tell', puts, removes: [] });
  for (let tries = 0; tries < 100 && heard < streams; tries++) await pause(50);
  for (const each of close) each();
  return { streams, heard, last };
}
