import * as fc from 'fast-check';
import { Elements } from './elements';
import { orderPlaces } from './order';
import type { Element } from './kinds';

const named = (id: string): Element => ({ id, kind: 'photo', name: id, file: 'a' }) as Element;

it('places rise in the order of the job after any row of elements put in, wherever they stand', () => {
  const row = fc.array(fc.array(fc.nat(40), { minLength: 1, maxLength: 4 }), { maxLength: 40 });
  fc.assert(
    fc.property(row, (steps) => {
      let elements = Elements.none;
      const places = new Map<string, number>();
      for (const [step, behind] of steps.entries()) {
        const puts = behind.map((_, k) => named(`e${step} ${k}`));
        const { all } = elements;
        const stands = puts.map(({ id }, k) => ({ id, after: all[behind[k]! % (all.length + 1)]?.id ?? null }));
        elements = elements.with(puts, [], stands);
        const { fresh, moved } = orderPlaces(elements, puts, (id) => places.get(id));
        expect([...fresh.keys()].sort()).toEqual(puts.map(({ id }) => id).sort());
        for (const [id, place] of [...fresh, ...moved]) places.set(id, place);
        const rising = elements.all.map(({ id }) => places.get(id)!);
        expect(rising.every((place, k) => k === 0 || place > rising[k - 1]!)).toBe(true);
      }
    }),
  );
});

it('counts every place anew once no room is left between two', () => {
  let elements = Elements.of([named('first'), named('last')]);
  const places = new Map([
    ['first', 0],
    ['last', 1],
  ]);
  let counted = 0;
  for (let k = 0; k < 60; k++) {
    const put = named(`e${k}`);
    elements = elements.with([put], [], [{ id: put.id, after: 'first' }]);
    const { fresh, moved } = orderPlaces(elements, [put], (id) => places.get(id));
    if (moved.size > 0) counted++;
    for (const [id, place] of [...fresh, ...moved]) places.set(id, place);
  }
  expect(counted).toBeGreaterThan(0);
  const rising = elements.all.map(({ id }) => places.get(id)!);
  expect([...rising].sort((a, b) => a - b)).toEqual(rising);
});
