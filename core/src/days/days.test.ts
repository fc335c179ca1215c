import fc from 'fast-check';
import { needsOf } from '../clearances/needs';
import { clearing, standings } from '../clearances/standing';
import { isWorked, plusDays } from '../clearances/workingDays';
import { applyChange } from '../job/change';
import type { Job } from '../job/job';
import type { Element } from '../job/kinds';
import { planJob } from '../verdict/planJob';
import { takeOff } from '../quantities/takeOff';
import { quillfeather } from '../samples';
import { basin, face, ground, jobOf, out, pipe, spout } from '../testing/parts';
import { swaleOf } from '../testing/someWorks';
import { scheduleOf, type Weather } from './schedule';
import { stepsOf } from './steps';

const TODAY = '2026-11-23';
const clinic = quillfeather();
const put = (job: Job, ...puts: Element[]): Job => applyChange(job, { label: 'x', puts, removes: [] }).job;
const head = (by: object): Element => ({ ...clinic.elements.get('job')!, ...by }) as Element;

function laidOut(job: Job, weather: readonly Weather[] = [], asked = true) {
  const plan = planJob(job);
  const taken = takeOff(job, plan);
  const needs = needsOf(job, taken);
  const told = asked
    ? applyChange(job, clearing(job, needs[0]!, { readyOn: '2026-11-25', expiresOn: '2026-12-31' })).job
    : job;
  const steps = stepsOf(told, taken, false);
  return { steps, schedule: scheduleOf(told, steps, standings(told, needs, TODAY), weather, TODAY) };
}

const dry = (day: string): Weather => ({ day, rain: 0, low: 5 });
const days = (count: number): string[] => Array.from({ length: count }, (_, k) => plusDays(TODAY, k));

it('goes from the foot of the trunk upward: the line that others run into comes first, test before cover, turf last', () => {
  const keys = laidOut(clinic).steps.map(({ key }) => key);
  expect(keys.indexOf('line A')).toBeLessThan(Math.min(...['line C', 'line D'].map((key) => keys.indexOf(key))));
  expect(keys.indexOf('test')).toBeLessThan(keys.indexOf('backfill'));
  expect(keys.at(-1)).toBe('turf');
});

it('of the clinic takes the hours that were worked out by hand', () => {
  const hours = Object.fromEntries(laidOut(clinic).steps.map((step) => [step.key, step.hours]));
  // 51.2 m laid at 20 an hour and 2.89 m by spade, among three, with 10.66 m³ dug at 10; 15.6 m³ put back at 5; four set at 0.4 h and 5 m of channel.
  expect(hours).toMatchObject({ 'line A': 3, backfill: 1, boxes: 2.25 });
});

it('seven inlets along two sides of a house take about four hours, opened and closed by stretches', () => {
  const job = jobOf(
    {
      id: 'job',
      kind: 'job',
      name: 'House',
      units: 'us',
      pitchStyle: 'ground',
      ways: { opening: 'stretch' },
    } as Element,
    ...['a', 'b', 'c', 'd'].flatMap((id, k) => [
      face(30, id, { id: `roof ${id}` }),
      spout({ id }),
      pipe(id, { to: ['b', 'e', 'd', 'f'][k]!, nominal: 0.1016, length: 5 }),
    ]),
    ...['e', 'f', 'g'].flatMap((id, k) => [
      ground(40, id),
      basin({ id }),
      pipe(id, { to: ['g', 'g', 'out'][k]!, nominal: 0.1524, length: [6, 6, 8][k]! }),
    ]),
    out({ groundLevel: -1.2, stone: true }),
  );
  const of = (more: object): number => {
    const told = put(job, { ...job.elements.get('job')!, ...more } as Element);
    const plan = planJob(told);
    return stepsOf(told, takeOff(told, plan), false).reduce((sum, { hours }) => sum + hours, 0);
  };
  expect(of({})).toBeGreaterThan(3.5);
  expect(of({})).toBeLessThan(5);
  expect(of({ calendar: { pace: 2 } })).toBeGreaterThan(1.7 * of({}));
  // A swale alone has nothing to run water through, and is shaped before anything is laid.
  const swale = jobOf(ground(60, 'swale'), swaleOf());
  const plan = planJob(swale);
  const keys = stepsOf(swale, takeOff(swale, plan), false).map(({ key }) => key);
  expect(keys).toContain('grade');
  expect(keys).not.toContain('test');
});

it('waits for the marks, for dry ground, for nights without frost, and for a day set by hand; says which', () => {
  const of = (result: ReturnType<typeof laidOut>, key: string) =>
    result.schedule.steps.find(({ step }) => step.key === key)!;
  const marks = of(laidOut(clinic), 'setOut');
  expect([marks.held, marks.days[0]!.day]).toEqual([['marks'], '2026-11-25']);
  const wet = days(9).map((day) => ({ ...dry(day), rain: day <= '2026-11-26' ? 12 : 0 }));
  expect(of(laidOut(clinic, wet), 'strip').days[0]!.day).toBe('2026-11-27');
  const frost = days(30).map((day) => ({ ...dry(day), low: day <= '2026-12-10' ? -2 : 3 }));
  const turf = of(laidOut(put(clinic, head({ ways: { sod: 'new' } })), frost), 'turf');
  expect(turf.held).toContain('frost');
  // What was cut here and kept goes back at once.
  expect(of(laidOut(clinic, frost), 'turf').held).not.toContain('frost');
  expect(turf.days[0]!.day > '2026-12-10').toBe(true);
  const pinned = laidOut(put(clinic, { id: 's1', kind: 'step', of: 'backfill', day: '2026-12-09' }));
  expect(of(pinned, 'backfill')).toMatchObject({ held: ['hand'], days: [{ day: '2026-12-09' }] });
  expect(of(pinned, 'turf').days[0]!.day >= '2026-12-09').toBe(true);
});

