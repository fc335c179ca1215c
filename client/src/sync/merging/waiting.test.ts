import fc from 'fast-check';
import type { Element } from '@katabasis/core';
import type { Pending } from '../device/stored';
import { mergeWaiting } from './mergeWaiting';
import { acknowledge, pendingOf, rebased, withoutChange } from './waiting';

const wye = (id: string): Element => ({ id, kind: 'junction', form: 'wye', name: id, groundLevel: 0 });
const change = (puts: string[], removes: string[] = []) => ({ label: 'Change', puts: puts.map(wye), removes });

/** Changes made one after another, on elements seen at a version each. */
function made(...changes: [ReturnType<typeof change>, number][]): Pending[] {
  const waiting: Pending[] = [];
  changes.forEach(([each, version], k) => waiting.push(pendingOf(waiting, each, `c${k}`, () => at(version))));
  return waiting;
}

/** A version of an element that was not looked at. */
const at = (version: number) => ({ version, element: undefined });
const bases = (waiting: readonly Pending[]): Record<string, number>[] => waiting.map((each) => each.bases);

it('an element keeps the version that it was first seen at, and takes the server’s once a change of it is in', () => {
  const twice = made([change(['x']), 3], [change(['x', 'y']), 9]);
  expect(bases(twice)).toEqual([{ x: 3 }, { y: 9 }]);
  const { waiting, rewritten } = acknowledge(twice, twice[0]!, { x: 4 });
  expect(bases(waiting)).toEqual([{ x: 4, y: 9 }]);
  expect(rewritten).toEqual(waiting);
});

it('what was removed there is new again to what comes after it', () => {
  const gone = made([change([], ['x']), 3], [change(['x']), 9]);
  expect(bases(acknowledge(gone, gone[0]!, {}).waiting)).toEqual([{ x: 0 }]);
});

it('a change given up leaves what it was made against to the next one', () => {
  const twice = made([change(['x', 'y']), 3], [change(['x']), 9]);
  expect(bases(withoutChange(twice, twice[0]!).waiting)).toEqual([{ x: 3 }]);
});

it('a conflict’s version goes to the first change that touches the element', () => {
  const thrice = made([change(['y']), 1], [change(['x']), 2], [change(['x']), 3]);
  const { waiting, rewritten } = rebased(thrice, new Map([['x', at(8)]]));
  expect(bases(waiting)).toEqual([{ y: 1 }, { x: 8 }, {}]);
  expect(rewritten.map(({ change: id }) => id)).toEqual(['c1']);
});

it('orders rise, whatever went before', () => {
  const twice = made([change(['x']), 1], [change(['y']), 1]);
  const { waiting } = acknowledge(twice, twice[0]!, { x: 2 });
  expect(pendingOf(waiting, change(['z']), 'c9', () => at(0)).order).toBeGreaterThan(waiting[0]!.order);
});

it('after any run of acts, each element has one base, at the first change that touches it', () => {
  const ids = fc.constantFrom('a', 'b', 'c', 'd');
  const acts = fc.array(
    fc.tuple(
      fc.constantFrom('make', 'send', 'give up', 'take theirs'),
      fc.uniqueArray(ids, { minLength: 1, maxLength: 3 }),
    ),
    { maxLength: 25 },
  );
  fc.assert(
    fc.property(acts, (list) => {
      let waiting: Pending[] = [];
      list.forEach(([act, of], k) => {
        const [head] = waiting;
        if (act === 'make') waiting = [...waiting, pendingOf(waiting, change(of), `c${k}`, () => at(k))];
        else if (act === 'send' && head)
          waiting = acknowledge(waiting, head, Object.fromEntries(head.puts.map(({ id }) => [id, k]))).waiting;
        else if (act === 'give up' && head) waiting = withoutChange(waiting, head).waiting;
        else if (act === 'take theirs')
          waiting = mergeWaiting(
            waiting,
            new Map(of.map((id) => [id, { version: k, element: wye(id) }])),
            'theirs',
          ).waiting;
      });
      const seen = new Set<string>();
      for (const each of waiting) {
        const touched = [...each.puts.map(({ id }) => id), ...each.removes];
        expect(touched.length).toBeGreaterThan(0);
        expect(new Set(Object.keys(each.bases))).toEqual(new Set(touched.filter((id) => !seen.has(id))));
        for (const id of touched) seen.add(id);
      }
    }),
  );
});
