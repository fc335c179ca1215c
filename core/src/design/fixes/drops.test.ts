import { changed } from '../../job/change';
import { ofKind, type Job } from '../../job/job';
import { basin, face, ground, jobOf, out, pipe, spout } from '../../testing/parts';
import { planJob } from '../../verdict/planJob';
import { fixOf } from '.';

const hillside = (slope: number, length: number, roof: boolean): Job =>
  jobOf(
    ...(roof ? [face(260, 'spout'), spout({ size: 'round6' })] : [ground(260, 'basin'), basin({ grate: 'flat24' })]),
    out({ groundLevel: -slope * length, bank: undefined, stone: true }),
    pipe(roof ? 'spout' : 'basin', { length, nominal: 0.1016 }),
  );

it.each([
  [0.48, 12, true],
  [0.48, 30, true],
  [0.55, 17, false],
  [0.7, 18, false],
])(
  'on a slope of %d over %d m one tap takes the fall in drops, and every level of them can be dug',
  (slope, length, roof) => {
    const job = hillside(slope, length, roof);
    const plan = planJob(job);
    const snag = plan.snags.find(({ code, severity }) => code === 'velocityHigh' && severity === 'stop')!;
    const mended = changed(job, fixOf(job, plan, snag)!.change);
    const after = planJob(mended);
    expect(after.snags.filter(({ severity }) => severity !== 'mind').map(({ code }) => code)).toEqual([]);

    // Down the hill by hand: pipe, drop, pipe, as long as the slope altogether, never up, each stretch in the ground and flat enough.
    const runs = Object.values(after.runs).sort((one, next) => next.invertUp - one.invertUp);
    expect(runs.length).toBeGreaterThan(2);
    expect(runs.reduce((sum, run) => sum + run.length, 0)).toBeCloseTo(length, 9);
    let along = 0;
    let drops = 0;
    runs.forEach((run, k) => {
      const next = runs[k + 1];
      const deep = slope * along + run.invertUp;
      expect(-deep).toBeLessThan(5 * 0.3048);
      expect(run.pitch).toBeLessThan(slope / 2);
      expect(run.topVelocity).toBeLessThan(10 * 0.3048 + 1e-9);
      along += run.length;
      if (!next) return expect(run.invertDown).toBeCloseTo(-slope * length, 9);
      const landing = mended.elements.get(run.to)!;
      if (landing.kind !== 'basin') throw new Error(`${landing.id} is no basin`);
      // The ground is assumed to stand a step over a straight slope before daylight.
      expect(Math.abs(landing.groundLevel + slope * along)).toBeLessThan(0.35);
      expect(run.invertDown - next.invertUp).toBeGreaterThan(0.1);
      drops += run.invertDown - next.invertUp;
    });
    // What the pipe does not fall the drops do.
    const fallen = runs.reduce((sum, run) => sum + run.pitch * run.length, 0);
    expect(fallen + drops).toBeCloseTo(runs[0]!.invertUp + slope * length, 9);
    expect(new Set(ofKind(mended, 'basin').map(({ name }) => name)).size).toBe(ofKind(mended, 'basin').length);
  },
);

it('has no tap for a slope that would ask for a stair of basins', () => {
  const job = hillside(0.7, 40, true);
  const plan = planJob(job);
  expect(
    fixOf(
      job,
      plan,
      plan.snags.find(({ code }) => code === 'velocityHigh')!,
    ),
  ).toBeNull();
});
