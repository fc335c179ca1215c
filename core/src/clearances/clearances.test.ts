import { applyChange } from '../job/change';
import { jobFrom, ofKind, type Job } from '../job/job';
import type { Element } from '../job/kinds';
import { planJob } from '../verdict/planJob';
import { takeOff } from '../quantities/takeOff';
import { quillfeather } from '../samples';
import { basin, jobOf, out, pipe } from '../testing/parts';
import { swaleOf } from '../testing/someWorks';
import { readyWords, standsWords } from './words';
import { needsOf, type Need } from './needs';
import { clearing, locateDays, markReady, standings } from './standing';
import { isWorked, plusWorkingDays, workedFrom } from './workingDays';

const clinic = quillfeather();
const needs = (job: Job): Need[] => needsOf(job, takeOff(job, planJob(job)));
const withElements = (job: Job, ...more: Element[]): Job =>
  applyChange(job, { label: 'x', puts: more, removes: [] }).job;
const changed = (job: Job, id: string, by: object): Job =>
  withElements(job, { ...job.elements.get(id)!, ...by } as Element);
const standingOf = (job: Job, today: string) =>
  Object.fromEntries(
    standings(job, needs(job), today).map(({ need, standing, blocks }) => [need.kind, [standing, blocks]]),
  );

describe('what must be asked for', () => {
  it('of the clinic: marks, private lines, and whether there is an association; the paving that is opened is told', () => {
    expect(needs(clinic).map(({ kind, must }) => [kind, must])).toEqual([
      ['locate', true],
      ['private', true],
      ['association', false],
      ['trades', false],
    ]);
    expect(needs(clinic)[0]!.about).toEqual(ofKind(clinic, 'service').map(({ id }) => id));
  });

  it.each([
    [{ form: 'kerb' }, ['rightOfWay', 'sidewalk']],
    [{ form: 'pond' }, ['water']],
    [{ form: 'main' }, ['rightOfWay', 'inspection']],
    [{ consent: 'needed' }, ['neighbour']],
  ])('follows the way out: %j', (by, asked) => {
    const kinds = needs(changed(clinic, 'swale', by)).map(({ kind }) => kind);
    expect(kinds).toEqual(expect.arrayContaining(asked));
  });

  it('each neighbour whose line is crossed is asked by himself; lines that nobody crosses ask for nothing', () => {
    const edge = (id: string, north: number): Element => ({
      id,
      kind: 'barrier',
      name: id,
      form: 'propertyLine',
      way: [
        { east: -500, north },
        { east: 500, north },
      ],
    });
    const from = planJob(clinic).runs.trunkLower!;
    expect(from).toBeDefined();
    const { north } = (clinic.elements.get('wye2') as unknown as { place: { north: number } }).place;
    const job = withElements(clinic, edge('near', north + 1), edge('far', north + 400));
    expect(
      needs(job)
        .filter(({ kind }) => kind === 'neighbour')
        .map(({ about }) => about),
    ).toEqual([['near']]);
  });

  it('a line to the street that opens paving beyond the property line asks for the walk, and one that ends before it does not', () => {
    const square = (from: number, to: number) => [
      { east: from, north: -2 },
      { east: to, north: -2 },
      { east: to, north: 2 },
      { east: from, north: 2 },
    ];
    const street = (paved: [number, number], more: object = {}): string[] =>
      needs(
        jobOf(
          basin({ place: { east: 0, north: 0 } }),
          out({ place: { east: 20, north: 0 }, receiving: 'street', ...more }),
          pipe('basin', { length: 20 }),
          { id: 'walk', kind: 'surface', name: 'Walk', cover: 'paving', outline: square(...paved), feeds: [] },
          {
            id: 'line',
            kind: 'barrier',
            name: 'Front line',
            form: 'propertyLine',
            way: [
              { east: 15, north: -9 },
              { east: 15, north: 9 },
            ],
          },
        ),
      ).map(({ kind }) => kind);
    expect(street([16, 18])).toContain('sidewalk');
    expect(street([12, 16])).toContain('sidewalk');
    expect(street([5, 8])).not.toContain('sidewalk');
    expect(street([16, 18], { receiving: 'swale' })).not.toContain('sidewalk');
  });

  it('a swale over a boundary asks the neighbour as a pipe does', () => {
    const way = [
      { east: 200, north: 0 },
      { east: 200, north: 60 },
    ];
    const line: Element = {
      id: 'fence',
      kind: 'barrier',
      name: 'Boundary',
      form: 'propertyLine',
      way: [
        { east: 150, north: 30 },
        { east: 250, north: 30 },
      ],
    };
    const job = withElements(clinic, line, swaleOf({ id: 'ditch', way }));
    expect(needs(job).map(({ key }) => key)).toContain('neighbour fence');
    expect(needs(withElements(clinic, line)).map(({ key }) => key)).not.toContain('neighbour fence');
  });

  it('nothing, where nothing is dug', () => expect(needs(jobFrom('x', [clinic.elements.get('job')!]))).toEqual([]));
});

