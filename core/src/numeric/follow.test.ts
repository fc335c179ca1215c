import fc from 'fast-check';
import { advance, HALVINGS_IN_ALL, type Follow } from './follow';

const free = (slopeAt: Follow['slopeAt']): Follow => ({ slopeAt, ontoBranch: (_, y) => y, spare: HALVINGS_IN_ALL });

function along(follow: Follow, from: number, to: number, steps: number, start: number): number {
  let y = start;
  for (let k = 0; k < steps; k++)
    y = advance(follow, { at: from + ((to - from) * k) / steps, next: from + ((to - from) * (k + 1)) / steps, y });
  return y;
}

it('follows what is smooth to the fourth order: half the step, a sixteenth of the miss', () => {
  // y' = y cos x, y = e^(sin x).
  const wave = free((x, y) => y * Math.cos(x));
  const miss = (steps: number): number => Math.abs(along(wave, 0, 3, steps, 1) - Math.exp(Math.sin(3)));
  expect(miss(40) / miss(80)).toBeGreaterThan(13);
  expect(miss(80)).toBeLessThan(1e-6);
});

it('stays on a course that draws back however hard, where an explicit step would leap off it', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 10, max: 1e8, noNaN: true }),
      fc.double({ min: 0.6, max: 1.9, noNaN: true }),
      (pull, off) => {
        // y' = −pull (y − c(x)) + c'(x) with c = 2 + sin x: back to c from wherever it starts.
        const drawn = free((x, y) => -pull * (y - 2 - Math.sin(x)) + Math.cos(x));
        expect(along(drawn, 1, 3, 100, off * (2 + Math.sin(1)))).toBeCloseTo(2 + Math.sin(3), 3);
      },
    ),
  );
});

it('takes a cliff in halves, and no more of them than it may', () => {
  // Falls from 1 to 0.01 within a thousandth of the way.
  const shore = (x: number): number => 0.01 + 0.99 / (1 + Math.exp((x - 0.5) * 2e4));
  let looks = 0;
  const follow = free((x, y) => {
    looks++;
    return -1e5 * (y - shore(x));
  });
  expect(along(follow, 0.1, 0.9, 50, 1)).toBeCloseTo(0.01, 6);
  expect(follow.spare).toBeLessThan(HALVINGS_IN_ALL);
  expect(looks).toBeLessThan(50 * 8 + HALVINGS_IN_ALL * 16);
});
