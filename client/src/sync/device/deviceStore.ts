/**
 * The device's store in IndexedDB. A step is one transaction, committed in the same turn in which it is asked for: the browser has it even
 * when the page is killed right after. Photos and files are kept by hash beside the jobs, never inside elements.
 */
import type { Element } from '@katabasis/core';
import { openDB } from 'idb';
import type { Db, KatabasisDb } from './schema';
import { byOrder, byStep, countWaiting, elementsKept, isOf, MemoryStore } from './memoryStore';
import {
  byPlace,
  type DeviceStore,
  type Head,
  type Step,
  type StoredJob,
  type Versioned,
  type Waiting,
} from './stored';
import { measureFrom } from './measureFrom';

/** Told on the window when a page of an earlier version keeps this one from its database. */
export const HELD_BY_EARLIER = 'katabasis.heldByEarlier';

const NAME = 'katabasis';
const VERSION = 2;

const EVERY = (job: string): IDBKeyRange => IDBKeyRange.bound([job], [job, []]);

export class IndexedStore implements DeviceStore {
  readonly durable = true;
  private readonly db: Db;

  constructor(db: Db) {
    this.db = db;
  }

  async load(job: string): Promise<StoredJob | null> {
    const tx = this.db.transaction(['jobs', 'elements', 'changes', 'steps']);
    const [head, rows, waiting, steps] = await Promise.all([
      tx.objectStore('jobs').get(job),
      tx.objectStore('elements').getAll(EVERY(job)),
      tx.objectStore('changes').getAll(EVERY(job)),
      tx.objectStore('steps').getAll(EVERY(job)),
    ]);
    // A small change may have found room where the whole job before it did not: it is still there to be sent.
    if (!head && waiting.length === 0) return null;
    const elements = rows.sort(byPlace).map(({ version, element, place }) => ({ version, element, place }));
    return {
      ...(head ? bare(head) : { seq: -1, unsent: false }),
      elements,
      waiting: waiting.map(({ job: _job, ...pending }) => pending).sort(byOrder),
      steps: steps.map(({ job: _job, ...step }) => step).sort(byStep),
    };
  }

  async keep(job: string, step: Step): Promise<void> {
    const start = performance.now();
    await this.write(job, step);
    measureFrom('katabasis.kept', start);
  }

  private write(job: string, step: Step): Promise<void> {
    const { head, elements = [], gone = [], waiting = [], done = [], steps = [], forgotten = [] } = step;
    const tx = this.db.transaction(['jobs', 'elements', 'changes', 'steps'], 'readwrite');
    const asked: Promise<unknown>[] = [];
    if (head) asked.push(tx.objectStore('jobs').put({ ...head, id: job }));
    for (const id of gone) asked.push(tx.objectStore('elements').delete([job, id]));
    for (const each of elements) asked.push(tx.objectStore('elements').put(rowOf(job, each)));
    for (const pending of waiting) asked.push(tx.objectStore('changes').put({ ...pending, job }));
    for (const { order, change } of done) asked.push(tx.objectStore('changes').delete([job, order, change]));
    for (const each of steps) asked.push(tx.objectStore('steps').put({ ...each, job }));
    for (const id of forgotten) asked.push(tx.objectStore('steps').delete([job, id]));
    return finished(tx, asked);
  }

  replace(job: string, head: Head, elements: readonly Versioned[]): Promise<void> {
    const tx = this.db.transaction(['jobs', 'elements'], 'readwrite');
    const store = tx.objectStore('elements');
    const asked: Promise<unknown>[] = [
      tx.objectStore('jobs').put({ ...head, id: job }),
      store.delete(EVERY(job)),
      ...elements.map((each) => store.put(rowOf(job, each))),
    ];
    return finished(tx, asked);
  }

  async waiting(): Promise<Waiting[]> {
    const tx = this.db.transaction(['jobs', 'changes']);
    const [heads, keys] = await Promise.all([tx.objectStore('jobs').getAll(), tx.objectStore('changes').getAllKeys()]);
    return countWaiting([...heads.filter(({ unsent }) => unsent).map(({ id }) => id), ...keys.map(([job]) => job)]);
  }

  async ofOtherEpochs(epoch: string): Promise<string[]> {
    return (await this.db.getAll('jobs')).filter((head) => !isOf(head, epoch)).map(({ id }) => id);
  }

