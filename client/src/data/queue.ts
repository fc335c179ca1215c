/**
 * Changes not yet on the server, kept in the device's storage from the moment they are made. What is stored is the truth, for every
 * open page of this device: each step reads it, alters it and writes it back, so that two pages never overwrite each other's work.
 */
import { changeSchema, elementSchema } from '@katabasis/core';
import { z } from 'zod';

const pendingSchema = changeSchema.extend({ change: z.string() });
export type Pending = z.infer<typeof pendingSchema>;

const queueSchema = z.object({
  /** Elements of a job made here that the server has not got. */
  create: z.array(elementSchema).optional(),
  changes: z.array(pendingSchema),
  /** Version of each element that the changes touch, as it was when they were made: what the server is asked to replace. */
  bases: z.record(z.string(), z.number()),
});
export type Queue = z.infer<typeof queueSchema>;

export type KeyValue = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

const PREFIX = 'katabasis.queue.';
export const queueKey = (job: string): string => PREFIX + job;

/** Queues that found no room in storage: kept for as long as the page is open. */
const unroomed = new Map<string, string>();

export const hasRoom = (job: string): boolean => !unroomed.has(queueKey(job));

export function loadQueue(storage: KeyValue, job: string): Queue {
  const key = queueKey(job);
  const text = unroomed.get(key) ?? storage.getItem(key);
  if (text === null) return { changes: [], bases: {} };
  try {
    return queueSchema.parse(JSON.parse(text));
  } catch {
    // Of an older version, or damaged: set aside under another name rather than thrown away.
    storage.setItem(`katabasis.unread.${job}.${Date.now()}`, text);
    storage.removeItem(key);
    return { changes: [], bases: {} };
  }
}

function saveQueue(storage: KeyValue, job: string, queue: Queue): void {
  const key = queueKey(job);
  if (!queue.create && queue.changes.length === 0) {
    unroomed.delete(key);
    storage.removeItem(key);
    return;
  }
  const text = JSON.stringify(queue);
  try {
    storage.setItem(key, text);
    unroomed.delete(key);
  } catch {
    unroomed.set(key, text);
  }
}

/** Reads the queue, alters it and stores it. */
export function updateQueue(storage: KeyValue, job: string, alter: (queue: Queue) => Queue): Queue {
  const next = alter(loadQueue(storage, job));
  saveQueue(storage, job, next);
  return next;
}

/** Ids of jobs made here that the server has not got. */
export function unsentJobs(storage: KeyValue): string[] {
  const ids: string[] = [];
  for (let k = 0; k < storage.length; k++) {
    const key = storage.key(k);
    if (key?.startsWith(PREFIX) && loadQueue(storage, key.slice(PREFIX.length)).create)
      ids.push(key.slice(PREFIX.length));
  }
  return ids;
}

const touches = (change: Pending, id: string): boolean =>
  change.removes.includes(id) || change.puts.some((put) => put.id === id);

/** Adds a change; an element touched for the first time keeps the version it was seen at. */
export function enqueued(queue: Queue, change: Pending, versionOf: (id: string) => number): Queue {
  const bases = { ...queue.bases };
  for (const id of [...change.puts.map((put) => put.id), ...change.removes]) bases[id] ??= versionOf(id);
  return { ...queue, changes: [...queue.changes, change], bases };
}

/** Takes a change out and forgets the bases that no other change needs; `versions` are those that the server gave. */
export function settled(queue: Queue, changeId: string, versions: Readonly<Record<string, number>> = {}): Queue {
  const done = queue.changes.find((each) => each.change === changeId);
  if (!done) return queue;
  const changes = queue.changes.filter((each) => each !== done);
  const now: Record<string, number> = {
    ...queue.bases,
    ...Object.fromEntries(done.removes.map((id) => [id, 0])),
    ...versions,
  };
  return {
    ...queue,
    changes,
    bases: Object.fromEntries(Object.entries(now).filter(([id]) => changes.some((each) => touches(each, id)))),
  };
}

/** Takes elements out of every change: another device's stand instead. Changes that come to nothing go. */
export function withoutElements(queue: Queue, ids: ReadonlySet<string>): Queue {
  const changes = queue.changes
    .map((each) => ({
      ...each,
      puts: each.puts.filter((put) => !ids.has(put.id)),
      removes: each.removes.filter((id) => !ids.has(id)),
    }))
    .filter((each) => each.puts.length + each.removes.length > 0);
  return { ...queue, changes, bases: Object.fromEntries(Object.entries(queue.bases).filter(([id]) => !ids.has(id))) };
}
