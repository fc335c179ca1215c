/** What is due, when: by months, by days, by what was done, and by what was found. */
import { quillfeather } from '../samples';
import { basin, ground, jobOf, out, pipe, withElements } from '../testing/parts';
import { planJob } from '../verdict/planJob';
import { careDays, careOf, careSheet, daysOf, duesOf, keptOf, roundOf, warrantyEnds, type KeptJob } from '.';
import { halfFullOn } from './dates';
import type { Element } from '../job/kinds';

const keeping = (more: object): Element => ({ id: 'keeping', kind: 'keeping', ...more }) as Element;
const yard = (...more: Element[]) =>
  jobOf(ground(50, 'basin'), basin({ sumpDepth: 0.15 }), out({ groundLevel: -1.2 }), pipe('basin'), ...more);
const cleaned = (id: string, on: string, grit: number): Element => ({
  id,
  kind: 'visit',
  at: `${on}T09:00:00Z`,
  test: { type: 'clean', sumps: [{ at: 'basin', grit }] },
});
const dues = (job: ReturnType<typeof yard>, today = '2026-12-02') =>
  Object.fromEntries(duesOf(job, planJob(job), today).map(({ task, on, because }) => [task.key, { on, because }]));

it('falls on the fifteenth of its months, strictly after a day', () => {
  const months = { when: { type: 'months' as const, months: [11, 4] } };
  expect(daysOf(months, '2026-11-15', '2027-12-31')).toEqual(['2027-04-15', '2027-11-15']);
  const every = { when: { type: 'every' as const, days: 365, from: '2026-03-01' } };
  expect(daysOf(every, '2026-03-01', '2028-12-31')).toEqual(['2027-03-01', '2028-02-29']);
  expect(daysOf(every, '2026-01-01', '2026-12-31')).toEqual(['2026-03-01']);
});

it('counts from the day on which the trench was closed, and from what was done last', () => {
  const laid = yard(keeping({ laidOn: '2026-10-20' }));
  expect(dues(laid).grates!.on).toBe('2026-11-15');
  expect(dues(laid).firstRain!.on).toBe('2026-12-04');
  const done = yard(keeping({ laidOn: '2026-10-20', done: [{ care: 'grates', on: '2026-11-20' }] }));
  expect(dues(done).grates!.on).toBe('2026-12-15');
  // A look in rain is one, whoever ticks it off.
  const rained: Element = {
    id: 'v',
    kind: 'visit',
    at: '2026-11-01T10:00:00Z',
    test: { type: 'rain', depth: 0.02, hours: 2, stood: [] },
  };
  expect(dues(yard(keeping({ laidOn: '2026-10-20' }), rained)).firstRain).toBeUndefined();
});

it('a sump that fills fast is due sooner, one that hardly fills later, by the pace of its last filling', () => {
  // By hand: 0.01 m³ in 100 days; half of 0.04 m³ takes 200.
  expect(halfFullOn(0.04, '2026-01-01', [{ on: '2026-04-11', grit: 0.01 }])).toBe('2026-10-28');
  expect(halfFullOn(0.04, undefined, [{ on: '2026-04-11', grit: 0.01 }])).toBeNull();
  expect(
    halfFullOn(0.04, undefined, [
      { on: '2026-04-01', grit: 0 },
      { on: '2026-04-11', grit: 0 },
    ]),
  ).toBeNull();
  const job = yard(keeping({ laidOn: '2026-01-01' }), cleaned('v1', '2026-06-01', 0.006));
  const due = dues(job).sumps!;
  expect(due.because).toMatch(/^Basin is half full by then/);
  expect(due.on < dues(yard(keeping({ laidOn: '2026-01-01' }), cleaned('v1', '2026-06-01', 0.003))).sumps!.on).toBe(
    true,
  );
});

it('asks only for what is there, and for nothing of an empty yard', () => {
  expect(careOf(jobOf(), planJob(jobOf()))).toEqual([]);
  const job = quillfeather();
  const keys = careOf(job, planJob(job)).map(({ key }) => key);
  expect(keys).toEqual(expect.arrayContaining(['grates', 'gutters', 'outfalls']));
  expect(keys).not.toEqual(expect.arrayContaining(['pumps', 'barrels', 'stores']));
  const barrel = withElements(job, { id: 'b', kind: 'barrel', name: 'Barrel', groundLevel: 0, volume: 0.2 });
  expect(careOf(barrel, planJob(barrel)).map(({ key }) => key)).toContain('barrels');
  const mild = withElements(barrel, keeping({ seasons: { leaves: 11, frost: null } }));
  expect(careOf(mild, planJob(mild)).find(({ key }) => key === 'emitters')).toBeUndefined();
});

