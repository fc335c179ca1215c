/** Rain that somebody wrote down: read as it stands, or refused with the line that is wrong. */
import { depthOfRain, lengthOfRain, type Rainfall } from './rainfall';
import { readGauge } from './gauge';

const rainOf = (text: string, unit: 'mm' | 'in' = 'mm'): Rainfall => {
  const read = readGauge(text, unit);
  if (!read.ok) throw new Error(read.sentence);
  return read.rain;
};
const sentenceOf = (text: string): string => {
  const read = readGauge(text, 'mm');
  return read.ok ? `read: ${read.told.join(' ')}` : read.sentence;
};

it.each([
  ['minutes and mm', '5 1\n10 3\n15 2', 0.006, 900],
  ['clock and inches, with a head', 'time, rain (in)\n0:00, 0\n0:10, 0.1\n0:20, 0.3', 0.4 * 0.0254, 1200],
  ['mm an hour', 'time;mm/h\n0:00;12\n0:30;6,0\n1:00;0', 0.009, 5400],
  ['dates', 'when,mm\n2026-05-01 23:50,2\n2026-05-02 00:00,1', 0.003, 1200],
  ['a total that runs on', 'minute\ttotal mm\n0\t4\n10\t6\n20\t9', 0.005, 1200],
  ['typed with units behind', '0:05 2 mm\n0:10 1 mm', 0.003, 600],
])('%s', (_, text, depth, length) => {
  const rain = rainOf(text);
  expect(depthOfRain(rain)).toBeCloseTo(depth, 9);
  expect(lengthOfRain(rain)).toBeCloseTo(length, 6);
  expect(rain.intensities.every((each) => each >= 0)).toBe(true);
});

it.each([
  ['0:10 1\n0:05 1', 'Line 2 is no later than the line before it.'],
  ['0:10 1 mm\n0:20 1 in', 'Line 2 is in another unit than the lines before it.'],
  ['0:10 0\n0:20 0', 'No rain falls in it.'],
  ['', 'There is no line with a time and an amount of rain.'],
  ['0:10 1\nyesterday 2', 'Line 2 begins with “yesterday 2”, which is no time.'],
  ['0:10 1\n0:20 lots', 'Line 2 says “lots”, which is no figure.'],
  ['0:10 1\n0:20 -1', 'Line 2 says less than no rain.'],
  ['0:10 1\n0:20', 'Line 2 says a time and no rain.'],
  ['0:01 900', 'Line 1 says more rain than has ever fallen: its unit may be another.'],
  ['min total mm\n0 4\n10 3', 'Line 3 says less than the line before it, of a total that runs on.'],
  ['0:10 1\n0:20 1\n0:30 1\n5:00 1', 'read: A gap is taken as dry.'],
])('%j: %s', (text, sentence) => expect(sentenceOf(text)).toBe(sentence));

it('of thirty days the wettest day rains, and none of its depth is lost', () => {
  const hours = Array.from({ length: 720 }, (_, k) => `${(k + 1) * 60} ${k >= 400 && k < 424 ? 2 : 0.01}`);
  expect(sentenceOf(hours.join('\n'))).toBe('read: It is longer than a day: the wettest day of it rains here.');
  const rain = rainOf(hours.join('\n'));
  expect(lengthOfRain(rain)).toBe(86_400);
  expect(depthOfRain(rain)).toBeGreaterThan(0.0475);
});
