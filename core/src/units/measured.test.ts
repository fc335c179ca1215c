/** What is said of a watch and a bucket, and what is said back where it cannot be. */
import { parseVolume, parseWatch } from './measured';

const GALLON = 0.003785411784;

it.each([
  ['42', 42],
  ['42 s', 42],
  ['1:30', 90],
  ['0:07.5', 7.5],
  ['1:05:00', 3900],
  ['2 min 10', 130],
  ['2min 10s', 130],
  ['1 h 5 min', 3900],
  ['90 min', 5400],
])('%s is %d s', (typed, seconds) => {
  const read = parseWatch(typed);
  expect(read.ok && read.value).toBeCloseTo(seconds, 9);
});

it.each(['', '0', '0:00', 'soon', '-5', '1:75', '1:2:3:4'])('“%s” is no time of a test', (typed) => {
  expect(parseWatch(typed)).toMatchObject({ ok: false, sentence: expect.stringMatching(/such as|no time at all/) });
});

it.each([
  ['5', 'us', 'bucket', 5 * GALLON],
  ['5 gal', 'metric', 'bucket', 5 * GALLON],
  ['20 L', 'us', 'bucket', 0.02],
  ['10', 'metric', 'bucket', 0.01],
  ['3', 'us', 'scoop', (3 * GALLON) / 16],
  ['2 qt', 'us', 'scoop', GALLON / 2],
] as const)('%s (%s, %s)', (typed, units, bare, volume) => {
  const read = parseVolume(typed, units, bare);
  expect(read.ok && read.value).toBeCloseTo(volume, 12);
});
