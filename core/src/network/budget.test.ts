import fc from 'fast-check';
import { applyChange, put } from '../job/change';
import { elementOf, type Job } from '../job/job';
import { planJob } from '../verdict/planJob';
import { budgetFrom } from '../plan/layout';
import { randomJob } from '../testing/randomJob';

const lowered = (job: Job, by: number): Job => {
  const foot = elementOf(job, 'discharge', 'n0')!;
  return applyChange(job, put('Lower it', { ...foot, groundLevel: foot.groundLevel - by })).job;
};

it('adds up: what there is, less what each stretch needs, less what growth and set levels cost, is what is left', () => {
  fc.assert(
    fc.property(randomJob({ byHand: true }), (job) => {
      for (const { available, spent, growth, setDeeper, left } of planJob(job).budgets) {
        expect(available - setDeeper - growth - spent.reduce((sum, { fall }) => sum + fall, 0)).toBeCloseTo(left, 9);
      }
    }),
  );
});

it('names the tightest of all routes into a discharge', () => {
  fc.assert(
    fc.property(randomJob({ byHand: false }), (job) => {
      const plan = planJob(job);
      const [tightest] = plan.budgets;
      const heads = Object.values(plan.landings).filter(
        ({ id }) => id !== 'n0' && !Object.values(plan.runs).some((run) => run.to === id),
      );
      const lefts = heads.map(({ id }) => budgetFrom(job, id)!.left);
      expect(tightest!.left).toBeCloseTo(Math.min(...lefts), 9);
    }),
  );
});

it('a way out that lies lower leaves just so much more', () => {
  fc.assert(
    fc.property(randomJob({ byHand: false }), fc.double({ min: 0, max: 3, noNaN: true }), (job, by) => {
      expect(planJob(lowered(job, by)).budgets[0]!.left - planJob(job).budgets[0]!.left).toBeCloseTo(by, 9);
    }),
  );
});

it('runs out just where the plan says that the line does', () => {
  fc.assert(
    fc.property(randomJob({ byHand: false }), (job) => {
      const { budgets, snags } = planJob(job);
      // A pop-up's lid over its inlets is told by another name.
      if (elementOf(job, 'discharge', 'n0')!.form !== 'daylight' || Math.abs(budgets[0]!.left) < 0.001) return;
      expect(snags.some(({ code }) => code === 'outOfFall')).toBe(budgets[0]!.left < 0);
    }),
    { numRuns: 200 },
  );
});

it('says how far before the end the fall runs out: so much of the last stretch as what is missing is of its fall', () => {
  let met = 0;
  fc.assert(
    fc.property(randomJob({ byHand: false }), fc.double({ min: 0.05, max: 0.95, noNaN: true }), (job, share) => {
      const { left, spent } = planJob(job).budgets[0]!;
      const last = spent.at(-1)!;
      if (last.fall < 0.001) return;
      // The way out set so that just this share of the last stretch's fall is missing.
      const tight = lowered(job, -share * last.fall - left);
      const now = planJob(tight).budgets[0]!;
      if (now.spent.at(-1)!.run !== last.run) return;
      met++;
      expect(now.left).toBeCloseTo(-share * last.fall, 9);
      expect(now.shortBy / planJob(tight).runs[last.run]!.length).toBeCloseTo(share, 9);
    }),
  );
  expect(met).toBeGreaterThan(20);
});
