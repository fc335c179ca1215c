import type { LedgerEntry, LedgerJob } from '../api/ledger';
import { ledgerEntrySchema } from '../api/ledger';
import { stepsOf } from '../days/steps';
import { changed } from '../job/change';
import { headOf, jobFrom, type Job } from '../job/job';
import type { Element, Outcome } from '../job/kinds';
import { priceOf } from '../price/price';
import { takeOff } from '../quantities/takeOff';
import { quillfeather } from '../samples/quillfeather';
import { planJob } from '../verdict/planJob';
import { compared } from './compared';
import { ledgerEntry } from './entry';
import { earnedOf, inOneCurrency, kindsOfJob, marginOf, ownPaces, partsFrom, ratesWith, workFrom } from './own';
import { yearOf, yearsOf } from './year';

const outcome = (more: Partial<Outcome>): Outcome => ({ id: 'outcome', kind: 'outcome', ...more });
const withAll = (job: Job, puts: Element[]): Job => jobFrom(job.id, changed(job, { puts, removes: [] }).elements);
const taken = (job: Job, by: (usual: number) => number): Element[] =>
  stepsOf(job, takeOff(job, planJob(job)), false).map(({ key, usual }, k) => ({
    id: `step${k}`,
    kind: 'step',
    of: key,
    doneOn: '2026-06-03',
    took: by(usual),
  }));

it('sets a job beside its plan: hours, costs that were told, reckoned by hours or planned, and what was left', () => {
  const plain = quillfeather();
  const price = priceOf(plain, takeOff(plain, planJob(plain)));
  const job = withAll(plain, [
    ...taken(plain, (usual) => 2 * usual),
    outcome({ settledOn: '2026-06-20', asked: 1_500_000, costs: { parts: 310_000 } }),
    { id: 'again', kind: 'complaint', on: '2026-07-01', saw: 'Wet', pays: 'company', cost: 12_000 },
    { id: 'theirs', kind: 'complaint', on: '2026-07-02', saw: 'Dug it up', pays: 'customer', cost: 90_000 },
  ]);
  const came = compared(job, planJob(job));
  const by = Object.fromEntries(came.costs.map((each) => [each.of, each]));
  expect(by.parts).toMatchObject({ came: 310_000, by: 'told' });
  expect(by.work!.by).toBe('hours');
  // Twice the usual hours beside planned ones, which are rounded to quarters.
  expect(by.work!.came / by.work!.planned).toBeCloseTo(came.hours.took / came.hours.planned, 5);
  expect(by.hauling).toMatchObject({ by: 'plan', came: by.hauling!.planned });
  // The plan's costs are its price's, however they are parted.
  expect(came.costs.reduce((sum, { planned }) => sum + planned, 0)).toBe(price.cost);
  expect(came.earned.planned).toBe(price.price - price.cost - price.overhead);
  expect(came.earned.came).toBe(Math.round(1_500_000 - came.cost.came * 1.12 - 12_000));
});

it('keeps of a job what the figures need, and nothing of one that nobody told of', () => {
  const plain = quillfeather();
  expect(ledgerEntry(plain, planJob(plain))).toBeNull();
  const pipe = takeOff(plain, planJob(plain)).parts.find(({ item }) => item.type === 'pipe')!;
  const job = withAll(plain, [
    ...taken(plain, (usual) => 1.5 * usual),
    outcome({ asked: 900_000, used: [{ part: pipe.key, quantity: pipe.net * 1.1, paid: 40_000 }], loads: 3 }),
  ]);
  const entry = ledgerEntrySchema.parse(ledgerEntry(job, planJob(job)));
  expect(entry).toMatchObject({ on: '2026-06-03', settled: false, loads: { came: 3 }, currency: 'USD' });
  expect(earnedOf(entry)).toBeNull();
  expect(ownPaces([entry]).all!.median).toBeCloseTo(1.5, 9);
  expect(partsFrom([entry])).toMatchObject([{ key: pipe.key, used: { median: expect.closeTo(1.1, 9) } }]);
  expect(partsFrom([entry])[0]!.rate!.median).toBeCloseTo(40_000 / (pipe.net * 1.1), 6);
  expect(entry.traits).toContain('channel');
  expect(entry.traits).not.toContain('pump');
});

