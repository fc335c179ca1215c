import { changed } from '../job/change';
import type { Job } from '../job/job';
import type { Visit } from '../job/kinds';
import { sagDepth } from '../hydraulics/sagInlet';
import { inletOf } from '../inlets/basin';
import { elementOf } from '../job/job';
import { basin, ground, jobOf, out, pipe } from '../testing/parts';
import { planJob } from '../verdict/planJob';
import { lawnLoss } from './lawnLoss';

const AREA = 400;
const yard = jobOf(ground(AREA, 'basin'), basin(), out({ groundLevel: -1.6 }), pipe('basin', { length: 20 }));
/** Depth over the grate when so much of an even rain (m in h) runs off. */
const stands = (share: number, depth: number, hours: number): number =>
  sagDepth({ ...inletOf(elementOf(yard, 'basin', 'basin')!), flow: (share * depth * AREA) / (hours * 3600) }).depth;
const rain = (at: string, depth: number, hours: number, stood: number, more: Partial<Visit> = {}): Visit => ({
  id: `v${at}`,
  kind: 'visit',
  at: `2026-${at}T08:00:00Z`,
  test: { type: 'rain', depth, hours, stood: [{ at: 'basin', depth: stood }] },
  ...more,
});
const withVisits = (...visits: Visit[]): Job => ({
  ...yard,
  elements: changed(yard, { puts: visits, removes: [] }).elements,
});
const loss = (job: Job) => lawnLoss(job, planJob(job), 'basin');

it('finds the share of even rains again, and knows it better by more of them', () => {
  const visits = ['05-01', '06-01', '07-01', '08-01'].map((at, k) => {
    const [depth, hours] = [0.02 + 0.006 * k, 1];
    return rain(at, depth, hours, stands(0.4, depth, hours));
  });
  const [one, all] = [loss(withVisits(visits[0]!))!, loss(withVisits(...visits))!];
  // An even rain and one that swells to twice as much at its middle are both thought of: the middle of them lies √2 under the truth.
  expect(all.coefficient).toBeGreaterThan(0.4 / 1.5);
  expect(all.coefficient).toBeLessThanOrEqual(0.4 * 1.01);
  expect(all.low).toBeLessThan(0.4);
  expect(all.high).toBeGreaterThan(0.4);
  expect(all.high / all.low).toBeLessThan(one.high / one.low);
  expect(all.rains).toBe(4);
});

it('is taken over into the ground that sheds there, and the plan counts on it then', () => {
  const job = withVisits(rain('05-01', 0.03, 1, stands(0.3, 0.03, 1)));
  const found = loss(job)!;
  const after: Job = { ...job, elements: changed(job, found.change).elements };
  expect(planJob(after).sources.contributingAreas[0]!.coefficient).toBeCloseTo(found.coefficient, 2);
  expect(loss(after)!.now).toBeCloseTo(found.coefficient, 2);
});

it('tells nothing where nothing stood, before something was mended, where more came than fell, or where a pipe brings water too', () => {
  expect(loss(withVisits(rain('05-01', 0.03, 1, 0)))).toBeNull();
  expect(loss(withVisits(rain('05-01', 0.03, 1, 0.02), rain('06-01', 0.03, 1, 0, { mended: true })))).toBeNull();
  expect(loss(withVisits(rain('05-01', 0.004, 4, 0.2)))).toBeNull();
  const fed = jobOf(
    ...yard.elements.all,
    basin({ id: 'upper', name: 'Upper' }),
    pipe('upper', { to: 'basin', length: 5 }),
    rain('05-01', 0.03, 1, 0.02),
  );
  expect(loss(fed)).toBeNull();
});
