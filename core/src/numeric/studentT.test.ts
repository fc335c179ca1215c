import { belowT, tWithin, withinT } from './studentT';

// Two-sided 95 % and 90 % points as every table prints them.
it.each([
  [1, 12.706, 6.314],
  [2, 4.303, 2.92],
  [3, 3.182, 2.353],
  [4, 2.776, 2.132],
  [5, 2.571, 2.015],
  [10, 2.228, 1.812],
  [30, 2.042, 1.697],
  [61, 2.0, 1.67],
])('gives the table’s points for %i degrees of freedom', (nu, t95, t90) => {
  expect(withinT(t95, nu)).toBeCloseTo(0.95, 3);
  expect(tWithin(0.9, nu)).toBeCloseTo(t90, 2);
  expect(belowT(-t95, nu)).toBeCloseTo(0.025, 3);
  expect(belowT(t95, nu)).toBeCloseTo(0.975, 3);
});

it('is a half at nought', () => expect(belowT(0, 4)).toBe(0.5));
