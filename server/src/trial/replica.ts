/**
 * A server with a replica, lost again and again: killed and its folder gone, put together from the replica, and looked at how much of
 * what it had answered is not there.
 */
import { execFile } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { setTimeout as pause } from 'node:timers/promises';
import { promisify } from 'node:util';
import type { Element, JobReply } from '@katabasis/core';
import { ROOT } from '../paths';
import { send, startServer } from './started';
import { countOf, HEAD, junction } from './yard';

export interface LossFigures {
  losses: number;
  /** Changes answered, and in how long, s. */
  answered: number;
  seconds: number;
  /** How long before a loss the latest change that is gone with it was answered, ms, of each loss: 0 where none is gone. */
  behind: number[];
}

/** 50 changes a second, where the machine answers as fast. */
const PACE_MS = 20;
const LONGEST_LIFE_MS = 3_000;

/** Ends the replicator that a killed server left, as a machine that is lost ends it too. */
export function endReplicator(data: string): void {
  try {
    process.kill(Number(readFileSync(join(data, 'litestream.pid'), 'utf8')), 'SIGKILL');
  } catch {
    // It went already.
  }
}

export const restoreInto = (data: string, ...args: string[]) =>
  promisify(execFile)(process.execPath, [join(ROOT, 'server/dist/restore.mjs'), ...args], {
    env: { ...process.env, KATABASIS_DATA: data },
  });

/** `folder`: where the server's data and its replica are kept meanwhile. */
export async function lossTrial(folder: string, losses: number, chance: () => number): Promise<LossFigures> {
  const [data, copy] = [join(folder, 'data'), join(folder, 'copy')];
  for (const each of [data, copy]) mkdirSync(each, { recursive: true });
  const figures: LossFigures = { losses: 0, answered: 0, seconds: 0, behind: [] };
  const start = () => startServer(data, { KATABASIS_REPLICA: `file://${copy}` });
  let server = await start();
  await send('POST', `${server.base}/api/jobs`, { id: 'trial', elements: [HEAD, junction('a', 0)] });
  // The first copy is the whole database.
  await pause(LONGEST_LIFE_MS);
  let { count, version } = await standing(server.base);
  while (figures.losses < losses) {
    const answered: number[] = [];
    const before = count;
    const began = performance.now();
    const death = began + (0.3 + 0.7 * chance()) * LONGEST_LIFE_MS;
    while (performance.now() < death) {
      const next = performance.now() + PACE_MS;
      const reply = await send('POST', `${server.base}/api/jobs/trial/changes`, {
        change: `change-${figures.losses}-${count + 1}`,
        label: 'Count on',
        puts: [{ base: version, element: junction('a', count + 1) as Element }],
        removes: [],
      });
      if (reply.status !== 200) throw new Error(`A change was answered with ${reply.status}.`);
      answered.push(performance.now());
      version = (reply.body as { versions: Record<string, number> }).versions.a!;
      count++;
      await pause(Math.max(0, next - performance.now()));
    }
    const lostAt = performance.now();
    await server.kill();
    endReplicator(data);
    rmSync(data, { recursive: true });
    mkdirSync(data);
    await restoreInto(data, '--from', `file://${copy}`);
    server = await start();
    ({ count, version } = await standing(server.base));
    const firstGone = answered[count - before];
    figures.behind.push(firstGone === undefined ? 0 : lostAt - firstGone);
    figures.answered += answered.length;
    figures.seconds += (lostAt - began) / 1000;
    figures.losses++;
  }
  await server.kill();
  endReplicator(data);
  return figures;
}

async function standing(base: string): Promise<{ count: number; version: number }> {
  const { elements } = (await send('GET', `${base}/api/jobs/trial`)).body as JobReply;
  const { element, version } = elements.find(({ element: { id } }) => id === 'a')!;
  return { count: countOf(element), version };
}
