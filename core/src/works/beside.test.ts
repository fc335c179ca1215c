/** Sump lines, barrels, springs, swales over drains, and what was only said to lie beside a pipe. */
import type { Element } from '../job/kinds';
import type { Job } from '../job/job';
import { takeOff } from '../quantities/takeOff';
import { basin, face, jobOf, out, pipe, spout, withFields } from '../testing/parts';
import { culvertOf, drainOf, swaleOf } from '../testing/someWorks';
import { planJob } from '../verdict/planJob';
import type { BarrelPlan } from './barrel';
import type { CulvertPlan } from './culvert';
import type { DrainPlan } from './drain';

const taken = (job: Job, id: string) =>
  takeOff(job, planJob(job)).parts.flatMap(({ item, uses }) =>
    uses.filter((use) => use.id === id).map(({ quantity }) => [item.type, quantity] as const),
  );
const drained = (job: Job): DrainPlan => planJob(job).works.drain as DrainPlan;

describe('a drain', () => {
  // 0.6 m of floor and two sides of 0.3 m at 4 to 1 are 3.074 m wet; loam takes 4e-6 m/s.
  const wet = 0.6 + 2 * 0.3 * Math.sqrt(17);
  const under = (more: object): Job => jobOf(drainOf(), out(), pipe('drain'), swaleOf(more));

  it('takes what seeps through the floor of a swale over it, said or drawn', () => {
    const alone = drained(jobOf(drainOf(), out(), pipe('drain')));
    expect(drained(under({ soil: 'loam' })).flow).toBe(alone.flow);
    const said = drained(under({ soil: 'loam', beneath: 'drain' }));
    expect(said.seeps).toBeCloseTo(4e-6 * wet * 20, 9);
    expect(said.flow).toBeCloseTo(alone.flow + said.seeps, 12);
    const line = (north: number, length: number) => [
      { east: 0, north },
      { east: length, north },
    ];
    const drawn = (north: number): Job =>
      jobOf(
        drainOf({ way: line(north, 15), length: undefined }),
        out(),
        pipe('drain'),
        swaleOf({ soil: 'loam', way: line(0, 30), length: undefined }),
      );
    // Half of the swale has the drain beneath it, and a pace beyond its end.
    expect(drained(drawn(0.3)).seeps).toBeGreaterThan(4e-6 * wet * 15);
    expect(drained(drawn(0.3)).seeps).toBeLessThan(4e-6 * wet * 17);
    expect(drained(drawn(3)).seeps).toBe(0);
  });

  it('carries a spring that comes into it besides', () => {
    const spring: Element = {
      id: 'spring',
      kind: 'fixedFlow',
      name: 'Spring',
      origin: 'spring',
      flow: 0.002,
      feeds: [{ to: 'drain', share: 1 }],
    };
    const plan = planJob(jobOf(drainOf(), out(), pipe('drain'), spring));
    expect(plan.runs['pipe-drain']!.flow).toBeCloseTo(drained(jobOf(drainOf(), out(), pipe('drain'))).flow + 0.002, 9);
  });
});

it('a barrel’s overflow leaves over its stand, and comes down to the line in pipe of the line', () => {
  const job = jobOf(
    face(30, 'spout'),
    spout(),
    { id: 'barrel', kind: 'barrel', name: 'Barrel', groundLevel: 0.1, volume: 0.2, stand: 0.4, outletHeight: 0.9 },
    out(),
    pipe('spout', { to: 'barrel', length: 1 }),
    pipe('barrel'),
  );
  const plan = planJob(job);
  expect((plan.works.barrel as BarrelPlan).overflowLevel).toBeCloseTo(1.4, 9);
  const down = taken(job, 'barrel');
  expect(down).toContainEqual(['pipe', expect.closeTo(1.4 - plan.landings.barrel!.invert!, 6)]);
  expect(down).toContainEqual(['bend', 2]);
  expect(down).toContainEqual(['barrelStand', 1]);
  expect(taken(withFields(job, 'barrel', { stand: 0 }), 'barrel').map(([type]) => type)).not.toContain('barrelStand');
});

it('a culvert askew is told beside one straight across', () => {
  const plan = planJob(jobOf(culvertOf({ length: 8, straight: { length: 5, invertDown: -1.0125 } })));
  expect((plan.works.culvert as CulvertPlan).straight).toEqual({
    length: 5,
    pitch: expect.closeTo(0.0025, 9),
    cover: expect.closeTo(1 - 0.381, 9),
  });
});

describe('what lies on no plan', () => {
  const job = (more: Element): Job =>
    jobOf(basin(), out({ stone: true }), pipe('basin', { material: 'singleWall' }), more);
  const meets = (more: Element) => takeOff(job(more), planJob(job(more))).trenches[0]!.meets;
  const codes = (more: Element): string[] =>
    planJob(job(more))
      .snags.filter(({ at }) => at === 'pipe-basin')
      .map(({ code }) => code);
  const pear = (away: number): Element => ({
    id: 'pear',
    kind: 'tree',
    name: 'Pear',
    crown: 6,
    beside: 'pipe-basin',
    along: 10,
    away,
  });
  const gas = (away: number, more: object = {}): Element =>
    ({
      id: 'gas',
      kind: 'service',
      name: 'Gas',
      form: 'gas',
      beside: 'pipe-basin',
      along: 5,
      away,
      ...more,
    }) as Element;

  it('a tree so far off the pipe meets it for the chord of its roots', () => {
    // Roots to 4.5 m, 3.6 m off: 2.7 m to each side.
    expect(meets(pear(3.6))).toEqual([
      { id: 'pear', kind: 'tree', from: expect.closeTo(7.3, 9), to: expect.closeTo(12.7, 9), angle: null },
    ]);
    expect(codes(pear(3.6))).toContain('rootsCrossed');
    expect(meets(pear(4.6))).toEqual([]);
    expect(codes(pear(4.6))).not.toContain('rootsCrossed');
  });

  it('a service across it or within a spade’s reach stops it until it is marked', () => {
    expect(meets(gas(0))).toMatchObject([{ id: 'gas', from: 5, to: 5 }]);
    expect(codes(gas(0))).toContain('serviceUnmarked');
    // Of a pipe that was cut short since it is told at its end.
    expect(meets(gas(0, { along: 99 }))).toMatchObject([{ id: 'gas', from: 20 }]);
    expect(meets(gas(0.5))).toEqual([]);
    expect(codes(gas(0.5))).toContain('serviceUnmarked');
    expect(codes(gas(0.7))).not.toContain('serviceUnmarked');
    expect(codes(gas(0, { markedBy: 'Locating service' }))).not.toContain('serviceUnmarked');
  });
});
