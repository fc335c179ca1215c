import fc from 'fast-check';
import type { Element } from '@katabasis/core';
import {
  enqueued,
  hasRoom,
  loadQueue,
  queueKey,
  settled,
  unsentJobs,
  updateQueue,
  withoutElements,
  type KeyValue,
  type Pending,
  type Queue,
} from './queue';

function storage(room = Number.POSITIVE_INFINITY): KeyValue & { kept: Map<string, string>; room: number } {
  const kept = new Map<string, string>();
  return {
    kept,
    room,
    get length() {
      return kept.size;
    },
    key: (index) => [...kept.keys()][index] ?? null,
    getItem: (key) => kept.get(key) ?? null,
    removeItem: (key) => void kept.delete(key),
    setItem(key, value) {
      if (value.length > this.room) throw new Error('no room');
      kept.set(key, value);
    },
  };
}

const wye = (id: string, groundLevel = 0): Element => ({ id, kind: 'junction', form: 'wye', name: id, groundLevel });
const change = (name: string, puts: string[], removes: string[] = []): Pending => ({
  change: name,
  label: name,
  puts: puts.map((id) => wye(id)),
  removes,
});
const empty: Queue = { changes: [], bases: {} };

it('keeps what was made until the server has it, and nothing after', () => {
  const device = storage();
  updateQueue(device, 'a', (queue) => enqueued(queue, change('one', ['x']), () => 3));
  expect(loadQueue(device, 'a')).toMatchObject({ changes: [{ change: 'one' }], bases: { x: 3 } });
  updateQueue(device, 'a', (queue) => settled(queue, 'one', { x: 4 }));
  expect(device.kept.size).toBe(0);
});

it('an element keeps the version that it was first seen at, and takes the server’s once a change of it is in', () => {
  const twice = enqueued(
    enqueued(empty, change('one', ['x']), () => 3),
    change('two', ['x', 'y']),
    () => 9,
  );
  expect(twice.bases).toEqual({ x: 3, y: 9 });
  expect(settled(twice, 'one', { x: 4 }).bases).toEqual({ x: 4, y: 9 });
  // Removed there: what comes after it is new.
  const gone = enqueued(
    enqueued(empty, change('one', [], ['x']), () => 3),
    change('two', ['x']),
    () => 9,
  );
  expect(settled(gone, 'one').bases).toEqual({ x: 0 });
});

it('after any run of changes, each base belongs to an element that some change still touches', () => {
  const ids = fc.constantFrom('a', 'b', 'c', 'd');
  const steps = fc.array(
    fc.tuple(fc.constantFrom('make', 'settle', 'drop'), fc.array(ids, { minLength: 1, maxLength: 3 })),
    { maxLength: 20 },
  );
  fc.assert(
    fc.property(steps, (made) => {
      let queue = empty;
      made.forEach(([what, of], k) => {
        if (what === 'make') queue = enqueued(queue, change(`c${k}`, [...new Set(of)]), () => k);
        else if (what === 'settle' && queue.changes[0])
          queue = settled(queue, queue.changes[0].change, Object.fromEntries(of.map((id) => [id, k])));
        else queue = withoutElements(queue, new Set(of));
      });
      const touched = new Set(queue.changes.flatMap(({ puts, removes }) => [...puts.map(({ id }) => id), ...removes]));
      expect(new Set(Object.keys(queue.bases))).toEqual(touched);
      expect(queue.changes.every(({ puts, removes }) => puts.length + removes.length > 0)).toBe(true);
    }),
  );
});

it('with no room on the device it is kept on the page, said, and stored as soon as there is room', () => {
  const device = storage(0);
  updateQueue(device, 'full', (queue) => enqueued(queue, change('one', ['x']), () => 1));
  expect(hasRoom('full')).toBe(false);
  expect(loadQueue(device, 'full').changes).toHaveLength(1);
  device.room = Number.POSITIVE_INFINITY;
  updateQueue(device, 'full', (queue) => enqueued(queue, change('two', ['y']), () => 1));
  expect(hasRoom('full')).toBe(true);
  expect(JSON.parse(device.kept.get(queueKey('full'))!)).toMatchObject({
    changes: [{ change: 'one' }, { change: 'two' }],
  });
});

it('what cannot be read is set aside, not thrown away', () => {
  const device = storage();
  device.setItem(queueKey('old'), '{"changes": "of an older kind"}');
  expect(loadQueue(device, 'old')).toEqual(empty);
  expect([...device.kept].map(([key, text]) => [key.replace(/\d+$/, ''), text])).toEqual([
    ['katabasis.unread.old.', '{"changes": "of an older kind"}'],
  ]);
});

it('names the jobs that were begun here and are not on the server', () => {
  const device = storage();
  updateQueue(device, 'new', () => ({ create: [wye('x')], changes: [], bases: {} }));
  updateQueue(device, 'old', (queue) => enqueued(queue, change('one', ['x']), () => 1));
  expect(unsentJobs(device)).toEqual(['new']);
});
