/** Laws of works in whole jobs, and what goes wrong where it should. */
import fc from 'fast-check';
import { changed, put } from '../job/change';
import { jobFaults } from '../job/faults';
import { rainOf, type Job } from '../job/job';
import type { Element, RainElement } from '../job/kinds';
import { planJob, type Plan } from '../verdict/planJob';
import { situations } from '../samples';
import { basin, codes, face, ground, jobOf, out, pipe, rain, spout } from '../testing/parts';
import { at, levelled } from '../testing/levelledYard';
import { WORK_YARDS } from '../testing/workYards';
import { culvertOf, drainOf, fieldOf, swaleOf } from '../testing/someWorks';
import { numbersIn } from '../trial/trial';
import { tellSnag } from '../snags/tell';
import { workFacts } from '../words/works';
import { inflowsOf, stormOf, volumeOf } from './storm';
import { layField } from './field';

const unit = fc.double({ min: 0, max: 1, noNaN: true });
const inRain = (job: Job, times: number): Job => {
  const own = rainOf(job)!;
  return changed(job, put('Rain', { ...own, intensity: own.intensity * times } as RainElement));
};
const yards = fc
  .tuple(fc.constantFrom(...Object.keys(WORK_YARDS)), unit, unit, unit)
  .map(([code, a, b, c]) => WORK_YARDS[code]!(a, b, c));

/** Levels and flows of works that more rain may only raise. */
function heights({ works }: Plan): Map<string, number> {
  const found = new Map<string, number>();
  for (const [id, plan] of Object.entries(works)) {
    if (plan.kind === 'swale') found.set(`${id} depth`, plan.depth).set(`${id} flow`, plan.flow);
    if (plan.kind === 'culvert') found.set(`${id} level`, plan.waterLevel);
    if (plan.kind === 'store') found.set(`${id} peak`, plan.peakLevel).set(`${id} over`, plan.overflow);
    if (plan.kind === 'pavedBed') found.set(`${id} peak`, plan.peakDepth).set(`${id} over`, plan.over);
    if (plan.kind === 'stoneDrain') found.set(`${id} level`, plan.waterLevel);
    if (plan.kind === 'pump') found.set(`${id} level`, plan.standing);
    if (plan.kind === 'berm' && plan.waterLevel !== null) found.set(`${id} level`, plan.waterLevel);
  }
  return found;
}

