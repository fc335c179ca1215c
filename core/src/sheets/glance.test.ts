import { samples } from '../samples';
import { basin, jobOf, out, pipe } from '../testing/parts';
import { largeYard } from '../trial';
import { planJob } from '../verdict/planJob';
import { glanceOf, sketchOf } from './glance';

/** Points of a path. */
const points = (path: string): [number, number][] =>
  [...path.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)]);

it('a sketch lies within its box, with every run of it', () => {
  for (const job of samples()) {
    const { width, height, houses, ground, pipes, outs } = sketchOf(job, planJob(job))!;
    expect(Math.max(width, height)).toBeCloseTo(100, 6);
    for (const [x, y] of points(houses + ground + pipes + outs)) {
      expect(x).toBeGreaterThanOrEqual(-0.05);
      expect(y).toBeGreaterThanOrEqual(-0.05);
      expect(x).toBeLessThanOrEqual(width + 0.05);
      expect(y).toBeLessThanOrEqual(height + 0.05);
    }
    expect(pipes.match(/M/g)).toHaveLength(job.elements.ofKind('run').length);
  }
});

it('a job on no plan is drawn from the side, falling to where its water leaves', () => {
  const job = jobOf(basin(), out(), pipe('basin'));
  const sketch = sketchOf(job, planJob(job))!;
  const [[left, head], [right, foot]] = points(sketch.pipes) as [[number, number], [number, number]];
  expect([left, right]).toEqual([0, 100]);
  expect(head).toBeLessThan(foot);
  expect(points(sketch.outs)).toEqual([[100, foot]]);
  // Nothing lies higher than the ground over the head, nor lower than the way out.
  expect(points(sketch.ground)[0]).toEqual([0, 0]);
  expect(foot).toBe(40);
});

it('a pipe that leads round in a ring, a job of nothing and one of thousands are sketched or left', () => {
  const ring = jobOf(basin(), basin({ id: 'other' }), pipe('basin', { to: 'other' }), pipe('other', { to: 'basin' }));
  expect(() => sketchOf(ring, planJob(ring))).not.toThrow();
  expect(sketchOf(jobOf(), planJob(jobOf()))).toBeNull();
  const large = largeYard(500, 500);
  expect(sketchOf(large, planJob(large))).toBeNull();
  expect(glanceOf(ring, planJob(ring), '2026-12-01').price).toMatch(/\$/);
});
