import fc from 'fast-check';
import { rootBetween } from './root';

it('finds the root of a cubic to the last digits, in few steps', () => {
  fc.assert(
    fc.property(fc.double({ min: -5, max: 5, noNaN: true }), (root) => {
      let calls = 0;
      const found = rootBetween(-7, 8, (x) => {
        calls++;
        return (x - root) ** 3 + (x - root);
      });
      expect(Math.abs(found - root)).toBeLessThan(1e-12);
      expect(calls).toBeLessThan(25);
    }),
  );
});

it('ends on a step, where no smooth method can', () => {
  expect(rootBetween(0, 1, (x) => (x < 0.3 ? -1 : 1))).toBeCloseTo(0.3, 12);
});
