/** Many clients change one job at once, each following the rules: every change that is taken is done once, and none is written over unseen. */
import { randomUUID } from 'node:crypto';
import type { Conflict, Element, JobReply } from '@katabasis/core';
import { send } from './started';
import { countOf, HEAD, junction } from './yard';

export interface ClientFigures {
  clients: number;
  edits: number;
  conflicts: number;
  /** Edits missing from or doubled in the end: must be none. */
  wrong: number;
  /** ms, of one change: the middle, and what one in a hundred takes longer than. */
  median: number;
  p99: number;
}

/** Elements that the clients share; each counts up by one an edit, so that their sum is the number of edits. */
const SHARED = 12;

export async function clientTrial(
  base: string,
  clients: number,
  edits: number,
  chance: () => number,
): Promise<ClientFigures> {
  const jobs = `${base}/api/jobs`;
  const id = `shared-${randomUUID()}`;
  const ids = Array.from({ length: SHARED }, (_, k) => `e${k}`);
  await send('POST', jobs, { id, elements: [HEAD, ...ids.map((each) => junction(each, 0))] });
  const times: number[] = [];
  let conflicts = 0;
  const client = async (): Promise<void> => {
    const known = new Map(
      (await job(jobs, id)).elements.map(({ version, element }) => [element.id, { version, element }]),
    );
    for (let k = 0; k < edits; k++) {
      const target = ids[Math.floor(chance() * SHARED)]!;
      const change = randomUUID();
      for (let done = false; !done;) {
        const { version, element } = known.get(target)!;
        const next = junction(target, countOf(element) + 1) as Element;
        const body = { change, label: 'Count on', puts: [{ base: version, element: next }], removes: [] };
        const start = performance.now();
        // Now and then the answer is lost on the way, and the same change is sent again.
        const first = await send('POST', `${jobs}/${id}/changes`, body);
        times.push(performance.now() - start);
        const reply = chance() < 0.05 ? await send('POST', `${jobs}/${id}/changes`, body) : first;
        done = reply.status === 200;
        if (done)
          known.set(target, {
            version: (reply.body as { versions: Record<string, number> }).versions[target]!,
            element: next,
          });
        else if (reply.status === 409) {
          conflicts++;
          const [theirs] = (reply.body as { conflicts: Conflict[] }).conflicts;
          known.set(target, { version: theirs!.version, element: theirs!.element! });
        } else throw new Error(`A change was answered with ${reply.status}.`);
      }
    }
  };
  await Promise.all(Array.from({ length: clients }, client));
  const end = await job(jobs, id);
  const sum = end.elements.reduce((total, { element }) => total + (countOf(element) || 0), 0);
  times.sort((a, b) => a - b);
  return {
    clients,
    edits: clients * edits,
    conflicts,
    wrong: Math.abs(sum - clients * edits) + Math.abs(end.seq - clients * edits),
    median: times[Math.floor(times.length / 2)]!,
    p99: times[Math.floor(times.length * 0.99)]!,
  };
}

const job = async (jobs: string, id: string): Promise<JobReply> =>
  (await send('GET', `${jobs}/${id}`)).body as JobReply;
