import fc from 'fast-check';
import { changed, put } from '../job/change';
import { ofKind, type Job, headOf } from '../job/job';
import type { Element, JobElement } from '../job/kinds';
import { planJob } from '../verdict/planJob';
import { takeOff } from '../quantities/takeOff';
import { brackenfold, quillfeather, wrenmoor } from '../samples';
import { seededJob } from '../trial';
import { cautionsOf } from '../sheets/cautions';
import { basin, ground, jobOf, out, pipe, withElements } from '../testing/parts';
import { fieldOf, swaleOf } from '../testing/someWorks';
import { dearer, isCurrency, leastUnits, lineLabel, money, usualWords } from './words';
import { priceOf, unrounded, type Price } from './price';

const priced = (job: Job): Price => priceOf(job, takeOff(job, planJob(job)));
const withPrices = (job: Job, prices: JobElement['prices']): Job =>
  changed(job, put('Price', { ...headOf(job), prices } as JobElement));

const books = fc.record({
  contingency: fc.double({ min: 0, max: 1, noNaN: true }),
  overhead: fc.double({ min: 0, max: 1, noNaN: true }),
  profit: fc.oneof(
    fc.record({ as: fc.constant('margin' as const), share: fc.double({ min: 0, max: 0.9, noNaN: true }) }),
    fc.record({ as: fc.constant('markup' as const), share: fc.double({ min: 0, max: 3, noNaN: true }) }),
  ),
  tax: fc.double({ min: 0, max: 0.3, noNaN: true }),
  rounding: fc.constantFrom(1, 5, 100, 500, 1000),
});

it('a ditch or a drain field over a gas line is dug by spade there, is cautioned, and costs it, as a trench does', () => {
  const gas: Element = {
    id: 'main',
    kind: 'service',
    name: 'Gas to the barn',
    form: 'gas',
    way: [
      { east: 150, north: 30 },
      { east: 250, north: 30 },
    ],
  };
  const across = [
    { east: 200, north: 0 },
    { east: 200, north: 60 },
  ];
  const spade = (...more: Element[]): number =>
    priced(withElements(quillfeather(), ...more)).lines.find(({ key }) => key === 'work handDig')?.quantity ?? 0;
  const ditch = swaleOf({ id: 'ditch', way: across });
  // Two feet on either side, square across.
  expect(spade(gas, ditch) - spade(gas)).toBeCloseTo(4 * 0.3048, 6);
  const cautioned = (...more: Element[]): string[] => {
    const job = withElements(quillfeather(), ...more);
    const plan = planJob(job);
    return cautionsOf(job, plan, takeOff(job, plan)).filter((said) => said.includes('Gas to the barn'));
  };
  expect(cautioned(gas, ditch)).toHaveLength(1);
  expect(cautioned(gas)).toEqual([]);
  // Round an outline it is met where it goes in and where it comes out, on the side that closes it too.
  const field = fieldOf({
    id: 'wet',
    outline: [
      { east: 180, north: 20 },
      { east: 180, north: 40 },
      { east: 220, north: 40 },
      { east: 220, north: 20 },
    ],
  });
  expect(spade(gas, field) - spade(gas)).toBeCloseTo(8 * 0.3048, 6);
});

it('is the sum of its lines to the cent, whatever the book says, and goes up to its rounding and no further', () => {
  const jobs = [quillfeather(), brackenfold(), wrenmoor(), ...Array.from({ length: 6 }, (_, k) => seededJob(k + 1))];
  fc.assert(
    fc.property(fc.constantFrom(...jobs), books, (job, book) => {
      const price = priced(withPrices(job, book));
      expect(price.lines.reduce((sum, { amount }) => sum + amount, 0)).toBe(price.cost);
      expect(price.cost + price.contingency + price.overhead + price.profit + price.rounded).toBe(price.price);
      expect(price.price + price.tax).toBe(price.total);
      expect(price.price % book.rounding).toBe(0);
      expect(price.rounded).toBeGreaterThanOrEqual(0);
      expect(price.rounded).toBeLessThan(book.rounding);
      for (const { amount } of price.lines) expect(Number.isInteger(amount)).toBe(true);
      for (const amount of [price.contingency, price.overhead, price.profit, price.tax])
        expect(Number.isInteger(amount)).toBe(true);
    }),
    { numRuns: 60 },
  );
});

it('a margin is a share of the price, a mark-up of the cost: as worked by hand', () => {
  const plain = { contingency: 0, overhead: 0, rounding: 1 };
  const at = (profit: { as: 'margin' | 'markup'; share: number }): Price =>
    priced(withPrices(quillfeather(), { ...plain, profit }));
  const { cost } = at({ as: 'markup', share: 0 });
  // 20 % of the price is a quarter of the cost.
  expect(at({ as: 'margin', share: 0.2 }).price).toBe(Math.round(cost * 1.25));
  expect(at({ as: 'markup', share: 0.25 }).price).toBe(Math.round(cost * 1.25));
  expect(at({ as: 'margin', share: 0.2 }).margin).toBeCloseTo(0.2, 4);
});

