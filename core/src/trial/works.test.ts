/** Random yards of other works: whatever is told to hold is judged by the walk, which shares no solver with the plan; and every fix offered keeps its promise. */
import fc from 'fast-check';
import { fixOf } from '../design/fixes';
import { changed } from '../job/change';
import { jobFaults } from '../job/faults';
import type { Element } from '../job/kinds';
import type { Job } from '../job/job';
import { planJob } from '../verdict/planJob';
import { basin, ground, jobOf, out, pipe, rain } from '../testing/parts';
import { bermOf, culvertOf, drainOf, fieldOf, pumpOf, swaleOf } from '../testing/someWorks';
import { brokenFix } from './trial';
import { walkOf } from './walk/walk';
import { LININGS, SWALE_SECTIONS } from '../catalogue/swales';
import { SOILS } from '../catalogue/soils';

/** Evenly between two: a random double is mostly next to nothing. */
const between = (min: number, max: number) =>
  fc.integer({ min: 0, max: 10_000 }).map((part) => min + ((max - min) * part) / 10_000);
const storm = rain({
  table: { durations: [300, 900, 3600, 21_600, 86_400], intensities: [4e-5, 2.8e-5, 1.2e-5, 3e-6, 1e-6] },
  source: { type: 'own', place: 'Here', returnPeriod: 10 },
});

const open = fc
  .record({
    section: fc.constantFrom(...SWALE_SECTIONS),
    lining: fc.constantFrom(...LININGS),
    bottomWidth: between(0.2, 2),
    sideSlope: between(2, 8),
    depth: between(0.1, 0.6),
    fall: between(-0.2, 2),
    area: between(50, 6000),
    height: between(0.2, 0.8),
    foot: between(-0.3, 0.3),
    nominal: fc.constantFrom(0.3048, 0.381, 0.4572),
  })
  .map(({ fall, area, height, foot, nominal, ...shape }): Job => {
    const head = -shape.depth;
    return jobOf(
      storm,
      ground(area, 'swale'),
      swaleOf({ ...shape, headLevel: head, footLevel: head - fall, to: 'culvert', length: 40 }),
      culvertOf({ nominal, invertUp: head - fall, invertDown: head - fall - 0.08, roadLevel: head - fall + 1 }),
      bermOf({ height, footLevel: foot, holds: 'swale', to: 'basin' }),
      basin(),
      ground(20, 'basin'),
      pipe('basin', { nominal: 0.0762 }),
      out({ stone: true, groundLevel: -1.3 }),
    );
  });

const stored = fc
  .record({
    form: fc.constantFrom('dryWell', 'leachingPit', 'rainGarden' as const),
    area: between(1, 60),
    depth: between(0.15, 1.5),
    cover: between(0, 0.6),
    voids: between(0.35, 1),
    soil: fc.constantFrom(...SOILS),
    comes: between(10, 200),
  })
  .map(({ form, comes, ...store }): Job =>
    jobOf(
      storm,
      ground(comes, 'basin'),
      basin({ grate: 'flat18' }),
      pipe('basin', { nominal: 0.1524 }),
      out({ form, groundLevel: -0.9, bank: undefined, store }),
    ),
  );

const pumped = fc
  .record({
    comes: between(5, 150),
    most: between(2, 10),
    rate: between(0.001, 0.01),
    bore: fc.constantFrom(0.0381, 0.0508, 0.0762),
    lift: between(-0.5, 4),
    area: between(0.2, 2),
  })
  .map(({ comes, most, rate, bore, lift, area }): Job =>
    jobOf(
      storm,
      ground(comes, 'basin'),
      basin({ grate: 'flat18' }),
      pipe('basin', { nominal: 0.1524 }),
      out(
        pumpOf(most, 2 * rate, {
          area,
          start: -1.1,
          stop: -1.6,
          mainLength: 15,
          mainDiameter: bore,
          outletLevel: lift,
        }),
      ),
    ),
  );

const drained = fc
  .record({
    field: fc.boolean(),
    soil: fc.constantFrom(...SOILS),
    depth: between(0.2, 1.4),
    spacing: fc.option(between(1, 40), { nil: undefined }),
    nominal: fc.constantFrom(0.0762, 0.1016, 0.1524),
    barrier: between(0, 4),
    spring: between(0, 0.003),
  })
  .map(({ field, spring, spacing, ...more }): Job => {
    const drain = { ...more, ...(spacing === undefined ? {} : { spacing }) };
    const source: Element = {
      id: 's',
      kind: 'fixedFlow',
      name: 'Spring',
      flow: spring + 1e-6,
      feeds: [{ to: 'drain', share: 1 }],
    };
    return jobOf(
      storm,
      field ? fieldOf(drain) : drainOf(drain),
      source,
      pipe('drain', { nominal: 0.1016 }),
      out({ stone: true, groundLevel: -2.4, bank: undefined }),
    );
  });

/** A yard is mended so often, as somebody would take its fixes one by one, and judged on the way. */
const ROUNDS = 6;

it('what holds is held by the walk too, and every fix keeps its promise', () => {
  let [holds, fixes] = [0, 0];
  fc.assert(
    fc.property(fc.oneof(open, stored, pumped, drained), (first) => {
      let job = first;
      for (let round = 0; round < ROUNDS; round++) {
        expect(jobFaults(job)).toEqual([]);
        const plan = planJob(job);
        if (plan.verdict.state === 'holds' || plan.verdict.state === 'mind') {
          holds++;
          expect(walkOf(job, plan)).toEqual([]);
          return;
        }
        const found = plan.snags.map((snag) => ({ snag, fix: fixOf(job, plan, snag) })).find(({ fix }) => fix !== null);
        if (!found) return;
        fixes++;
        job = changed(job, found.fix!.change);
        expect([found.snag.code, brokenFix(found.snag, plan, planJob(job))]).toEqual([found.snag.code, null]);
      }
    }),
    // A yard that fails is told as it is: made smaller step by step, each of its rounds would be planned thousands of times.
    { numRuns: 300, endOnFailure: true },
  );
  expect(holds).toBeGreaterThan(60);
  expect(fixes).toBeGreaterThan(150);
});
