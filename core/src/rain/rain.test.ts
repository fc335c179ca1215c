import fc from 'fast-check';
import { readDuration, readFrequencyTable } from './csv';
import { fitRain, intensityOf } from './intensity';

const ATLAS = `Point precipitation frequency estimates (inches)
Data type: Precipitation depth
Location: an invented place
by duration for ARI (years):,1,2,5,10
5-min:,0.35,0.42,0.53,0.62
10-min:,0.56,0.67,0.85,0.99
60-min:,1.2,1.5,1.9,2.3
24-hr:,2.4,3.0,3.7,4.5
Date: any`;

const rowsOf = (text: string): string[][] => text.split('\n').map((line) => line.split(','));

describe('a precipitation-frequency table', () => {
  it('is read with its notes', () => {
    const read = readFrequencyTable(rowsOf(ATLAS));
    expect(read.ok && read.table).toMatchObject({
      returnPeriods: [1, 2, 5, 10],
      durations: [300, 600, 3600, 86_400],
      measure: 'depth',
      unit: 'in',
    });
    // 0.62 in in 5 min is 7.44 in/h.
    expect(read.ok && (read.table.intensities[3]![0]! * 3600) / 0.0254).toBeCloseTo(7.44, 9);
  });

  it('is read as intensities in millimetres when it says so', () => {
    const read = readFrequencyTable(rowsOf('Rainfall intensity (mm/h)\nDuration,2,10\n5 min,75,150\n1 h,20,40'));
    expect(read.ok && read.table.intensities).toEqual([
      [0.075 / 3600, 0.02 / 3600],
      [0.15 / 3600, 0.04 / 3600],
    ]);
  });

  it.each([
    ['nothing of the kind', 'hello', /no line of return periods/],
    ['a row too short', 'd,2,10\n5 min,1\n10 min,2,3', /line 2 must hold 2 numbers/],
    ['a negative depth', 'd,2,10\n5 min,1,-2\n10 min,2,3', /line 2 must hold/],
    ['durations out of order', 'd,2,10\n10 min,2,3\n5 min,1,2', /do not rise/],
  ])('says what is wrong with %s', (_, text, says) => {
    const read = readFrequencyTable(rowsOf(text));
    expect(!read.ok && read.faults.map((fault) => `${fault.path} ${fault.sentence}`).join('; ')).toMatch(says);
  });

  it.each([
    ['5-min:', 300],
    ['60 min', 3600],
    ['2-hr', 7200],
    ['24h', 86_400],
    ['1 day', 86_400],
    ['soon', null],
    ['5', null],
  ])('duration %s', (text, seconds) => expect(readDuration(text)).toBe(seconds));
});

it('never gives more rain for a longer time, whatever falling table', () => {
  const table = fc.array(
    fc.tuple(fc.double({ min: 1, max: 3, noNaN: true }), fc.double({ min: 0.3, max: 0.99, noNaN: true })),
    { minLength: 1, maxLength: 8 },
  );
  fc.assert(
    fc.property(
      table,
      fc.double({ min: 1, max: 1e6, noNaN: true }),
      fc.double({ min: 1, max: 10, noNaN: true }),
      (steps, duration, factor) => {
        const durations = [300];
        const intensities = [5e-5];
        for (const [stretch, drop] of steps) {
          durations.push(durations.at(-1)! * (1 + stretch));
          intensities.push(intensities.at(-1)! * drop);
        }
        expect(intensityOf({ durations, intensities }, duration * factor)).toBeLessThanOrEqual(
          intensityOf({ durations, intensities }, duration) * (1 + 1e-12),
        );
      },
    ),
  );
});

it('finds the constants of a table that was made of them', () => {
  const durations = [300, 600, 900, 1800, 3600, 7200];
  const fit = fitRain({ durations, intensities: durations.map((t) => 0.02 / (t + 570) ** 0.82) });
  expect(fit.a).toBeCloseTo(0.02, 5);
  expect(fit.b).toBeCloseTo(570, 1);
  expect(fit.c).toBeCloseTo(0.82, 5);
  expect(fit.worst).toBeLessThan(1e-5);
});
