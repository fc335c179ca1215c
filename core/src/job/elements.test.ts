import fc from 'fast-check';
import { Elements } from './elements';
import type { Element } from './kinds';

/** Ids that an object with a prototype would find without anybody having put them. */
const ids = fc.constantFrom('a', 'b', 'c', 'constructor', 'toString', 'hasOwnProperty');
const made = (id: string, level: number, basin: boolean): Element =>
  basin
    ? { id, kind: 'basin', name: id, grate: 'flat12', groundLevel: level }
    : { id, kind: 'junction', name: id, form: 'wye', groundLevel: level };
const acts = fc.array(fc.record({ put: fc.boolean(), id: ids, level: fc.nat(9), basin: fc.boolean() }), {
  maxLength: 30,
});

it('after any row of puts and removes holds what a plain list would, by id, by kind and in order', () => {
  fc.assert(
    fc.property(acts, (list) => {
      let elements = Elements.none;
      let model: Element[] = [];
      for (const { put, id, level, basin } of list) {
        const before = elements.all;
        const copy = [...before];
        const element = made(id, level, basin);
        elements = put ? elements.with([element]) : elements.with([], [id]);
        if (!put) model = model.filter((each) => each.id !== id);
        else if (model.some((each) => each.id === id)) model = model.map((each) => (each.id === id ? element : each));
        else model = [...model, element];
        // What was there before is as it was.
        expect(before).toEqual(copy);
      }
      expect(elements.all).toEqual(model);
      expect(elements.size).toBe(model.length);
      for (const kind of ['basin', 'junction'] as const)
        expect(elements.ofKind(kind)).toEqual(model.filter((each) => each.kind === kind));
      for (const id of ['a', 'b', 'c', 'constructor', 'toString', 'hasOwnProperty'])
        expect(elements.get(id)).toBe(model.find((each) => each.id === id));
      expect(Elements.of(model).all).toEqual(model);
    }),
  );
});

it('a kind that nothing touched stays the very same list', () => {
  const elements = Elements.of([made('a', 0, true), made('b', 0, false)]);
  const after = elements.with([made('b', 1, false)]);
  expect(after.ofKind('basin')).toBe(elements.ofKind('basin'));
  expect(after.ofKind('junction')).not.toBe(elements.ofKind('junction'));
});
