/** Made-up truths: what is wrong with a line is found by its tests, and a sound one is left alone. */
import { basin, ground, jobOf, node, out, pipe } from '../../testing/parts';
import { visitsTrial } from '../../trial/visitsTrial';
import { planJob } from '../../verdict/planJob';
import { doableNext } from './doable';
import { explain } from './explain';
import { explainedWords, nextWords, sure } from '../explained';
import { expectHose, judgeHose } from './hoseTest';
import type { Fault } from './inLine';
import { nextTest } from './nextTest';
import { shown, type LineTest } from './tests';
import { wayDown } from './wayDown';

const job = jobOf(
  ground(50, 'basin'),
  basin({ name: 'Lawn' }),
  basin({ id: 'low', name: 'Gate', groundLevel: 0 }),
  node('wye', { id: 'wye', name: 'Wye' }),
  out({ groundLevel: -1.5 }),
  pipe('basin', { to: 'wye', length: 30, grade: { type: 'levels', up: -0.4, down: -0.7 } }),
  pipe('low', { to: 'wye', length: 5, grade: { type: 'levels', up: -0.6, down: -0.7 } }),
  pipe('wye', { length: 20, grade: { type: 'levels', up: -0.7, down: -1 } }),
);
const plan = planJob(job);
const way = wayDown(job, plan, 'basin')!;
const ways = [way, wayDown(job, plan, 'low')!];
const EXACT = { full: 0.5, rough: 1, flow: 1, wrong: [0, 0, 0, 0], timeError: 0, outError: 0 } as const;
const HOSE = 0.0004;
const testOf = (truth: Fault | null): LineTest => shown({ type: 'hose', way, flow: HOSE, wait: 3600 }, truth, EXACT);

it('a hose that shows in its time is as planned; one that is late, lost or comes up is not', () => {
  const expected = expectHose(way, HOSE);
  const { low, likely, high } = expected.shows!;
  expect(low).toBeLessThan(likely);
  expect(likely).toBeLessThan(high);
  const judged = (more: object) => judgeHose(expected, { flow: HOSE, up: null, ...more });
  expect(judged({ shows: likely, out: HOSE }).asPlanned).toBe(true);
  expect(judged({ shows: 2 * high })).toMatchObject({ asPlanned: false, shows: 'high' });
  expect(judged({ shows: likely / 3 })).toMatchObject({ asPlanned: false, shows: 'low' });
  expect(judged({ shows: likely, out: HOSE / 2 })).toMatchObject({ asPlanned: false, out: 'low' });
  expect(judged({ shows: likely, up: 'low' })).toMatchObject({ asPlanned: false, up: 'low' });
  // Nothing yet is nothing wrong, until it is.
  expect(judged({ shows: null, waited: likely / 2 })).toMatchObject({ asPlanned: true, shows: null });
  expect(judged({ shows: null, waited: 2 * high })).toMatchObject({ asPlanned: false, shows: 'never' });
});

it('what comes up at the gate and never shows is a stoppage below it; the next test and the words name things here', () => {
  const truth: Fault = { kind: 'blocked', run: 'pipe-wye', along: 8, share: 1 };
  const tests = [testOf(truth)];
  expect(tests[0]).toMatchObject({ seen: { shows: null, up: 'low' } });
  const ranked = explain(tests);
  expect(ranked[0]!.cause).toBe('blocked');
  expect(ranked[0]!.where!.run).toBe('pipe-wye');
  const beliefs = ranked.reduce((sum, { belief }) => sum + belief, 0);
  expect(beliefs).toBeCloseTo(1, 9);
  expect(explainedWords(job, ranked[0]!).title).toBe('Blocked or crushed');
  expect(explainedWords(job, ranked[0]!).says).toMatch(/down from Wye/);
  const next = nextTest(ranked, doableNext(ways, tests))!;
  expect(nextWords(job, next).why).toMatch(/^It tells “blocked or crushed” from “.+”, in some \d+ minutes\.$/);
});

it('a camera that meets it settles where', () => {
  const truth: Fault = { kind: 'blocked', run: 'pipe-basin', along: 12, share: 0.8 };
  const first = testOf(truth);
  const vague = explain([first]).find(({ cause }) => cause === 'blocked')!;
  const told = explain([first, shown({ type: 'camera', run: 'pipe-basin' }, truth, EXACT)]);
  expect(told[0]!.cause).toBe('blocked');
  expect(told[0]!.belief).toBeGreaterThan(0.9);
  const { from, to } = told[0]!.where!;
  expect(from).toBeLessThan(12.5);
  expect(to).toBeGreaterThan(11.5);
  expect(to - from).toBeLessThan(vague.where!.to - vague.where!.from);
  expect(sure(told[0]!.belief)).toBe('Almost surely');
});

it('of 24 made-up lines: sound ones told so, causes among the first two, times in their range', () => {
  const told = visitsTrial(24);
  expect(told.asPlanned).toBeGreaterThanOrEqual(21);
  expect(told.within).toBeGreaterThanOrEqual(18);
  expect(told.firstTwo).toBeGreaterThanOrEqual(20);
}, 120_000);
