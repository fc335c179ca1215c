import { applyChange, put } from '../job/change';
import { headOf, type Job } from '../job/job';
import { planJob } from '../verdict/planJob';
import { priceOf } from '../price/price';
import { takeOff } from '../quantities/takeOff';
import { quillfeather } from '../samples';
import { catalogueTable, readCatalogue } from './catalogueCsv';

const clinic = quillfeather();
const taken = takeOff(clinic, planJob(clinic));
const table = catalogueTable(clinic, taken);
const [head, ...rows] = table as [string[], ...string[][]];
const key = rows[0]![0]!;
const priced = (job: Job, rates: Record<string, number>): Job =>
  applyChange(job, put('x', { ...headOf(job), prices: { ...headOf(job).prices, rates } })).job;

const read = (...body: string[][]) => {
  const result = readCatalogue(clinic, taken, [head, ...body]);
  if ('sentence' in result) throw new Error(result.sentence);
  return result;
};
const row = (price: string, of = key, currency = 'USD'): string[] => [of, 'x', 'each', price, currency];

it('what is saved and read again prices the job as before, to the cent of each rate', () => {
  const result = read(...rows);
  expect(result.refused).toEqual([]);
  const [before, after] = [priceOf(clinic, taken), priceOf(priced(clinic, result.rates), taken)];
  // Each rate is rounded to a cent of the unit that it is said for.
  expect(Math.abs(after.cost - before.cost)).toBeLessThan(before.lines.length * 200);
});

it.each([
  ['4.25', 4.25],
  ['$4.25', 4.25],
  ['4,25', 4.25],
  ['1,250.50', 1250.5],
  ['12', 12],
])('%s is a price', (typed, value) => {
  const part = taken.parts.find((each) => each.unit === 'piece')!;
  expect(read(row(typed, part.key)).rates[part.key]).toBeCloseTo(value * 100, 9);
});

it.each([
  ['free', 'has “free” for a price.'],
  ['', 'has no price.'],
  ['-3', 'has a price below nothing.'],
  ['=1+1', 'has a formula for a price; write the figure.'],
  ['4.2.5', 'has “4.2.5” for a price.'],
  ['99999999', 'has a price that nobody pays.'],
])('a price of “%s” is refused in words, and its neighbours are taken', (typed, sentence) => {
  const other = rows[1]![0]!;
  const result = read(row(typed), row('5', other));
  expect(result.refused).toEqual([{ row: 2, sentence }]);
  expect(Object.keys(result.rates)).toEqual([other]);
});

it('doubled keys, unknown parts, other currencies and tables that are no catalogue are named', () => {
  expect(read(row('5'), row('6')).refused).toEqual([
    { row: 3, sentence: 'has the key of row 2 again; the first one stands.' },
  ]);
  expect(read(row('5', '__proto__')).refused[0]!.sentence).toContain('is no part of this job');
  expect(read(row('5', key, 'EUR')).refused[0]!.sentence).toBe('is in EUR; this job is priced in USD.');
  expect(readCatalogue(clinic, taken, [['name', 'cost']])).toMatchObject({
    sentence: expect.stringContaining('column “key”'),
  });
});

it('a currency without cents takes whole figures only', () => {
  const yen = applyChange(clinic, put('x', { ...headOf(clinic), prices: { currency: 'JPY' } })).job;
  const part = taken.parts.find((each) => each.unit === 'piece')!;
  const result = readCatalogue(yen, taken, [head, row('450', part.key, 'JPY'), row('450.5', rows[1]![0]!, '')]);
  expect(result).toMatchObject({
    rates: { [part.key]: 450 },
    refused: [{ row: 3, sentence: expect.stringContaining('no smaller coin') }],
  });
});
