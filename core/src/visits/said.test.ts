/** What is told of visits: what is missing, what has gone, what is too long to keep, and nothing judged that nobody saw. */
import { elementSchema, type Element, type TestOf, type Visit } from '../job/kinds';
import { changed } from '../job/change';
import { basin, ground, jobOf, out, pipe, spout } from '../testing/parts';
import { planJob } from '../verdict/planJob';
import { withSaid } from './keeping';
import { sayVisit } from './said';
import { testsOfLine } from './visitTests';

const job = jobOf(
  ground(50, 'basin'),
  basin({ groundLevel: 0.2, sumpDepth: 0.15 }),
  out({ groundLevel: -1.2 }),
  pipe('basin', { length: 30, grade: { type: 'levels', up: -0.5, down: -0.8 } }),
);
const BUCKET = { volume: 0.01, seconds: 20 };
const hose = (more: Partial<TestOf<'hose'>> = {}): Pick<Visit, 'test'> => ({
  test: { type: 'hose', into: 'basin', bucket: BUCKET, ...more },
});
const say = (visit: Pick<Visit, 'test'>, of = job) => sayVisit(of, planJob(of), visit);

it('judges only what somebody saw, and long enough', () => {
  expect(say(hose())).toMatchObject({ asPlanned: null, sentence: 'Nothing was seen that could be judged yet.' });
  expect(say(hose({ waited: 20 }))).toMatchObject({
    asPlanned: null,
    sentence: expect.stringMatching(/wait longer\.$/),
  });
  expect(say(hose({ waited: 2000 }))).toMatchObject({
    asPlanned: false,
    sentence: expect.stringMatching(/^Nothing had shown/),
  });
  expect(say(hose({ bucket: undefined, shows: 60 })).sentence).toMatch(/bucket took .* is not said/);
  const { low, high } = say(hose({ shows: 60 }));
  expect(say(hose({ shows: (low! + high!) / 2 }))).toMatchObject({ asPlanned: true });
  expect(say(hose({ shows: 3 * high! }))).toMatchObject({
    asPlanned: false,
    sentence: expect.stringMatching(/^Slow: /),
  });
  expect(say(hose({ end: { volume: 0.01, seconds: 40 } }))).toMatchObject({
    asPlanned: false,
    sentence: expect.stringMatching(/is lost on the way/),
  });
});

it('says what it cannot: nothing leads on, holes in the pipe, taken out since', () => {
  expect(say({ test: { type: 'hose', into: 'spout' } }, jobOf(spout())).sentence).toMatch(/^No pipe leads/);
  const holes = changed(job, {
    puts: [{ ...(job.elements.get('pipe-basin') as object), perforated: true } as Element],
    removes: [],
  });
  expect(say(hose({ shows: 60 }), holes)).toMatchObject({ asPlanned: null, sentence: expect.stringMatching(/holes/) });
  const gone = changed(job, { puts: [], removes: ['basin', 'pipe-basin'] });
  expect(say(hose({ shows: 60 }), gone)).toMatchObject({
    asPlanned: null,
    sentence: expect.stringMatching(/taken out since/),
  });
  for (const test of [
    { type: 'pitch', run: 'gone', stick: 0.6, pitches: [0.01] },
    { type: 'camera', run: 'gone', met: [{ along: 3, found: 'stopped' }] },
    { type: 'levels', read: [{ at: 'gone', level: 0 }] },
    { type: 'drainDown', of: 'gone', readings: [] },
    { type: 'hold', run: 'gone', drop: 0.1, seconds: 600 },
    { type: 'clean', sumps: [{ at: 'gone', grit: 0.001 }] },
    { type: 'rain', depth: 0.02, hours: 2, stood: [{ at: 'gone', depth: 0.1 }] },
  ] as const)
    expect(say({ test } as unknown as Pick<Visit, 'test'>).sentence).not.toBe('');
});

it('reads sticks, plugs and levels: what falls back, what leaks, what lies too high', () => {
  const pitch = (...pitches: number[]) => say({ test: { type: 'pitch', run: 'pipe-basin', stick: 0.6, pitches } });
  expect(pitch(0.01, 0.011, 0.009, 0.01)).toMatchObject({ asPlanned: true });
  expect(pitch(0.01, -0.01, 0.02, 0.012)).toMatchObject({
    asPlanned: false,
    sentence: expect.stringMatching(/falls back 0\.60\sm to 1\.20\sm/),
  });
  const hold = (drop: number) => say({ test: { type: 'hold', run: 'pipe-basin', drop, seconds: 600 } });
  expect([hold(0.002).asPlanned, hold(0.02).asPlanned]).toEqual([true, false]);
  const level = (read: number) => say({ test: { type: 'levels', read: [{ at: 'basin', level: read }] } });
  expect(level(-0.497)).toMatchObject({ asPlanned: true });
  expect(level(-0.46)).toMatchObject({
    asPlanned: false,
    sentence: expect.stringMatching(/Basin lies 40\smm too high/),
  });
});

it('is kept whatever it is told of: fifty places with names of 120 letters fit in a file', () => {
  const names = Array.from({ length: 50 }, (_, k) => basin({ id: `b${k}`, name: `${k} ${'x'.repeat(115)}` }));
  const many = changed(job, { puts: names, removes: [] });
  const tests: Visit['test'][] = [
    { type: 'rain', depth: 0.02, hours: 1, stood: names.map(({ id }) => ({ at: id, depth: 0.1 })) },
    { type: 'clean', sumps: names.map(({ id }) => ({ at: id, grit: 0.001, leaves: true })) },
    { type: 'levels', read: names.map(({ id }) => ({ at: id, level: -1 })) },
    {
      type: 'camera',
      run: 'pipe-basin',
      met: names.map((_, k) => ({ along: k / 2, found: 'rough', note: 'y'.repeat(500) })),
    },
  ];
  for (const test of tests) {
    const visit = withSaid(many, planJob(many), { id: 'v', kind: 'visit', at: '2026-12-02T10:00:00Z', test });
    expect(elementSchema.safeParse(visit).success).toBe(true);
  }
});

it('explains a line by all that was tested there lately, since it was last mended', () => {
  const visit = (id: string, at: string, more: Partial<Visit> = {}): Visit => ({
    id,
    kind: 'visit',
    at: `${at}T10:00:00Z`,
    ...hose({ shows: 300 }),
    ...more,
  });
  const first = visit('v1', '2026-11-20');
  const camera = visit('v2', '2026-11-21', {
    test: { type: 'camera', run: 'pipe-basin', met: [{ along: 12, found: 'stopped' }] },
  });
  const last = visit('v3', '2026-11-28');
  const of = (...visits: Visit[]) => {
    const tried = changed(job, { puts: visits, removes: [] });
    return testsOfLine(tried, planJob(tried), last).tests.map(({ type }) => type);
  };
  expect(of(first, camera, last)).toEqual(['hose', 'hose', 'camera']);
  expect(of(first, { ...camera, mended: true }, last)).toEqual(['hose']);
  expect(of(visit('v0', '2025-01-01'), last)).toEqual(['hose']);
});