describe('works in a yard', () => {
  it('more rain lowers nothing, and no figure is ever none at all', () => {
    fc.assert(
      fc.property(yards, fc.double({ min: 1.01, max: 4, noNaN: true }), (job, more) => {
        expect(jobFaults(job)).toEqual([]);
        const [before, after] = [planJob(job), planJob(inRain(job, more))];
        expect(numbersIn([before, after]).filter(Number.isNaN)).toEqual([]);
        const wetter = heights(after);
        for (const [what, level] of heights(before))
          expect([what, wetter.get(what)! >= level - 1e-9]).toEqual([what, true]);
      }),
      { numRuns: 300 },
    );
  });

  it('every snag and every fact of them is said in words with its units', () => {
    for (const [code, make] of Object.entries(WORK_YARDS)) {
      const job = make(0.4, 0.6, 0.5);
      const plan = planJob(job);
      for (const snag of plan.snags) {
        const { headline, why } = tellSnag(job, plan, snag);
        for (const words of [headline, why])
          expect([code, words]).toEqual([code, expect.stringMatching(/^[A-Z0-9].*\.$/)]);
        expect(`${headline} ${why}`).not.toMatch(/undefined|NaN|Infinity/);
      }
      for (const id of Object.keys(plan.works))
        for (const { label, shown } of workFacts(job, plan, id))
          expect(`${label} ${shown.value} ${shown.unit}`).not.toMatch(/undefined|NaN|Infinity/);
    }
  });

  it('what falls into a swale comes out of it: its own ground, the pipes that end in it, and on into a basin at its foot', () => {
    const job = jobOf(
      face(60, 'spout'),
      spout(),
      out({ into: 'swale', controlLevel: -0.5, stone: true }),
      pipe('spout'),
      ground(200, 'swale'),
      swaleOf({ to: 'basin' }),
      basin({ groundLevel: -0.9, grate: 'flat24' }),
      { ...out({ stone: true, groundLevel: -2.4 }), id: 'far', name: 'Ditch' },
      pipe('basin', { to: 'far', nominal: 0.2032 }),
    );
    const plan = planJob(job);
    // 260 m² of 4e-5 m/s, and the same below.
    expect(plan.ways.get('swale')!.flow).toBeCloseTo(260 * 4e-5, 9);
    expect(plan.landings.basin!.passing).toBeCloseTo(260 * 4e-5, 9);
    expect(plan.landings.far!.passing).toBeCloseTo(260 * 4e-5, 9);
    // Its water stands against the pipe that ends in it.
    const swale = plan.works.swale!;
    if (swale.kind !== 'swale') throw new Error('no swale');
    expect(plan.runs['pipe-spout']!.waterDown).toBeGreaterThanOrEqual(-0.5 + swale.depth - 1e-9);
  });

  it('a swale before a culvert backs up behind it', () => {
    const small = planJob(
      jobOf(ground(3000, 'swale'), swaleOf({ to: 'culvert' }), culvertOf({ invertUp: -0.9, invertDown: -1 })),
    );
    const free = planJob(jobOf(ground(3000, 'swale'), swaleOf()));
    const depthIn = ({ works }: Plan): number => (works.swale as { depth: number }).depth;
    expect(depthIn(small)).toBeGreaterThan(depthIn(free) + 0.1);
  });

  it('a deeper or a wider swale never carries less', () => {
    fc.assert(
      fc.property(unit, unit, fc.constantFrom('v', 'trapezoid', 'parabola' as const), (a, b, section) => {
        const capacity = (depth: number, bottomWidth: number): number => {
          const plan = planJob(jobOf(swaleOf({ section, depth, bottomWidth }))).works.swale!;
          return plan.kind === 'swale' ? plan.capacity : 0;
        };
        const [depth, width] = [0.1 + a, 0.1 + b];
        expect(capacity(depth + 0.05, width)).toBeGreaterThan(capacity(depth, width));
        expect(capacity(depth, width + 0.1)).toBeGreaterThanOrEqual(capacity(depth, width));
      }),
      { numRuns: 60 },
    );
  });

  it('a spring adds to what a drain sends on; a pipe that is cut off carries nothing and takes no water', () => {
    const spring: Element = {
      id: 's',
      kind: 'fixedFlow',
      name: 'Spring',
      flow: 0.001,
      feeds: [{ to: 'drain', share: 1 }],
    };
    const with1 = planJob(jobOf(drainOf(), spring, out(), pipe('drain')));
    const plan = with1.works.drain!;
    expect(with1.runs['pipe-drain']!.flow).toBeCloseTo(0.001 + (plan.kind === 'drain' ? plan.flow : 0), 12);
    const cut = planJob(jobOf(drainOf(), spring, out(), pipe('drain', { old: { fate: 'cutOff' } })));
    expect(cut.runs['pipe-drain']).toBeUndefined();
    expect(codes(cut)).toContain('noDischarge');
  });

  it('holds what it is given: in a store what comes is what ran over, soaked away and stayed', () => {
    const storm = stormOf(rain({ table: { durations: [300, 3600, 7200], intensities: [4e-5, 1.5e-5, 9e-6] } }));
    const inflows = inflowsOf(storm, 100, 0);
    // Straight between its times, a storm brings its blocks' depth.
    const depth = storm.intensities.reduce((sum, each) => sum + each * storm.step, 0);
    expect(volumeOf(inflows, storm.step)).toBeCloseTo(100 * depth, 9);
  });
});

