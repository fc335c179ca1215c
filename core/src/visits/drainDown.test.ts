/** The soil of a pit from its falling water: exactly where nothing errs, and within what it says where the tape does. */
import { dice } from '../numeric/dice';
import { fitPit, levelAfter, timeToDrain, type Pit, type PitFit } from './drainDown';
import { normal } from './line/spread';

const PIT: Pit = { area: 1.5, perimeter: 5, voids: 0.4 };
const K = 4e-6;
const read = (start: number, every: number, count: number, error: (k: number) => number = () => 0) =>
  Array.from({ length: count }, (_, k) => ({
    time: 60 + k * every,
    depth: Math.max(0, levelAfter(PIT, K, start, k * every) + error(k)),
  }));
const fitted = (readings: { time: number; depth: number }[]): PitFit => {
  const fit = fitPit(PIT, readings);
  if ('sentence' in fit) throw new Error(fit.sentence);
  return fit;
};

it('its level falls as v A dh/dt = −K (A + P h) says, and is gone when the pit’s own formula says', () => {
  let level = 1;
  const dt = 10;
  for (let t = 0; t < 20_000; t += dt) level -= (dt * K * (PIT.area + PIT.perimeter * level)) / (PIT.voids * PIT.area);
  expect(levelAfter(PIT, K, 1, 20_000)).toBeCloseTo(level, 3);
  expect(levelAfter(PIT, K, 1, timeToDrain(PIT, K, 1))).toBeCloseTo(0, 9);
});

it('gives K back, however seldom it is read and whenever the first reading was', () => {
  for (const count of [2, 3, 9]) expect(fitted(read(1, 3600, count)).conductivity / K).toBeCloseTo(1, 6);
});

it('nine times of ten the soil lies in the range that it gives, with a tape that errs by an eighth of an inch', () => {
  const roll = dice(11);
  let within = 0;
  const TRIES = 2000;
  for (let k = 0; k < TRIES; k++) {
    const fit = fitted(read(0.8, 2400, 6, () => 0.003175 * normal(roll(), roll())));
    if (fit.low <= K && K <= fit.high) within++;
  }
  expect(within / TRIES).toBeGreaterThan(0.87);
  expect(within / TRIES).toBeLessThan(0.93);
});

it('says what is missing: one reading, or water that does not fall', () => {
  expect(fitPit(PIT, read(1, 3600, 1))).toEqual({ sentence: expect.stringMatching(/two readings/) });
  expect(
    fitPit(PIT, [
      { time: 0, depth: 0.5 },
      { time: 60, depth: 0.5 },
    ]),
  ).toEqual({ sentence: expect.stringMatching(/did not fall/) });
});