  async unsent(): Promise<{ id: string; elements: Element[] }[]> {
    const heads = (await this.db.getAll('jobs')).filter(({ unsent }) => unsent);
    return Promise.all(heads.map(({ id }) => elementsKept(this, id)));
  }
}

const bare = ({ id: _id, ...head }: Head & { id: string }): Head => head;

const rowOf = (job: string, each: Versioned): KatabasisDb['elements']['value'] => ({
  job,
  id: each.element.id,
  ...each,
});

/** Commits at once, and gives the end of the whole transaction: one reason for its failing, whichever request it was. */
async function finished(
  tx: { commit(): void; done: Promise<void> },
  asked: readonly Promise<unknown>[],
): Promise<void> {
  tx.commit();
  await Promise.all([...asked, tx.done]);
}

/** Opens the database. `closed`: called where the browser takes it away again, for a page of a later version or for want of means. */
export async function openDatabase(closed: () => void = () => undefined): Promise<Db> {
  const db = await openDB<KatabasisDb>(NAME, VERSION, {
    upgrade: (db, from) => {
      if (from < 1) {
        db.createObjectStore('jobs', { keyPath: 'id' });
        db.createObjectStore('elements', { keyPath: ['job', 'id'] });
        db.createObjectStore('changes', { keyPath: ['job', 'order', 'change'] });
        db.createObjectStore('files', { keyPath: 'hash' });
        db.createObjectStore('answers');
      }
      if (from < 2) db.createObjectStore('steps', { keyPath: ['job', 'id'] });
    },
    // A page of an earlier version holds the database as it was; whoever looks is told, and this goes on once that page is closed.
    blocked: () => globalThis.dispatchEvent?.(new Event(HELD_BY_EARLIER)),
    // And this page holds up no later one: what it was doing is committed, and the next thing opens the database anew.
    blocking: (_now, _later, event) => {
      (event.target as IDBDatabase).close();
      closed();
    },
    terminated: closed,
  });
  return db;
}

let opening: Promise<Db> | null = null;
const toldOfClosing = new Set<() => void>();

/** The page's one connection, opened anew where it was taken away. Fails where the device lets nothing be kept. */
export const database = (): Promise<Db> =>
  (opening ??= openDatabase(() => {
    opening = null;
    for (const tell of toldOfClosing) tell();
  }));

/** A store over a connection that comes a moment later, and may be taken away: what is asked of it meanwhile is done as soon as it is there. */
export class LastingStore implements DeviceStore {
  private store: DeviceStore | null = null;
  private connecting: Promise<DeviceStore> | null = null;

  /** `connect` opens a connection; it calls `closed` where that is taken away again. */
  constructor(private readonly connect: (closed: () => void) => Promise<DeviceStore>) {}

  get durable(): boolean {
    return this.store?.durable ?? true;
  }

  /** Asked in the same turn where the connection stands: a page that is killed right after has kept what it showed. */
  private ask<T>(question: (store: DeviceStore) => Promise<T>): Promise<T> {
    if (this.store) return question(this.store);
    this.connecting ??= this.connect(() => {
      this.store = null;
      this.connecting = null;
    }).then((store) => (this.store = store));
    return this.connecting.then(question);
  }

  load = (job: string): Promise<StoredJob | null> => this.ask((store) => store.load(job));
  keep = (job: string, step: Step): Promise<void> => this.ask((store) => store.keep(job, step));
  replace = (job: string, head: Head, elements: readonly Versioned[]): Promise<void> =>
    this.ask((store) => store.replace(job, head, elements));
  waiting = (): Promise<Waiting[]> => this.ask((store) => store.waiting());
  ofOtherEpochs = (epoch: string): Promise<string[]> => this.ask((store) => store.ofOtherEpochs(epoch));
  unsent = (): ReturnType<DeviceStore['unsent']> => this.ask((store) => store.unsent());
}

let store: DeviceStore | null = null;

/** The device's store; one in the page's memory where the device lets nothing be kept. */
export const deviceStore = (): DeviceStore =>
  (store ??= new LastingStore((closed) => {
    toldOfClosing.add(closed);
    return database().then(
      (db) => new IndexedStore(db),
      () => new MemoryStore(),
    );
  }));
