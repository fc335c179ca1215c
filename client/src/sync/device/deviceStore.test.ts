import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import fc from 'fast-check';
import type { Element } from '@katabasis/core';
import { IndexedStore, LastingStore, openDatabase } from './deviceStore';
import { MemoryStore } from './memoryStore';
import type { DeviceStore, Pending, Step, Versioned } from './stored';

const freshDevice = (): void => void (globalThis.indexedDB = new IDBFactory());

const open = async (): Promise<IndexedStore> => new IndexedStore(await openDatabase());
const wye = (id: string, name = id): Element => ({ id, kind: 'junction', form: 'wye', name, groundLevel: 0 });
const versioned = (id: string, version: number, place: number): Versioned => ({ version, element: wye(id), place });
const pending = (order: number, ...ids: string[]): Pending => ({
  label: 'Change',
  change: `c${order}`,
  order,
  puts: ids.map((id) => wye(id)),
  removes: [],
  bases: {},
});

it('gives back what was kept to whoever opens it next, in order', async () => {
  freshDevice();
  const first = await open();
  await first.replace('yard', { seq: 4, unsent: false }, [versioned('b', 1, 0), versioned('a', 2, 1)]);
  await first.keep('yard', { waiting: [pending(2, 'a'), pending(1, 'b')] });
  await first.keep('other', { head: { seq: -1, unsent: true }, elements: [versioned('z', 1, 0)] });
  const stored = (await (await open()).load('yard'))!;
  expect(stored).toMatchObject({ seq: 4, unsent: false });
  expect(stored.elements.map(({ element }) => element.id)).toEqual(['b', 'a']);
  expect(stored.waiting.map(({ change }) => change)).toEqual(['c1', 'c2']);
  expect((await first.unsent()).map(({ id }) => id)).toEqual(['other']);
  expect(await first.load('nowhere')).toBeNull();
});

const steps = fc.array(
  fc.record({
    seq: fc.nat(9),
    put: fc.uniqueArray(fc.constantFrom('a', 'b', 'c'), { maxLength: 2 }),
    gone: fc.uniqueArray(fc.constantFrom('a', 'b', 'c'), { maxLength: 1 }),
    make: fc.uniqueArray(fc.nat(6), { maxLength: 2 }),
    done: fc.uniqueArray(fc.nat(6), { maxLength: 2 }),
  }),
  { maxLength: 12 },
);

it('keeps just what a store in memory keeps, whatever steps come', async () => {
  await fc.assert(
    fc.asyncProperty(steps, async (list) => {
      freshDevice();
      const stores: DeviceStore[] = [await open(), new MemoryStore()];
      for (const each of list) {
        const step: Step = {
          head: { seq: each.seq, unsent: false, epoch: 'e', createdAt: null },
          elements: each.put.map((id, k) => versioned(id, each.seq, k)),
          gone: each.gone.filter((id) => !each.put.includes(id)),
          waiting: each.make.map((order) => pending(order, 'a')),
          done: each.done.filter((order) => !each.make.includes(order)).map((order) => pending(order)),
        };
        for (const store of stores) await store.keep('yard', step);
      }
      const [indexed, memory] = await Promise.all(stores.map((store) => store.load('yard')));
      const byId = (stored: typeof indexed): unknown =>
        stored && { ...stored, elements: [...stored.elements].sort((a, b) => (a.element.id < b.element.id ? -1 : 1)) };
      expect(byId(indexed!)).toEqual(byId(memory!));
    }),
    { numRuns: 40 },
  );
});

it('a change that found room where its job did not is still there to be sent', async () => {
  freshDevice();
  const store = await open();
  await store.keep('yard', { waiting: [pending(1, 'a')] });
  expect(await (await open()).load('yard')).toMatchObject({ seq: -1, unsent: false, waiting: [{ change: 'c1' }] });
  expect(await store.unsent()).toEqual([]);
});

it('one change of a job of 5,000 elements with 500 waiting writes three records', async () => {
  freshDevice();
  const db = await openDatabase();
  const store = new IndexedStore(db);
  await store.replace(
    'yard',
    { seq: 1, unsent: false },
    Array.from({ length: 5000 }, (_, k) => versioned(`e${k}`, 1, k)),
  );
  await store.keep('yard', { waiting: Array.from({ length: 500 }, (_, k) => pending(k, `e${k}`)) });
  let written = 0;
  const put = IDBObjectStore.prototype.put;
  IDBObjectStore.prototype.put = function (...args: Parameters<typeof put>) {
    written++;
    return put.apply(this, args);
  };
  await store.keep('yard', {
    head: { seq: 2, unsent: false },
    elements: [versioned('e7', 2, 7)],
    waiting: [pending(501, 'e9')],
  });
  IDBObjectStore.prototype.put = put;
  expect(written).toBe(3);
});

it('takes over what an earlier version kept, and waits for its page to close', async () => {
  freshDevice();
  const earlier = await new Promise<IDBDatabase>((done) => {
    const asked = indexedDB.open('katabasis', 1);
    asked.onupgradeneeded = () => {
      const db = asked.result;
      db.createObjectStore('jobs', { keyPath: 'id' });
      db.createObjectStore('elements', { keyPath: ['job', 'id'] });
      db.createObjectStore('changes', { keyPath: ['job', 'order', 'change'] });
      db.createObjectStore('files', { keyPath: 'hash' });
      db.createObjectStore('answers');
    };
    asked.onsuccess = () => done(asked.result);
  });
  const tx = earlier.transaction(['jobs', 'elements', 'changes'], 'readwrite');
  tx.objectStore('jobs').put({ id: 'yard', seq: 4, unsent: false });
  tx.objectStore('elements').put({ job: 'yard', id: 'a', ...versioned('a', 2, 0) });
  tx.objectStore('changes').put({ ...pending(1, 'a'), job: 'yard' });
  await new Promise((done) => (tx.oncomplete = done));
  let isOpen = false;
  const later = open().then((store) => {
    isOpen = true;
    return store;
  });
  await new Promise((wait) => setTimeout(wait, 20));
  expect(isOpen).toBe(false);
  earlier.close();
  const stored = (await (await later).load('yard'))!;
  expect(stored).toMatchObject({ seq: 4, waiting: [{ change: 'c1' }], steps: [] });
  expect(stored.elements).toEqual([versioned('a', 2, 0)]);
});

it('closed by the browser for a page of a later version, it opens anew for the next thing, and nothing is lost', async () => {
  freshDevice();
  let connections = 0;
  const store = new LastingStore(async (closed) => {
    connections++;
    return new IndexedStore(await openDatabase(closed));
  });
  await store.keep('yard', { head: { seq: 1, unsent: false }, elements: [versioned('a', 1, 0)] });
  // A later version asks for the database: this page lets go of it. The later page goes away again without having changed it.
  await new Promise<void>((done) => {
    const later = indexedDB.open('katabasis', 3);
    later.onupgradeneeded = () => later.transaction!.abort();
    later.onerror = () => done();
  });
  await store.keep('yard', { waiting: [pending(1, 'a')] });
  expect(await store.load('yard')).toMatchObject({ seq: 1, waiting: [{ change: 'c1' }] });
  expect(connections).toBe(2);
});
