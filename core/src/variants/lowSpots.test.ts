import fc from 'fast-check';
import { applyChange } from '../job/change';
import { jobFaults } from '../job/faults';
import { headOf, ofKind, type Job } from '../job/job';
import type { Place } from '../site/place';
import { at, levelled } from '../testing/levelledYard';
import { jobOf, out, pipe, rain, basin } from '../testing/parts';
import { planJob } from '../verdict/planJob';
import { distance } from '../site/place';
import { compareOptions, takeOption } from './variants';
import { JOINED, lowSpotPlans, OWN_LINES } from './lowSpots';

/** A lawn that falls north at 2 %, and a way out past its north edge. */
const lawn = (...more: Parameters<typeof jobOf>): Job =>
  jobOf(
    rain(),
    ...levelled(({ north }) => 1 - 0.02 * north),
    out({ place: at(12, 28), groundLevel: -1.5, stone: true, bank: undefined }),
    ...more,
  );
const SPOTS: readonly Place[] = [at(4, 4), at(12, 10), at(20, 18), at(6, 20)];

function made(job: Job, spots: readonly Place[]): Job {
  const plans = lowSpotPlans(job, spots);
  if (!plans.ok) throw new Error(plans.sentence);
  const { job: after, inverse } = applyChange(job, plans.change);
  expect(jobFaults(after)).toEqual([]);
  // One step of undo.
  expect(applyChange(after, inverse).job.elements.all).toEqual(job.elements.all);
  return after;
}

it('four low spots get a basin each, on lines of their own and joined, to be compared; what stood before is kept', () => {
  const before = lawn(basin({ id: 'old', place: at(2, 22) }), pipe('old', { to: 'out', length: 12 }));
  const job = made(before, SPOTS);
  expect(headOf(job).option).toBe(OWN_LINES);
  expect(ofKind(job, 'variant').map(({ name }) => name)).toEqual(['First plan', JOINED]);
  const own = ofKind(job, 'run').filter(({ from }) => from !== 'old');
  expect(own).toHaveLength(4);
  expect(own.every(({ to }) => to === 'out')).toBe(true);
  const compared = compareOptions(job, planJob(job));
  expect(compared.map(({ name }) => name).sort()).toEqual(['Each its own line', 'First plan', 'Joined lines']);
  const pipeOf = (name: string): number => (compared.find((each) => each.name === name) as { pipe: number }).pipe;
  // Less pipe where lines are joined, and each drains: none of it climbs.
  expect(pipeOf(JOINED)).toBeLessThan(pipeOf(OWN_LINES));
  const taken = takeOption(
    job,
    ofKind(job, 'variant').find(({ name }) => name === JOINED)!,
  );
  if (!taken.ok) throw new Error(taken.sentence);
  const joinedJob = applyChange(job, taken.change).job;
  for (const each of [job, joinedJob])
    expect(planJob(each).snags.filter(({ code }) => code === 'adversePitch' || code === 'outOfFall')).toEqual([]);
});

it('wherever the spots lie, every one of them reaches a way out by either plan, and joined takes no more pipe than its own lines', () => {
  const place = fc.record({ east: fc.integer({ min: 1, max: 23 }), north: fc.integer({ min: 1, max: 23 }) });
  fc.assert(
    fc.property(
      fc.uniqueArray(place, { minLength: 2, maxLength: 6, selector: ({ east, north }) => `${east} ${north}` }),
      (spots) => {
        const job = made(lawn(), spots);
        const taken = takeOption(
          job,
          ofKind(job, 'variant').find(({ name }) => name === JOINED)!,
        );
        if (!taken.ok) throw new Error(taken.sentence);
        const lengths = [job, applyChange(job, taken.change).job].map((each) => {
          const from = new Map(ofKind(each, 'run').map((run) => [run.from, run]));
          for (const { id } of ofKind(each, 'basin')) {
            let [to, steps] = [id, 0];
            while (from.has(to) && steps++ <= spots.length) to = from.get(to)!.to;
            expect(to).toBe('out');
          }
          return ofKind(each, 'run').reduce((sum, { length }) => sum + length, 0);
        });
        const straight = spots.reduce((sum, spot) => sum + distance(spot, at(12, 28)), 0);
        expect(lengths[0]).toBeCloseTo(straight, 6);
        expect(lengths[1]!).toBeLessThanOrEqual(lengths[0]! + 1e-9);
      },
    ),
    { numRuns: 12 },
  );
});

it('says what is lacking: a second spot, a way out', () => {
  expect(lowSpotPlans(lawn(), [at(1, 1)])).toMatchObject({ ok: false });
  const nowhere = jobOf(rain(), ...levelled(({ north }) => north));
  expect(lowSpotPlans(nowhere, SPOTS)).toMatchObject({ ok: false, sentence: expect.stringMatching(/way out/) });
});
