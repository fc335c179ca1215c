import { applyChange } from '../job/change';
import { jobFaults } from '../job/faults';
import { planJob } from '../verdict/planJob';
import { fixOf } from '../design/fixes';
import {
  CUBIC_METRES_PER_SECOND_PER_GPM as GPM,
  METRES_PER_FOOT as FT,
  METRES_PER_INCH as IN,
} from '../units/constants';
import { quillfeather } from './quillfeather';
import { withFields } from '../testing/parts';

const job = quillfeather();
const plan = planJob(job);

it('is a sound job that holds one Stop and one Fix, each mended by its own fix', () => {
  expect(jobFaults(job)).toEqual([]);
  expect(plan.snags.map(({ severity, code }) => [severity, code])).toEqual([
    ['stop', 'outOfFall'],
    ['fix', 'capacityExceeded'],
    ['mind', 'gutterSpills'],
  ]);
  const mended = plan.snags.reduce((now, { code }) => {
    const left = planJob(now);
    const snag = left.snags.find((each) => each.code === code);
    return snag ? applyChange(now, fixOf(now, left, snag)!.change).job : now;
  }, job);
  expect(planJob(mended).verdict).toMatchObject({
    state: 'holds',
    sentence: expect.stringContaining('openings stay dry in the 100-year'),
  });
});

describe('comes to what docs/verification.md works by hand', () => {
  it.each([
    ['Street downspout: flow', plan.runs.runStreet!.flow / GPM, 73.6, 0.05],
    ['its invert', plan.runs.runStreet!.invertUp / FT, -1.733, 0.001],
    ['its pitch', plan.runs.runStreet!.pitch, 0.06875, 1e-5],
    ['its capacity', plan.runs.runStreet!.capacity / GPM, 291, 0.5],
    ['Lawn basin: flow', plan.runs.runBasin!.flow / GPM, 86.7, 0.05],
    ['its invert', plan.runs.runBasin!.invertUp / FT, -2.233, 0.001],
    ['its capacity', plan.runs.runBasin!.capacity / GPM, 111, 0.1],
    ['its depth', plan.runs.runBasin!.depthRatio, 0.665, 0.001],
    ['Trunk: flow', plan.runs.trunkLower!.flow / GPM, 225.3, 0.1],
    ['its capacity', plan.runs.trunkLower!.capacity / GPM, 192.9, 0.2],
    ['its end', plan.runs.trunkLower!.invertDown / FT, -3.31, 0.001],
    ['short by', plan.budgets[0]!.shortBy / FT, 13.9, 0.1],
  ])('%s', (_, ours, byHand, tolerance) => expect(Math.abs(ours - byHand)).toBeLessThanOrEqual(tolerance));

  it('Kennel door drain', () => {
    const drain = plan.inlets.kennelDrain!;
    if (drain.kind !== 'channel') throw new Error('It is a channel.');
    expect(drain.offered / GPM).toBeCloseTo(50.5, 1);
    expect(drain.profile.depths.at(-1)! / IN).toBeCloseTo(1.83, 2);
    expect(drain.profile.depths[0]! / IN).toBeCloseTo(2.48, 1);
    expect(drain.outletCapacity! / GPM).toBeCloseTo(133.3, 1);
    expect([drain.freeboard! / IN, plan.openings!.freeboards.kennelDrain! / IN]).toEqual([
      expect.closeTo(6.6, 1),
      expect.closeTo(6.6, 1),
    ]);
  });
});

it('keeps the kennel door on a line of its own: a storm in the trunk does not raise its water', () => {
  const doubled = withFields(job, 'faceStreet', { shape: { type: 'area' as const, area: 400 } });
  expect(planJob(doubled).landings.wye2!.waterLevel).toBeGreaterThan(plan.landings.wye2!.waterLevel! + 0.05);
  expect(planJob(doubled).landings.kennelDrain!.waterLevel).toBeCloseTo(plan.landings.kennelDrain!.waterLevel!, 6);
});