it('what is done takes the hours of its day and no others, and nothing waits for it any more', () => {
  const doneOn = plusDays(TODAY, -3);
  const before = laidOut(clinic).schedule;
  const first = before.steps.find(({ step }) => step.key === 'line A')!;
  const { schedule } = laidOut(put(clinic, { id: 's1', kind: 'step', of: 'line A', doneOn, hours: 400 }));
  expect(schedule.done).toMatchObject([{ step: { key: 'line A' }, day: doneOn }]);
  expect(schedule.steps.some(({ step }) => step.key === 'line A')).toBe(false);
  const next = (of: typeof schedule) => of.steps.find(({ step }) => step.key === 'line C')!.days[0]!.day;
  expect(next(schedule) <= next(before)).toBe(true);
  // Of today the hours are gone: 8 of 8.
  const today = laidOut(put(clinic, { id: 's1', kind: 'step', of: 'setOut', doneOn: first.days[0]!.day, hours: 8 }));
  expect(today.schedule.steps.every(({ days }) => days.every(({ day }) => day !== first.days[0]!.day))).toBe(true);
});

it('digging without marks, or after they have run out, is told', () => {
  expect(laidOut(clinic, [], false).schedule.steps.find(({ step }) => step.key === 'line A')!.marksGone).toBe(true);
  expect(laidOut(clinic).schedule.steps.every(({ marksGone }) => !marksGone)).toBe(true);
  const late = laidOut(put(clinic, head({ startsOn: '2027-01-11' })));
  expect(late.schedule.steps.find(({ step }) => step.key === 'strip')!.marksGone).toBe(true);
});

it('marks that are granted without a day are there; refused ones are not; a first day that is past is today', () => {
  const marks = (state: 'granted' | 'refused' | 'asked') => {
    const taken = takeOff(clinic, planJob(clinic));
    const needs = needsOf(clinic, taken);
    const told = applyChange(put(clinic, head({ startsOn: '2026-11-02' })), clearing(clinic, needs[0]!, { state })).job;
    return scheduleOf(told, stepsOf(told, taken, false), standings(told, needs, TODAY), [], TODAY);
  };
  expect(marks('granted').steps.some(({ marksGone }) => marksGone)).toBe(false);
  expect(marks('refused').steps.some(({ marksGone }) => marksGone)).toBe(true);
  expect(marks('asked').steps.some(({ marksGone }) => marksGone)).toBe(true);
  expect(marks('granted').first).toBe(TODAY);
});

it('whatever the crew, the hours, the holidays and the weather: no step before what it needs, no day over its hours, none on a holiday, in rain none digs', () => {
  fc.assert(
    fc.property(
      fc.record({
        crew: fc.integer({ min: 1, max: 8 }),
        hours: fc.integer({ min: 3, max: 12 }),
        free: fc.uniqueArray(fc.integer({ min: 0, max: 20 }), { maxLength: 8 }),
        wet: fc.uniqueArray(fc.integer({ min: 0, max: 20 }), { maxLength: 12 }),
        pin: fc.integer({ min: 0, max: 20 }),
        of: fc.constantFrom('line B', 'test', 'boxes', 'line D'),
      }),
      ({ crew, hours, free, wet, pin, of }) => {
        const holidays = free.map((k) => plusDays(TODAY, k));
        const job = put(clinic, head({ calendar: { crew, hours, holidays } }), {
          id: 's1',
          kind: 'step',
          of,
          day: plusDays(TODAY, pin),
        });
        const weather = days(21).map((day, k) => ({ ...dry(day), rain: wet.includes(k) ? 20 : 0 }));
        const { steps, schedule } = laidOut(job, weather);
        expect(schedule.never).toEqual([]);
        const on = new Map(schedule.steps.map((each) => [each.step.key, each]));
        const used = new Map<string, number>();
        for (const { step, days: own } of schedule.steps) {
          expect(own.reduce((sum, each) => sum + each.hours, 0)).toBeCloseTo(step.hours, 6);
          for (const key of step.after) expect(own[0]!.day >= on.get(key)!.days.at(-1)!.day).toBe(true);
          for (const each of own) {
            expect(isWorked(each.day, { holidays: new Set(holidays) })).toBe(true);
            if (step.digs) expect(wet.map((k) => plusDays(TODAY, k))).not.toContain(each.day);
            used.set(each.day, (used.get(each.day) ?? 0) + each.hours);
          }
        }
        for (const all of used.values()) expect(all).toBeLessThanOrEqual(hours + 1e-6);
        expect(on.get(of)!.days[0]!.day >= plusDays(TODAY, pin)).toBe(true);
        expect(schedule.steps).toHaveLength(steps.length);
      },
    ),
    { numRuns: 60 },
  );
});

it('a calendar without a working day is told, not waited for', () => {
  const holidays = Array.from({ length: 100 }, (_, k) => plusDays(TODAY, k));
  const crowded = laidOut(put(clinic, head({ calendar: { holidays } })));
  expect(crowded.schedule.first! > holidays.at(-1)!).toBe(true);
});
