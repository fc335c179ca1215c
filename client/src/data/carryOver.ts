/**
 * What earlier versions kept in local storage, carried into the database: changes not yet sent, jobs made here, and the server's answers
 * put by for offline. Each is taken out of local storage only once the database has it.
 */
import { changeSchema, elementSchema, jobReplySchema } from '@katabasis/core';
import { z } from 'zod';
import { CACHE, keptEarlier, QUEUE } from './earlier';
import type { Db } from './schema';
import type { Pending } from './stored';

const queueSchema = z.object({
  create: z.array(elementSchema).optional(),
  changes: z.array(changeSchema.extend({ change: z.string() })),
  bases: z.record(z.string(), z.number()),
});

const cacheSchema = z.object({
  clientState: z.object({
    queries: z.array(z.object({ queryKey: z.array(z.unknown()), state: z.object({ data: z.unknown() }) })),
  }),
});

/** Gives every change the bases of the elements that it is the first to touch. */
function withBases({ changes, bases }: z.infer<typeof queueSchema>): Pending[] {
  const seen = new Set<string>();
  return changes.map((change, order) => {
    const fresh = [...change.puts.map(({ id }) => id), ...change.removes].filter((id) => !seen.has(id));
    for (const id of fresh) seen.add(id);
    return { ...change, order, bases: Object.fromEntries(fresh.map((id) => [id, bases[id] ?? 0])) };
  });
}

async function carryQueue(db: Db, job: string, text: string): Promise<void> {
  const queue = queueSchema.parse(JSON.parse(text));
  const tx = db.transaction(['jobs', 'elements', 'changes'], 'readwrite');
  const known = await tx.objectStore('jobs').get(job);
  if (!known) void tx.objectStore('jobs').put({ id: job, seq: -1, unsent: queue.create !== undefined });
  queue.create?.forEach((element, place) => {
    void tx.objectStore('elements').put({ job, id: element.id, place, version: 1, element });
  });
  for (const pending of withBases(queue)) void tx.objectStore('changes').put({ ...pending, job });
  await tx.done;
}

/** Jobs as the server last told them. */
async function carryAnswers(db: Db, text: string): Promise<void> {
  const { queries } = cacheSchema.parse(JSON.parse(text)).clientState;
  for (const { queryKey, state } of queries) {
    const reply = queryKey[0] === 'job' ? jobReplySchema.safeParse(state.data) : null;
    if (!reply?.success) continue;
    const { id: job, seq, elements } = reply.data;
    const tx = db.transaction(['jobs', 'elements'], 'readwrite');
    void tx.objectStore('jobs').put({ id: job, seq, unsent: false });
    elements.forEach(({ version, element }, place) => {
      void tx.objectStore('elements').put({ job, id: element.id, place, version, element });
    });
    await tx.done;
  }
}

export async function carryOver(db: Db, storage: Storage): Promise<void> {
  for (const key of keptEarlier(storage)) {
    const text = storage.getItem(key)!;
    await taken(storage, key, () =>
      key === CACHE ? carryAnswers(db, text) : carryQueue(db, key.slice(QUEUE.length), text),
    );
  }
}

/** Runs a step, and takes its text out of local storage; what cannot be read is set aside under another name rather than thrown away. */
async function taken(storage: Storage, key: string, step: () => Promise<void>): Promise<void> {
  try {
    await step();
  } catch {
    storage.setItem(`katabasis.unread.${key}.${Date.now()}`, storage.getItem(key)!);
  }
  storage.removeItem(key);
}
