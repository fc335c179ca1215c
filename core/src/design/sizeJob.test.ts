import fc from 'fast-check';
import { applyChange } from '../job/change';
import { elementOf } from '../job/job';
import { planJob } from '../verdict/planJob';
import { sizeJob } from './sizeJob';
import { randomJob } from '../testing/randomJob';

const CARRIES = new Set(['capacityExceeded', 'outOfFall', 'adversePitch', 'largerIntoSmaller', 'underLeastPitch']);

it('lays a whole job so that all of it carries, falls and reaches its way out, and the next best cost no less', () => {
  let sized = 0;
  fc.assert(
    fc.property(randomJob({ byHand: true }), (drawn) => {
      // A ditch deep enough for most.
      const job = applyChange(drawn, {
        label: 'Deepen',
        puts: [{ ...elementOf(drawn, 'discharge', 'n0')!, form: 'daylight', groundLevel: -7 }],
        removes: [],
      }).job;
      const sizing = sizeJob(job, planJob(job));
      if (!sizing) return;
      sized++;
      for (const each of [sizing.best, ...sizing.others]) {
        const after = planJob(applyChange(job, each.change).job);
        expect(after.snags.filter(({ code }) => CARRIES.has(code)).map(({ code, at }) => `${code} ${at}`)).toEqual([]);
        expect(each.cost).toBeGreaterThanOrEqual(sizing.best.cost - 1e-9);
      }
      // Sized again it stays as it is.
      const laid = applyChange(job, sizing.best.change).job;
      const again = sizeJob(laid, planJob(laid))!;
      expect(again.best.sizes).toEqual(sizing.best.sizes);
    }),
    { numRuns: 60 },
  );
  expect(sized).toBeGreaterThan(5);
});

it('says when no sizes on offer reach the way out', () => {
  fc.assert(
    fc.property(randomJob({ byHand: false }), (job) => {
      const foot = elementOf(job, 'discharge', 'n0')!;
      const high = applyChange(job, {
        label: 'Lift it',
        puts: [{ ...foot, form: 'daylight', groundLevel: 60 }],
        removes: [],
      }).job;
      expect(sizeJob(high, planJob(high))).toBeNull();
    }),
    { numRuns: 20 },
  );
});
