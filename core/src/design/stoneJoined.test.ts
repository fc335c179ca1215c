import { changed } from '../job/change';
import { jobFaults } from '../job/faults';
import { elementOf, ofKind } from '../job/job';
import { planJob } from '../verdict/planJob';
import { at } from '../testing/levelledYard';
import { codes, ground, jobOf, out, pipe } from '../testing/parts';
import { stoneOf } from '../testing/someWorks';
import { acrossFrom, basinAtEnd, endBasinOf, passedUnder } from './stoneJoined';

const left = stoneOf({ id: 'left', name: 'Left of the door', groundLevel: 0, slabLevel: 0.06 });
const right = stoneOf({ id: 'right', name: 'Right of the door', groundLevel: -0.06, slabLevel: 0 });
const yard = jobOf(left, right, ground(20, 'left'), ground(20, 'right', { id: 'g2' }), out(), pipe('right'));

it('ends in a basin: what led on from the stone leads on from it, and its water is the same', () => {
  const made = changed(yard, basinAtEnd(yard, right)!);
  const basin = endBasinOf(made, right)!;
  expect(elementOf(made, 'run', 'pipe-right')).toMatchObject({ from: basin.id, to: 'out' });
  expect(planJob(made).landings['out']!.passing).toBeCloseTo(planJob(yard).landings['out']!.passing, 12);
  expect(basinAtEnd(made, right)).toBeNull();
  expect(jobFaults(made)).toEqual([]);
});

it('passes under the entrance in solid pipe within a sleeve one size larger, from basin to basin', () => {
  expect(codes(planJob(yard))).toContain('noDischarge');
  expect(acrossFrom(yard, left).map(({ id }) => id)).toEqual(['right']);
  const { change, id } = passedUnder(yard, left, right);
  const joined = changed(yard, change);
  const run = elementOf(joined, 'run', id)!;
  expect([run.from, run.to]).toEqual([endBasinOf(joined, left)!.id, endBasinOf(joined, right)!.id]);
  expect(run.perforated).toBeUndefined();
  const [sleeve] = ofKind(joined, 'sleeve');
  expect(sleeve!.holds).toBe(id);
  expect(sleeve!.nominal).toBeGreaterThanOrEqual(run.nominal + 0.05);
  const plan = planJob(joined);
  expect(codes(plan)).not.toContain('noDischarge');
  expect(codes(plan)).not.toContain('sleeveSmall');
  // Both sides' water goes out by the one pipe.
  expect(plan.landings['out']!.passing).toBeCloseTo(40 * 4e-5, 9);
  expect(jobFaults(joined)).toEqual([]);
  // Led on already, and never back to where it comes from.
  expect(acrossFrom(joined, left)).toEqual([]);
  expect(acrossFrom(joined, right)).toEqual([]);
});

it('on the plan the pipe and its sleeve lie between the two ends, as long as the entrance is wide', () => {
  const placed = jobOf(
    { ...left, way: [at(0, 0), at(5, 0)], length: undefined } as never,
    { ...right, way: [at(12, 0), at(8, 0)], length: undefined } as never,
    out(),
    pipe('right'),
  );
  const [a, b] = ofKind(placed, 'stoneDrain');
  const { change, id } = passedUnder(placed, a!, b!);
  const joined = changed(placed, change);
  expect(elementOf(joined, 'run', id)).toMatchObject({ length: 3, lengthFrom: 'plan' });
  expect(ofKind(joined, 'sleeve')[0]!.way).toEqual([at(5, 0), at(8, 0)]);
});
