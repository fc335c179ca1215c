/** Two phones whose clocks are apart read one clock: the server's, as its answers date it. */
import { heardClock, sharedNow } from './serverClock';

const httpDate = (ms: number): string => new Date(Math.floor(ms / 1000) * 1000).toUTCString();

it('a phone that is off by minutes comes to within a second of the server, nearer with each answer, and follows when a clock is set', () => {
  const AHEAD = 183_400;
  let now = 1_700_000_000_250;
  jest.spyOn(Date, 'now').mockImplementation(() => now);
  const off = (ahead: number): number => Math.abs(sharedNow() - (now + ahead));
  expect(sharedNow()).toBe(now);
  heardClock(httpDate(now + AHEAD), now - 80, now);
  expect(off(AHEAD)).toBeLessThan(1100);
  for (let k = 0; k < 12; k++) {
    now += 1370;
    heardClock(httpDate(now + AHEAD - 40), now - 80, now);
  }
  expect(off(AHEAD)).toBeLessThan(200);
  // The phone's own clock is put right.
  now += AHEAD;
  heardClock(httpDate(now), now - 80, now);
  expect(off(0)).toBeLessThan(1100);
  heardClock(null, now - 80, now);
  heardClock('no date', now - 80, now);
  expect(off(0)).toBeLessThan(1100);
});
