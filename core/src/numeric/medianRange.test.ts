import fc from 'fast-check';
import { medianRange } from './medianRange';

it('says by hand what five figures and an odd one come to', () => {
  // 1 − 2 · (1/2)⁵ = 0.9375: the least and the largest of five hold the median so often.
  expect(medianRange([1.2, 9, 1.1, 1.3, 1])).toEqual({ median: 1.2, low: 1, high: 9, holds: 0.9375, count: 5 });
  // Of eight the second and the seventh: 1 − 2 · (1 + 8) / 256.
  expect(medianRange([1, 2, 3, 4, 5, 6, 7, 80])).toMatchObject({ median: 4.5, low: 2, high: 7, holds: 1 - 18 / 256 });
  expect(medianRange([])).toBeNull();
  expect(medianRange([2])).toMatchObject({ low: 2, high: 2, holds: 0 });
});

it('holds the true median as often as it says, of figures that are spread lopsidedly', () => {
  let seed = 7;
  const chance = (): number => (seed = (seed * 1664525 + 1013904223) % 4294967296) / 4294967296;
  for (const count of [3, 5, 9, 20]) {
    const tries = 3000;
    let held = 0;
    let said = 0;
    for (let k = 0; k < tries; k++) {
      const { low, high, holds } = medianRange(Array.from({ length: count }, () => -Math.log(1 - chance())))!;
      said = holds;
      if (low <= Math.LN2 && Math.LN2 <= high) held++;
    }
    expect(held / tries).toBeCloseTo(said, 1);
    expect(Math.abs(held / tries - said)).toBeLessThan(0.03);
  }
});

it('lies within its figures, in any order, and one that is far off moves the median no further than its neighbour', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: 0.1, max: 10, noNaN: true }), { minLength: 3, maxLength: 40 }), (values) => {
      const range = medianRange(values)!;
      expect(range).toEqual(medianRange(values.toReversed()));
      expect(range.low).toBeLessThanOrEqual(range.median);
      expect(range.median).toBeLessThanOrEqual(range.high);
      const sorted = values.toSorted((a, b) => a - b);
      const wild = medianRange([...sorted.slice(0, -1), 1e9])!;
      expect(wild.median).toBe(range.median);
    }),
  );
});
