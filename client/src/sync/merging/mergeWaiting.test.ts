import { changed, jobFrom, type Change, type Element } from '@katabasis/core';
import fc from 'fast-check';
import type { Pending } from '../device/stored';
import { mergeFields } from './mergeFields';
import { collisionsIn, mergeWaiting } from './mergeWaiting';
import { pendingOf } from './waiting';

interface Bend {
  id: string;
  kind: 'junction';
  form: 'bend';
  name: string;
  groundLevel: number;
  turn?: 'one45' | 'two45';
}
const FIELDS = ['name', 'groundLevel', 'turn'] as const;
const bend = fc
  .record(
    {
      id: fc.constant('x'),
      kind: fc.constant('junction' as const),
      form: fc.constant('bend' as const),
      name: fc.constantFrom('A', 'B', 'C'),
      groundLevel: fc.constantFrom(0, 1, 2),
      turn: fc.constantFrom('one45' as const, 'two45' as const),
    },
    { requiredKeys: ['id', 'kind', 'form', 'name', 'groundLevel'] },
  )
  .map((each) => each as Bend);

it('a field that one device changed is as it left it; both changed it, and not alike: somebody is asked, and chooses', () => {
  fc.assert(
    fc.property(bend, bend, bend, (was, mine, theirs) => {
      const [a, b] = (['mine', 'theirs'] as const).map((side) => mergeFields({ was, mine, theirs } as never, side));
      const both = FIELDS.filter((f) => mine[f] !== was[f] && theirs[f] !== was[f] && mine[f] !== theirs[f]);
      expect([a!.collides, b!.collides]).toEqual([both.length > 0, both.length > 0]);
      for (const f of FIELDS) {
        const of = (merged: typeof a): unknown => (merged!.to as unknown as Bend)[f];
        if (both.includes(f)) expect([of(a), of(b)]).toEqual([mine[f], theirs[f]]);
        else expect([of(a), of(b)]).toEqual(Array(2).fill(mine[f] === was[f] ? theirs[f] : mine[f]));
      }
    }),
    { numRuns: 500 },
  );
});

const element = (id: string, of: Partial<Bend> = {}): Element =>
  ({ id, kind: 'junction', form: 'bend', name: id, groundLevel: 0, ...of }) as Element;

/** Changes made one after another here, on what the server had at version 1. */
function made(...changes: Omit<Change, 'label'>[]): Pending[] {
  const waiting: Pending[] = [];
  for (const [k, change] of changes.entries())
    waiting.push(
      pendingOf(waiting, { label: 'x', ...change }, `c${k}`, (id) => ({ version: 1, element: element(id) })),
    );
  return waiting;
}
const put = (...puts: Element[]) => ({ puts, removes: [] });
const theirs = (is: Element | null) => new Map([['x', { version: is ? 7 : 0, element: is }]]);
const afterAll = (waiting: readonly Pending[], of: Element | null): Element | undefined =>
  waiting.reduce((job, change) => changed(job, change), jobFrom('yard', of ? [of] : [])).elements.get('x');

it('my two levels, one after the other, do not take back your name', () => {
  const waiting = made(put(element('x', { groundLevel: 1 })), put(element('x', { groundLevel: 2 }), element('y')));
  const named = element('x', { name: 'Yours' });
  const merged = mergeWaiting(waiting, theirs(named), 'mine');
  expect(merged.collisions).toEqual([]);
  expect(merged.waiting.map(({ bases }) => bases)).toEqual([{ x: 7 }, { y: 1 }]);
  expect(afterAll(merged.waiting, named)).toMatchObject({ name: 'Yours', groundLevel: 2 });
});

it('asked about a level, each answer leaves the other’s name, and only the level is shown as differing', () => {
  const waiting = made(put(element('x', { groundLevel: 1 })));
  const their = element('x', { name: 'Yours', groundLevel: 3 });
  expect(collisionsIn(waiting, theirs(their))).toEqual([
    { id: 'x', mine: element('x', { name: 'Yours', groundLevel: 1 }), theirs: their },
  ]);
});

it.each([
  ['one that they took out and I changed', put(element('x', { name: 'Mine' })), null],
  ['one that I took out and they changed', { puts: [], removes: ['x'] }, element('x', { name: 'Theirs' })],
])('%s is asked about, and is as it is chosen', (_, mine, their) => {
  const waiting = made(mine);
  expect(mergeWaiting(waiting, theirs(their), 'mine').collisions).toEqual(['x']);
  const [kept, left] = (['mine', 'theirs'] as const).map((side) =>
    afterAll(mergeWaiting(waiting, theirs(their), side).waiting, their),
  );
  expect(kept).toEqual(mine.puts[0]);
  expect(left).toEqual(their ?? undefined);
});

it('what both took out, or made alike, needs no asking and is not sent', () => {
  const out = mergeWaiting(made({ puts: [], removes: ['x'] }), theirs(null), 'mine');
  expect([out.collisions, out.waiting, out.done.length]).toEqual([[], [], 1]);
  const alike = mergeWaiting(made(put(element('x', { name: 'Z' }))), theirs(element('x', { name: 'Z' })), 'mine');
  expect([alike.collisions, alike.waiting, alike.done.length]).toEqual([[], [], 1]);
});

it('fields that do not fit together are asked about, however they came', () => {
  const was = { ...element('x'), form: 'wye' } as Element;
  const bad = { ...was, groundLevel: Number.NaN } as Element;
  expect(mergeFields({ was, mine: { ...was, name: 'M' } as Element, theirs: bad }, 'mine').collides).toBe(true);
});

it('two people write down one test from its two ends, and neither is asked; of one figure of it they are', () => {
  const running = {
    id: 'v',
    kind: 'visit' as const,
    at: '2026-12-02T10:00:00Z',
    test: { type: 'hose' as const, into: 'basin', running: '2026-12-02T10:00:00Z' },
  };
  const { running: _stopped, ...still } = running.test;
  const atTheHose: Element = { ...running, test: { ...running.test, bucket: { volume: 0.019, seconds: 50 } } };
  const atTheEnd: Element = { ...running, test: { ...still, shows: 71 } };
  for (const [mine, theirs] of [
    [atTheHose, atTheEnd],
    [atTheEnd, atTheHose],
  ] as const)
    expect(mergeFields({ was: running, mine, theirs }, 'mine')).toEqual({
      to: { ...running, test: { ...still, shows: 71, bucket: { volume: 0.019, seconds: 50 } } },
      collides: false,
    });
  const later: Element = { ...running, test: { ...still, shows: 74 } };
  expect(mergeFields({ was: running, mine: later, theirs: atTheEnd }, 'theirs')).toEqual({
    to: atTheEnd,
    collides: true,
  });
  // Another sort of test in its place is no field of this one.
  const other: Element = { ...running, test: { type: 'look' } };
  expect(mergeFields({ was: running, mine: other, theirs: atTheEnd }, 'mine')).toEqual({ to: other, collides: true });
});