it('a warranty ends on the same day of a later month, or the last one of a shorter', () => {
  const ends = (laidOn: string, months: number) => warrantyEnds(yard(keeping({ laidOn, warranty: { months } })));
  expect(ends('2026-01-31', 1)).toBe('2026-02-28');
  expect(ends('2026-11-20', 24)).toBe('2028-11-20');
  expect(ends('2024-02-29', 12)).toBe('2025-02-28');
  expect(warrantyEnds(yard(keeping({ warranty: { months: 12 } })))).toBeNull();
});

it('puts what is late on the first day of a calendar, and repeats the rest through it', () => {
  const job = yard(keeping({ laidOn: '2025-01-10' }));
  const days = careDays(job, planJob(job), '2026-12-02', 730).filter(({ task }) => task.key === 'grates');
  expect(days.map(({ on }) => on)).toEqual(['2026-12-02', '2026-12-15', '2027-11-15', '2027-12-15', '2028-11-15']);
});

it('tells the customer in plain words what is theirs, and what was agreed', () => {
  const note: Element = {
    id: 'n',
    kind: 'note',
    sort: 'warned',
    text: 'Leaves off the maple',
    on: '2026-11-01',
    of: 'basin',
  };
  const job = yard(keeping({ laidOn: '2026-11-20', warranty: { months: 24, not: 'roots' } }), note);
  const sheet = careSheet(job, planJob(job));
  expect(sheet.yours).toContain('Rake leaves off the grates, in November and December (Basin).');
  expect(sheet.warranty).toEqual(['We stand for what we laid until 20 November 2028.', 'Not covered: roots']);
  expect(sheet.agreed).toEqual(['1 November 2026, warned at Basin: Leaves off the maple']);
});

describe('rounds', () => {
  const kept = (on: string, more: Partial<KeptJob> = {}): KeptJob => ({
    due: [{ on, title: 'x' }],
    complaints: [],
    off: [],
    last: null,
    ...more,
  });
  const stop = (id: string, site: string, on: string, more?: Partial<KeptJob>) => ({
    id,
    name: id,
    site,
    kept: kept(on, more),
  });

  it('go to complaints first, then town by town, the longest overdue first, street by street', () => {
    const jobs = [
      stop('b2', '9 Alder Lane, Birch', '2026-12-10'),
      stop('a1', '3 Mill Road, Ash', '2026-12-05'),
      stop('b1', '2 Alder Lane, Birch', '2026-11-01'),
      stop('late', '1 Far Road, Cedar', '2027-06-01'),
      stop('angry', '7 Hill, Dale', '2027-06-01', { complaints: [{ on: '2026-12-01', saw: 'wet' }] }),
    ];
    expect(roundOf(jobs, '2026-12-31').map(({ id }) => id)).toEqual(['angry', 'b1', 'b2', 'a1']);
    expect(roundOf(jobs, '2026-10-01')).toEqual([]);
  });

  it('know of a job only once it is laid, done or complained of; and of a test that is off until it is mended or done again', () => {
    const of = (...more: Element[]) => {
      const job = yard(...more);
      return keptOf(job, planJob(job), '2026-12-02');
    };
    expect(of()).toBeNull();
    const laid = keeping({ laidOn: '2026-10-20' });
    // Who lives there rakes the leaves; under a contract the company does.
    expect(of(laid)!.due.map(({ title }) => title)).not.toContain('Clear the grates');
    expect(of(keeping({ laidOn: '2026-10-20', contract: { amount: 100, from: '2027-04-15' } }))!.due[0]!.title).toBe(
      'Clear the grates',
    );
    const test = (id: string, at: string, asPlanned: boolean, more = {}): Element => ({
      id,
      kind: 'visit',
      at: `${at}T10:00:00Z`,
      test: { type: 'hose', into: 'basin' },
      said: { of: 'Hose test at Basin', asPlanned, sentence: 'x' },
      ...more,
    });
    expect(of(laid, test('v1', '2026-11-01', false))!.off).toEqual([{ on: '2026-11-01', of: 'Hose test at Basin' }]);
    expect(of(laid, test('v1', '2026-11-01', false), test('v2', '2026-11-03', true))!.off).toEqual([]);
    expect(of(laid, test('v1', '2026-11-01', false, { mended: true }))!.off).toEqual([]);
    const wet: Element = { id: 'c', kind: 'complaint', on: '2026-11-05', saw: 'It stands' };
    expect(of(wet)!.complaints).toEqual([{ on: '2026-11-05', saw: 'It stands' }]);
    expect(of({ ...wet, closedOn: '2026-11-06' } as Element)).toBeNull();
  });
});