it('longer is never cheaper, and a rate of the job’s own takes the place of the usual one', () => {
  const job = quillfeather();
  const run = ofKind(job, 'run').find(({ id }) => id === 'runStreet')!;
  let before = priced(job).cost;
  for (const length of [6, 8, 12, 30]) {
    const now = priced(changed(job, put('Longer', { ...run, length }))).cost;
    expect(now).toBeGreaterThanOrEqual(before);
    before = now;
  }
  const own = priced(withPrices(job, { rates: { 'work visit': 40_000, constructor: 5 } }));
  expect(own.lines.find(({ work }) => work === 'visit')).toMatchObject({ amount: 40_000, own: true });
  expect(own.cost - priced(job).cost).toBe(15_000);
  // A rate of naught takes nothing, and is there to be put right.
  expect(
    priced(withPrices(job, { rates: { 'work visit': 0 } })).lines.find(({ work }) => work === 'visit'),
  ).toMatchObject({
    amount: 0,
  });
});

it('what the trench meets is paid for: services by spade, roots, slabs, and nothing of it where nothing is met', () => {
  const lines = priced(quillfeather()).lines;
  const keys = lines.flatMap(({ work }) => work ?? []);
  // Two runs cross gas and power; the door's line goes under the parking.
  expect(keys).toEqual(expect.arrayContaining(['handDig', 'saw', 'slab']));
  const amounts = lines.map(({ amount }) => amount);
  expect(amounts).toEqual([...amounts].sort((a, b) => b - a));
  expect(new Set(lines.map(({ key }) => key)).size).toBe(lines.length);
  const bare = changed(quillfeather(), {
    puts: [],
    removes: ofKind(quillfeather(), 'service').map(({ id }) => id),
  });
  expect(priced(bare).lines.map(({ work }) => work)).not.toContain('handDig');
  expect(priced(bare).price - priced(quillfeather()).price).toBeLessThan(0);
});

it('says money in any currency, with the cents that it has, and knows which is none', () => {
  expect(money(123_456, 'USD')).toBe('$1,234.56');
  expect(money(1234, 'JPY')).toBe('¥1,234');
  expect([leastUnits('USD'), leastUnits('JPY'), leastUnits('KWD')]).toEqual([100, 1, 1000]);
  expect(money(-3800, 'EUR')).toBe('−€38.00');
  expect([isCurrency('USD'), isCurrency('usd'), isCurrency('DOLLAR'), isCurrency('')]).toEqual([
    true,
    false,
    false,
    false,
  ]);
  const job = quillfeather();
  const taken = takeOff(job, planJob(job));
  for (const line of priceOf(job, taken).lines) expect(lineLabel(job, taken, line)).not.toMatch(/undefined|=/);
});

it('what is charged once stands in the cost as it was typed, and what the trench meets adds its rate', () => {
  const clinic = quillfeather();
  const plain = priced(clinic);
  const extra = priced(withPrices(clinic, { extras: [{ name: 'Permit', amount: 12_345 }] }));
  expect(extra.cost - plain.cost).toBe(12_345);
  expect(extra.lines.find(({ key }) => key === 'extra Permit')).toMatchObject({ extra: 'Permit', amount: 12_345 });
  const trenched = takeOff(clinic, planJob(clinic)).trenches;
  const [length, volume] = (['length', 'volume'] as const).map((of) =>
    trenched.reduce((sum, each) => sum + each[of], 0),
  );
  // A tenth of it in rock at 260 a m³, a quarter in water at 28 a m, all of it by hand at 52 a m.
  const harder = priced(withPrices(clinic, { conditions: { rock: 0.1, wet: 0.25, narrow: true } }));
  expect(harder.cost - plain.cost).toBeCloseTo(0.1 * volume! * 26_000 + 0.25 * length! * 2800 + length! * 5200, -1);
});

it('a difference is said in whole units of the currency, and nothing of none', () => {
  expect([3849, -1251, 20, 0].map((amount) => dearer(amount, 'USD'))).toEqual(['+$38', '−$13', '', '']);
  expect(dearer(40, 'JPY')).toBe('+¥40');
});

it('a larger pipe in the clinic’s first run is dearer, and the same pipe the same', () => {
  const clinic = quillfeather();
  const first = ofKind(clinic, 'run')[0]!;
  const asked = (job: Job): number => unrounded(job, planJob(job)).asked;
  expect(asked(changed(clinic, put('x', { ...first, nominal: 0.1524 })))).toBeGreaterThan(asked(clinic));
  expect(asked(changed(clinic, put('x', { ...first })))).toBe(asked(clinic));
});

it('what a price book lacks is named in the list and in the sum; what is all the job’s own is not spoken of', () => {
  const job = jobOf(ground(40, 'basin'), basin(), pipe('basin', { nominal: 0.1016 }), out({ groundLevel: -1 }));
  const told = (rates: Record<string, number>, book?: { name: string; from: string }): string | null => {
    const priced = changed(
      job,
      put('Rates', { ...headOf(job), prices: { rates, ...(book ? { book } : {}) } } as Element),
    );
    const taken = takeOff(priced, planJob(priced));
    return usualWords(priced, taken, priceOf(priced, taken));
  };
  const taken = takeOff(job, planJob(job));
  const all = Object.fromEntries(priceOf(job, taken).lines.map(({ key, rate }) => [key, rate]));
  expect(told(all)).toBeNull();
  expect(told({})).toMatch(/^All of it is at usual rates/);
  const { 'work visit': visit } = all;
  expect(told({ 'work visit': visit! })).toMatch(/^\$[\d,.]+ of the cost, in \d+ lines, is at usual rates/);
  const { 'grate grate flat12': grate, ...others } = all;
  const words = told(others, { name: 'Spring', from: '2026-03-01' })!;
  expect(words).toMatch(/^Not in Spring: 12 × 12 in flat grate\. /);
  expect(words).toContain(money(Math.round(grate!), 'USD'));
});
