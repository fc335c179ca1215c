import fc from 'fast-check';
import {
  areaEntry,
  coefficientEntry,
  coverEntry,
  distanceEntry,
  flowEntry,
  lengthEntry,
  levelEntry,
  pitchEntry,
  rainEntry,
  roofPitchEntry,
  shareEntry,
  smallEntry,
  type Entry,
} from './entry';

const UNITS = ['us', 'metric'] as const;

/** What a field shows must be taken back by the same field, near what it was: leaving a field untouched must change nothing. */
const entries: [string, (units: 'us' | 'metric') => Entry, number, number, number][] = [
  ['length', lengthEntry, 0.5, 300, 0.0128],
  ['distance', distanceEntry, 0, 300, 0.0128],
  ['level', levelEntry, -50, 50, 0.0017],
  ['cover', coverEntry, 0, 4, 0.0017],
  ['area', areaEntry, 1, 5000, 0.051],
  ['rain', rainEntry, 1e-6, 1e-4, 3.6e-7],
  ['flow', flowEntry, 1e-3, 0.5, 3e-4],
  ['pitch', () => pitchEntry, 0.001, 0.5, 5.1e-5],
  ['roof pitch', () => roofPitchEntry, 0.1, 1.5, 0.0043],
  ['share', () => shareEntry, 0.01, 1, 0.0051],
  ['coefficient', () => coefficientEntry, 0.05, 1, 0.0051],
];

it.each(entries)('%s: what is shown reads back', (_, entryOf, least, most, near) => {
  for (const units of UNITS) {
    const { show, parse } = entryOf(units);
    fc.assert(
      fc.property(fc.double({ min: least, max: most, noNaN: true }), (value) => {
        const parsed = parse(show(value));
        expect(parsed.ok && Math.abs(parsed.value - value)).toBeLessThanOrEqual(Math.max(near, value * 0.006));
      }),
    );
  }
});

it.each([
  ['a length of nothing', lengthEntry('us'), '0', 'A length is more than zero.'],
  ['a negative length', lengthEntry('us'), `-3'`, 'A length is more than zero.'],
  ['a negative distance', distanceEntry('metric'), '-1', 'A distance is zero or more.'],
  [
    'a level off the earth',
    levelEntry('metric'),
    '99999',
    'A level is between 500 m below the job’s zero and 9,000 m above it.',
  ],
  ['cover of a house', coverEntry('us'), '400', 'Cover is between 0 and 16 ft.'],
  ['a rain of no world', rainEntry('us'), '500', 'A rain is between 0 and 140 in/h.'],
  ['a pipe that climbs', pitchEntry, '-1%', 'A pitch falls: more than 0%, up to 100%.'],
  ['a share of too much', shareEntry, '150%', 'A share is more than 0% and at most 100%.'],
  ['a coefficient of two', coefficientEntry, '2', 'A runoff coefficient is between 0 and 1, such as 0.95.'],
  ['no flow', flowEntry('us'), '0', 'A flow is more than zero, and at most 158,000 gpm.'],
  ['a sump like a well', smallEntry('us', 0, 3, 'A sump is'), `10'`, 'A sump is between 0 and 9 ft.'],
])('%s gets a sentence that says what would be right', (_, entry, typed, sentence) =>
  expect(entry.parse(typed)).toEqual({ ok: false, sentence }),
);

it('takes any way that a tradesman says it', () => {
  for (const typed of [`12'6"`, '12 6', '12.5', '12ft6', '3.81m', '12’ 6”']) {
    const parsed = lengthEntry('us').parse(typed);
    expect(parsed.ok && parsed.value).toBeCloseTo(3.81, 9);
  }
  for (const typed of ['1/4"/ft', '1:48', '2.0833333%', '2.0833333']) {
    const parsed = pitchEntry.parse(typed);
    expect(parsed.ok && parsed.value).toBeCloseTo(1 / 48, 8);
  }
});

it('a bare number is read in what the field shows: beside 3′ 11 1/4″ it is feet, beside 6 in inches', () => {
  const deep = smallEntry('us', 0.02, 20, 'It is');
  const beside = (value: number) => deep.beside?.(value) ?? deep;
  expect(beside(1.2).unit).toBe('ft');
  expect(beside(1.2).parse('2.5')).toEqual({ ok: true, value: 2.5 * 0.3048 });
  expect(beside(0.1524).unit).toBe('in');
  expect(beside(0.1524).parse('2.5')).toEqual({ ok: true, value: 2.5 * 0.0254 });
  expect(smallEntry('metric', 0.02, 20, 'It is').beside?.(1.2)).toBeNull();
});