it('a swale over ground that lies flat half way says from where to where, and how much deeper it is cut there', () => {
  const line = (level: (north: number) => number) =>
    levelled(({ north }) => level(north)).concat() as Parameters<typeof jobOf>;
  const along = swaleOf({
    way: [at(12, 1), at(12, 23)],
    length: undefined,
    headLevel: undefined,
    footLevel: undefined,
  });
  const flatOf = (level: (north: number) => number) => {
    const plan = planJob(jobOf(...line(level), along)).works.swale;
    return plan?.kind === 'swale' ? plan.flat : undefined;
  };
  // Falls 3 %, lies level from 8 to 16 m north, and falls 3 % again.
  const bench = (north: number): number => -0.03 * (Math.min(north, 8) + Math.max(0, north - 16));
  const flat = flatOf(bench)!;
  // At the end of 8 level metres the floor has to lie 8 cm deeper; what falls by more wins it back at 2 cm a metre, within 4 m.
  expect(flat.cut).toBeCloseTo(0.08, 1);
  expect(flat.cut).toBeLessThanOrEqual(0.0801);
  expect(flat.from).toBeGreaterThan(6);
  expect(flat.from).toBeLessThan(9);
  expect(flat.to).toBeGreaterThan(17);
  expect(flat.to).toBeLessThan(20.5);
  expect(flatOf((north) => -0.02 * north)).toBeNull();
});

it('a small dry well is full in four minutes and empty in a day, as worked by hand', () => {
  const plan = planJob(situations()['four low spots into a small dry well']!.job).works.out!;
  if (plan.kind !== 'store') throw new Error('no store');
  // 1.858 m² of 0.914 m, 95 % hollow; sandy loam 1e-5 m/s, half of it: docs/verification.md.
  expect(plan.fillTime).toBeCloseTo(254.2, 0);
  expect(plan.drainTime! / 84_420).toBeCloseTo(1, 3);
});

describe('a field of drains', () => {
  const outline = [
    { east: 0, north: 0 },
    { east: 30, north: 0 },
    { east: 30, north: 20 },
    { east: 0, north: 20 },
  ];

  it('lies at its spacing down the fall, and its pipes add up', () => {
    const { laterals, collector, length } = layField(outline, 5, Math.PI, outline[0]!);
    expect(laterals).toHaveLength(6);
    for (const [head, foot] of laterals) {
      expect(head.north - foot.north).toBeCloseTo(20, 9);
      expect(head.east).toBeCloseTo(foot.east, 9);
    }
    expect(collector.at(-1)).toEqual(outline[0]);
    expect(length).toBeCloseTo(
      6 * 20 +
        collector
          .slice(1)
          .reduce((sum, b, k) => sum + Math.hypot(b.east - collector[k]!.east, b.north - collector[k]!.north), 0),
      9,
    );
  });

  it('stays inside an outline that turns in, whichever way it falls', () => {
    const bent = [...outline.slice(0, 3), { east: 15, north: 8 }, outline[3]!];
    fc.assert(
      fc.property(fc.double({ min: 0, max: 6.3, noNaN: true }), (fall) => {
        const { laterals } = layField(bent, 3, fall, bent[0]!);
        for (const [head, foot] of laterals) {
          const middle = { east: (head.east + foot.east) / 2, north: (head.north + foot.north) / 2 };
          expect(middle.north).toBeLessThanOrEqual(20 + 1e-9);
          expect(Math.hypot(head.east - foot.east, head.north - foot.north)).toBeGreaterThan(0.29);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('of forty lines is laid out at once', () => {
    const field = fieldOf({
      outline: outline.map(({ east, north }) => ({ east: east * 4, north: north * 4 })),
      spacing: 3,
    });
    const plan = planJob(jobOf(field, out(), pipe('drain'))).works.drain!;
    expect(plan.kind === 'drainField' && plan.lines!.laterals.length).toBeGreaterThanOrEqual(26);
  });
});