describe('how they stand', () => {
  const [locate, shown] = needs(clinic) as [Need, Need];
  const told = (job: Job, need: Need, next: Parameters<typeof clearing>[2]): Job =>
    applyChange(job, clearing(job, need, next)).job;
  const marked = ofKind(clinic, 'service').reduce((job, { id }) => changed(job, id, { markedBy: 'office' }), clinic);
  const granted = told(
    told(marked, locate, { state: 'granted', readyOn: '2026-12-01', expiresOn: '2026-12-20' }),
    shown,
    { state: 'granted' },
  );

  it.each([
    ['2026-11-30', 'early', true],
    ['2026-12-01', 'clear', false],
    ['2026-12-20', 'clear', false],
    ['2026-12-21', 'expired', true],
  ])('on %s marks that stand from the 1st to the 20th are %s', (today, standing, blocks) =>
    expect(standingOf(granted, today).locate).toEqual([standing, blocks]),
  );

  it('the dig is marked ready only while nothing needed is open, refused or run out', () => {
    const ready = markReady(granted, needs(granted), '2026-12-05');
    expect(ready.ok).toBe(true);
    for (const job of [clinic, told(granted, shown, { state: 'refused' }), told(granted, locate, { state: 'asked' })])
      expect(markReady(job, needs(job), '2026-12-05').ok).toBe(false);
    expect(markReady(granted, needs(granted), '2026-12-21')).toMatchObject({
      ok: false,
      waitsFor: [{ need: { kind: 'locate' } }],
    });
    const cleared = ready.ok ? applyChange(granted, ready.change).job : granted;
    expect(readyWords(cleared, standings(cleared, needs(cleared), '2026-12-05'))).toBe('Ready to dig.');
    expect(readyWords(cleared, standings(cleared, needs(cleared), '2027-01-05'))).toMatch(
      /^Not ready to dig any more: Buried lines marked/,
    );
  });

  it('a service without marks keeps a granted locate from being whole, and nobody calls the locate needless', () => {
    const bare = changed(granted, 'gas', { markedBy: undefined });
    expect(standingOf(bare, '2026-12-05').locate).toEqual(['unmarked', true]);
    expect(standingOf(told(granted, locate, { state: 'notNeeded' }), '2026-12-05').locate).toEqual(['notNeeded', true]);
    expect(standingOf(told(granted, shown, { state: 'notNeeded' }), '2026-12-05').private).toEqual([
      'notNeeded',
      false,
    ]);
  });

  it('what is told of one replaces what was told, and only that', () => {
    const twice = told(granted, locate, { note: 'by the pear' });
    expect(ofKind(twice, 'clearance')).toHaveLength(2);
    expect(ofKind(twice, 'clearance')[0]).toMatchObject({
      state: 'granted',
      note: 'by the pear',
      expiresOn: '2026-12-20',
    });
    expect(standsWords(standings(twice, needs(twice), '2026-12-05')[0]!, (day) => day)).toBe('There, until 2026-12-20');
  });
});

describe('working days', () => {
  const calendar = { holidays: new Set(['2026-11-26', '2026-12-25']) };

  it('leave out weekends and the company’s own holidays', () => {
    // 2026-11-28 is a Saturday.
    expect(
      ['2026-11-26', '2026-11-27', '2026-11-28', '2026-11-29', '2026-11-30'].map((day) => isWorked(day, calendar)),
    ).toEqual([false, true, false, false, true]);
    expect(plusWorkingDays('2026-11-25', 3, calendar)).toBe('2026-12-01');
    expect(workedFrom('2026-11-28', calendar)).toBe('2026-11-30');
  });

  it('a locate asked for on the eve of a holiday is due three working days on, and stands its days', () => {
    const job = changed(clinic, 'job', { calendar: { holidays: ['2026-11-26'], locateLasts: 10 } });
    expect(locateDays(job, '2026-11-25')).toEqual({ readyOn: '2026-12-01', expiresOn: '2026-12-11' });
  });
});
