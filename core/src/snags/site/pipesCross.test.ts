import { changed } from '../../job/change';
import type { Job } from '../../job/job';
import { fixOf } from '../../design/fixes';
import { basin, jobOf, node, out, pipe } from '../../testing/parts';
import { drainOf } from '../../testing/someWorks';
import { planJob } from '../../verdict/planJob';
import { tellSnag } from '../tell';

const at = (east: number, north: number) => ({ east, north });
/** One line of 20 m to the east at 0.5 m deep, another across its middle so deep; both level. */
const crossing = (depth: number, more: object = {}, east = 10): Job =>
  jobOf(
    basin({ place: at(0, 0) }),
    out({ place: at(20, 0), stone: true, groundLevel: -2 }),
    basin({ id: 'north', place: at(east, 8) }),
    out({ id: 'south', name: 'Ditch', place: at(east, -12), stone: true, groundLevel: -2 }),
    pipe('basin', { grade: { type: 'levels', up: -0.5, down: -0.5 } }),
    pipe('north', { to: 'south', grade: { type: 'levels', up: -depth, down: -depth }, ...more }),
  );
const found = (job: Job) => planJob(job).snags.find(({ code }) => code === 'pipesCross');

it('two pipes that cross at one depth, joined by nothing, are a Stop; one over the other is none', () => {
  // 6 in smooth is some 160 mm outside.
  expect(found(crossing(0.5))).toMatchObject({ severity: 'stop', at: 'pipe-basin', other: 'pipe-north' });
  expect(found(crossing(0.5))!.figure).toBeCloseTo(0.16, 2);
  expect(found(crossing(0.6))).toBeDefined();
  expect(found(crossing(0.7))).toBeUndefined();
  expect(found(crossing(0.3))).toBeUndefined();
  // Beside its end, they do not meet.
  expect(found(crossing(0.5, {}, 25))).toBeUndefined();
});

it('two that cross more than once are met wherever they lie in one another, and where one only turns on the other', () => {
  const level = (depth: number) => ({ type: 'levels' as const, up: -depth, down: -depth });
  /** One line along the axis from 0.3 to 0.7 m deep; the other, 0.6 m deep, by its bends. */
  const over = (...bends: { east: number; north: number }[]): Job =>
    jobOf(
      basin({ place: at(0, 0) }),
      out({ place: at(20, 0), stone: true, groundLevel: -2 }),
      basin({ id: 'north', place: at(2, 8) }),
      out({ id: 'south', name: 'Ditch', place: at(18, 12), stone: true, groundLevel: -2 }),
      pipe('basin', { grade: { type: 'levels', up: -0.2, down: -0.7 } }),
      pipe('north', { to: 'south', grade: level(0.6), bends }),
    );
  // Over it at 4 m, where the first is 0.3 m deep, and back at 16 m, where it is 0.6.
  expect(found(over(at(4, -3), at(16, -3)))!.length).toBeCloseTo(16, 0);
  expect(found(over(at(3, -3), at(5, -3)))).toBeUndefined();
  // Comes down to it, lies on it with a bend, and goes away again.
  expect(found(over(at(16, 0)))!.length).toBeCloseTo(16, 6);
  expect(found(over(at(16, 1e-9)))).toBeDefined();
  expect(found(over(at(16, 0.3)))).toBeUndefined();
});

it('one that is cut off lies in nobody’s way, an old one that is kept does, and two that meet in a wye are joined', () => {
  expect(found(crossing(0.5, { old: { fate: 'cutOff' } }))).toBeUndefined();
  expect(found(crossing(0.5, { old: { fate: 'kept' } }))).toBeDefined();
  expect(found(crossing(0.5, { beside: 'pipe-basin' }))).toBeUndefined();
  const joined = jobOf(
    basin({ place: at(0, 0) }),
    basin({ id: 'other', place: at(10, 8) }),
    node('wye', { place: at(10, 0) }),
    out({ place: at(20, 0), stone: true }),
    pipe('basin', { to: 'node', length: 10 }),
    pipe('other', { to: 'node', length: 8 }),
    pipe('node', { length: 10 }),
  );
  expect(found(joined)).toBeUndefined();
});

it('a drain in the way of a pipe is met as another pipe is; the pipe that leads on from it is not in its way', () => {
  const over = (depth: number): Job =>
    jobOf(
      basin({ place: at(0, 0) }),
      out({ place: at(20, 0), stone: true, groundLevel: -2 }),
      pipe('basin', { grade: { type: 'levels', up: -0.5, down: -0.5 } }),
      drainOf({ way: [at(10, 8), at(10, -6)], length: undefined, depth, pitch: 0 }),
      out({ id: 'south', name: 'Ditch', place: at(10, -12), stone: true, groundLevel: -2 }),
      pipe('drain', { to: 'south', length: 6 }),
    );
  expect(found(over(0.5))).toMatchObject({ severity: 'stop', at: 'pipe-basin', other: 'drain' });
  expect(found(over(0.9))).toBeUndefined();
  const job = over(0.5);
  const fix = fixOf(job, planJob(job), found(job)!)!;
  expect(fix.label).toMatch(/to pass under Drain$/);
  expect(found(changed(job, fix.change))).toBeUndefined();
});

it('says where, and its fix leads one under the other', () => {
  const job = crossing(0.55);
  const plan = planJob(job);
  const snag = found(job)!;
  expect(tellSnag(job, plan, snag).headline).toMatch(/run into each other 10\.00\sm down the first\.$/);
  const fix = fixOf(job, plan, snag)!;
  expect(fix.label).toMatch(/^Lower .* to pass under /);
  expect(found(changed(job, fix.change))).toBeUndefined();
});