it('is planned by the pace of a kind of step where a company has one', () => {
  const plain = quillfeather();
  const head = headOf(plain);
  const slow = withAll(plain, [{ ...head, calendar: { pace: 1, paces: { backfill: 2 } } }]);
  const hours = (job: Job): Record<string, number> =>
    Object.fromEntries(stepsOf(job, takeOff(job, planJob(job)), false).map(({ key, hours: h }) => [key, h]));
  const [before, after] = [hours(plain), hours(slow)];
  expect(after.backfill! / before.backfill!).toBeCloseTo(2, 0);
  expect({ ...after, backfill: 0 }).toEqual({ ...before, backfill: 0 });
});

const entry = (more: Partial<LedgerEntry>): LedgerEntry => ({
  on: '2026-05-01',
  settled: true,
  currency: 'USD',
  units: 'us',
  steps: [],
  asked: { planned: 100_000, came: 100_000 },
  costs: [],
  overhead: 0.1,
  work: {},
  loads: null,
  machines: [],
  parts: [],
  traits: [],
  complaints: { count: 0, cost: 0 },
  ...more,
});
const work = (came: number, told = true): LedgerEntry['costs'] => [{ of: 'work', planned: 50_000, came, told }];

describe('own rates', () => {
  const jobs = [1.2, 1.3, 1.4, 9].map((share) => entry({ work: { 'work lay': 100 }, costs: work(share * 45_000) }));

  it('are the usual ones by what work cost, with one odd job not heeded, and come to the same when taken over twice', () => {
    const once = ratesWith({}, jobs);
    expect(once['work lay']).toBeCloseTo(450 * 1.35, 6);
    expect(once['work haul']).toBeUndefined();
    expect(ratesWith(once, jobs)['work lay']).toBeCloseTo(once['work lay']!, 6);
    expect(workFrom(jobs, 'work', once)!.median).toBeCloseTo(1, 9);
  });

  it('are left alone where fewer than three jobs were told, or where a cost is only reckoned', () => {
    expect(ratesWith({}, jobs.slice(0, 2))).toEqual({});
    expect(
      ratesWith(
        {},
        jobs.map((each) => ({ ...each, costs: work(1, false) })),
      ),
    ).toEqual({});
  });
});

it('says which kinds of job lose money, beside all others', () => {
  const at = (cost: number, ...traits: LedgerEntry['traits']): LedgerEntry => entry({ costs: work(cost), traits });
  // Cost and a tenth more, of 100,000: 89 lose by hand at 100,000 · 1.1 > 100,000.
  const entries = [
    at(100_000, 'culvert'),
    at(95_000, 'culvert'),
    at(60_000, 'culvert'),
    at(50_000, 'channel'),
    at(40_000),
  ];
  expect(marginOf(entries[0]!)).toBeCloseTo(-0.1, 9);
  const [worst, ...others] = kindsOfJob(entries);
  expect(worst).toMatchObject({ trait: 'culvert', lost: 2, loses: true });
  expect(worst!.margin.median).toBeCloseTo(-0.045, 9);
  expect(worst!.others).toBeCloseTo((0.45 + 0.56) / 2, 9);
  expect(others).toEqual([]);
});

it('adds a year up of its own jobs in one currency, and names those not settled', () => {
  const row = (id: string, each: LedgerEntry): LedgerJob => ({ id, name: id, entry: each });
  const all = [
    row('a', entry({ costs: work(50_000) })),
    row('b', entry({ costs: work(95_000), complaints: { count: 1, cost: 2_000 } })),
    row('c', entry({ settled: false })),
    row('old', entry({ on: '2025-12-31' })),
    row('euro', entry({ currency: 'EUR' })),
  ];
  expect(yearsOf(all)).toEqual(['2026', '2025']);
  expect(inOneCurrency(all)).toMatchObject({ currency: 'USD', others: ['EUR'] });
  const year = yearOf(all, '2026', 'USD');
  expect(year.jobs.map(({ id }) => id)).toEqual(['a', 'b']);
  expect(year).toMatchObject({
    asked: 200_000,
    overhead: 14_500,
    open: 1,
    lost: 1,
    complaints: { count: 1, cost: 2_000 },
  });
  // 200,000 − 145,000 · 1.1 − 2,000.
  expect(year.earned).toBe(38_500);
});
