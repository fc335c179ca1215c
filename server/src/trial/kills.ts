/** Kills a server at random moments while changes are sent, and looks whether each that it acknowledged is there when it is up again. */
import { setTimeout as pause } from 'node:timers/promises';
import type { Element, JobReply } from '@katabasis/core';
import { send, startServer } from './started';
import { countOf, HEAD, junction } from './yard';

export interface KillFigures {
  kills: number;
  acknowledged: number;
  /** Acknowledged and not there after: must be none. */
  lost: number;
  /** Sent again after the kill because no answer had come, and found done already: not done twice. */
  repeated: number;
}

/** Longest that a server lives in a round, ms. */
const MAX_LIFE_MS = 400;

export async function killTrial(data: string, kills: number, chance: () => number): Promise<KillFigures> {
  const figures: KillFigures = { kills: 0, acknowledged: 0, lost: 0, repeated: 0 };
  let count = 0;
  let unanswered: object | null = null;
  for (let round = 0; round <= kills; round++) {
    const server = await startServer(data);
    const jobs = `${server.base}/api/jobs`;
    if (round === 0) await send('POST', jobs, { id: 'trial', elements: [HEAD, junction('a', 0)] });
    const { body } = await send('GET', `${jobs}/trial`);
    const present = (body as JobReply).elements.find(({ element }) => element.id === 'a')!;
    // The last one sent may be there without its answer having come; none before it may be missing.
    if (countOf(present.element) < count) figures.lost += count - countOf(present.element);
    count = countOf(present.element);
    if (unanswered) {
      const again = await send('POST', `${jobs}/trial/changes`, unanswered);
      if (again.status === 200 && (await countAt(jobs)) === count) figures.repeated++;
      count = await countAt(jobs);
      unanswered = null;
    }
    if (round === kills) {
      await server.kill();
      break;
    }
    const death = pause(chance() * MAX_LIFE_MS).then(() => server.kill());
    let version = ((await send('GET', `${jobs}/trial`)).body as JobReply | null)?.elements.find(
      ({ element }) => element.id === 'a',
    )?.version;
    while (version !== undefined) {
      const change = {
        change: `change-${round}-${count + 1}`,
        label: 'Count on',
        puts: [{ base: version, element: junction('a', count + 1) as Element }],
        removes: [],
      };
      unanswered = change;
      const reply = await send('POST', `${jobs}/trial/changes`, change);
      if (reply.status !== 200) break;
      unanswered = null;
      figures.acknowledged++;
      count++;
      version = (reply.body as { versions: Record<string, number> }).versions.a;
    }
    await death;
    figures.kills++;
  }
  return figures;
}

async function countAt(jobs: string): Promise<number> {
  const { body } = await send('GET', `${jobs}/trial`);
  return countOf((body as JobReply).elements.find(({ element }) => element.id === 'a')!.element);
}
