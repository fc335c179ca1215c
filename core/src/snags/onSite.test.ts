import fc from 'fast-check';
import { changed, put } from '../job/change';
import type { Job } from '../job/job';
import type { Element, SpotLevel } from '../job/kinds';
import { planJob } from '../verdict/planJob';
import { placeAlong } from '../job/places';
import { footOnWay, wayLength, type Place } from '../site/place';
import { basin, channel, jobOf, out, pipe } from '../testing/parts';
import { culvertOf, drainOf, fieldOf, swaleOf } from '../testing/someWorks';
import { nearest } from '../yard/crossings';
import { tellSnag } from './tell';

const at = (east: number, north: number): Place => ({ east, north });

/** A basin's line of 40 m east to its way out, over ground that falls 0.75 % but for what `rise` adds. */
const yard = (rise: (east: number) => number, ...more: Element[]): Job =>
  jobOf(
    basin({ place: at(0, 0) }),
    out({ place: at(40, 0), stone: true }),
    pipe('basin', { length: 40, nominal: 0.1016 }),
    ...Array.from({ length: 33 }, (_, k): SpotLevel => {
      const [east, north] = [4 * (k % 11), 4 * Math.floor(k / 11) - 4];
      return {
        id: `l${k}`,
        kind: 'spotLevel',
        name: `L${k}`,
        place: at(east, north),
        level: -0.0075 * east + rise(east),
      };
    }),
    ...more,
  );
const flat = (): number => 0;
const across = (east: number): Place[] => [at(east, -10), at(east, 10)];
const codes = (job: Job): string[] =>
  planJob(job)
    .snags.filter(({ at: where }) => where === 'pipe-basin')
    .map(({ code }) => code);
const told = (job: Job, code: string): string => {
  const plan = planJob(job);
  const snag = plan.snags.find((each) => each.code === code)!;
  const words = tellSnag(job, plan, snag);
  return `${words.headline} ${words.why}`.replaceAll('\u00a0', ' ');
};
const service = (more: object): Element =>
  ({ id: 'gas', kind: 'service', name: 'Gas', form: 'gas', way: across(10), ...more }) as Element;

describe('a service near a trench', () => {
  it('unmarked gas and power stop it, others are to be mended; marked, nothing is said', () => {
    const severity = (form: string): string | undefined =>
      planJob(yard(flat, service({ form }))).snags.find(({ code }) => code === 'serviceUnmarked')?.severity;
    expect(['gas', 'power', 'water', 'irrigation'].map(severity)).toEqual(['stop', 'stop', 'fix', 'fix']);
    expect(codes(yard(flat, service({ markedBy: 'Locating service' })))).not.toContain('serviceUnmarked');
    expect(told(yard(flat, service({})), 'serviceUnmarked')).toMatch(
      /crosses Gas 10\.00 m down it, and nobody has marked it\. Have it located/,
    );
  });

  it('beside it counts as far as is dug by hand, and no further', () => {
    const beside = (north: number, more: object = {}): Job =>
      yard(flat, service({ way: [at(5, north), at(15, north)], ...more }));
    expect(codes(beside(0.5))).toContain('serviceUnmarked');
    expect(codes(beside(0.7))).not.toContain('serviceUnmarked');
    expect(codes(beside(0.7, { handDig: 1 }))).toContain('serviceUnmarked');
    expect(told(beside(0.5), 'serviceUnmarked')).toContain('comes within 0.50 m of Gas');
  });
});

describe('a service near a work', () => {
  const gas: Element = service({ id: 'gas', way: [at(0, 3), at(40, 3)] });
  const near = (thing: Element): (string | undefined)[] =>
    planJob(jobOf(thing, gas))
      .snags.filter(({ code }) => code === 'serviceUnmarked')
      .map(({ at: where }) => where);

  it('a drain, a swale, a culvert, a channel, a basin and a pit dug over an unmarked line stop it, and not one beyond its zone', () => {
    const way = (north: number) => [at(5, north), at(5, north + 6)];
    expect(near(drainOf({ way: way(0), length: undefined }))).toEqual(['drain']);
    expect(near(drainOf({ way: way(4), length: undefined }))).toEqual([]);
    expect(near(drainOf({ way: way(0), length: undefined, here: true }))).toEqual([]);
    expect(near(swaleOf({ way: way(0), length: undefined }))).toEqual(['swale']);
    expect(near(culvertOf({ way: way(0), length: undefined }))).toEqual(['culvert']);
    expect(near(channel({ way: way(0) }))).toEqual(['channel']);
    expect(near(basin({ place: at(5, 3.3) }))).toEqual(['basin']);
    expect(near(basin({ place: at(5, 4) }))).toEqual([]);
    expect(near(out({ form: 'dryWell', place: at(5, 2.7) }))).toEqual(['out']);
    const field = fieldOf({ outline: [at(2, 0), at(12, 0), at(12, 8), at(2, 8)], area: undefined });
    expect(near(field)).toEqual(['drain']);
  });
});

describe('a house beside a trench', () => {
  const house = (north: number, more: object = {}): Element =>
    ({
      id: 'house',
      kind: 'building',
      name: 'House',
      outline: [at(10, north), at(20, north), at(20, north + 6), at(10, north + 6)],
      ...more,
    }) as Element;

  it('its footing’s 45° line is kept, by hand: 0.3 m deep and 0.15 m off, a bottom 0.66 m down is 0.21 m too deep', () => {
    const job = yard(flat, house(0.15, { footingDepth: 0.3 }));
    const snag = planJob(job).snags.find(({ code }) => code === 'footingUndermined')!;
    expect(snag.severity).toBe('stop');
    const run = planJob(job).runs['pipe-basin']!;
    // Ground −0.0075 x and bottom at the invert: the worst lies where the trench is deepest beside the house.
    const depthAt = (x: number): number => -0.0075 * x - (run.invertUp - run.pitch * x);
    expect(snag.figure).toBeCloseTo(depthAt(20) - 0.3 - 0.15, 1);
    expect(told(job, 'footingUndermined')).toContain('below the 45° line from the footing of House');
  });

  it('nothing is said of a footing that nobody knows, or that is far or deep enough', () => {
    expect(codes(yard(flat, house(0.15)))).not.toContain('footingUndermined');
    expect(codes(yard(flat, house(3, { footingDepth: 0.3 })))).not.toContain('footingUndermined');
    expect(codes(yard(flat, house(0.15, { footingDepth: 2 })))).not.toContain('footingUndermined');
  });

  it('a way out on the plan is as far from it as it lies there, however far was typed', () => {
    const near = yard(flat, { ...house(2), outline: [at(38, 2), at(44, 2), at(44, 8), at(38, 8)] } as Element);
    const snag = planJob(near).snags.find(({ code }) => code === 'nearBuilding')!;
    expect(snag.figure).toBeCloseTo(2, 6);
    expect(planJob(yard(flat, house(20))).snags.map(({ code }) => code)).not.toContain('nearBuilding');
  });
});

it('a boundary stops a line until there is consent; a fence does not', () => {
  const line = (more: object): Element =>
    ({ id: 'line', kind: 'barrier', name: 'Boundary', form: 'propertyLine', way: across(25), ...more }) as Element;
  expect(codes(yard(flat, line({})))).toContain('boundaryCrossed');
  expect(codes(yard(flat, line({ consent: 'needed' })))).toContain('boundaryCrossed');
  expect(codes(yard(flat, line({ consent: 'given' })))).not.toContain('boundaryCrossed');
  expect(codes(yard(flat, line({ form: 'fence' })))).not.toContain('boundaryCrossed');
  expect(told(yard(flat, line({})), 'boundaryCrossed')).toContain(
    'crosses Boundary 25.00 m down it, without the neighbour’s consent.',
  );
});

it('roots are minded where joints are loose, for as long as the line lies among them', () => {
  const tree: Element = { id: 'tree', kind: 'tree', name: 'Willow', place: at(20, 0), crown: 6, vigour: 'aggressive' };
  const laid = (material: 'smooth' | 'doubleWall' | 'singleWall' | 'clay'): Job =>
    changed(yard(flat, tree), put('Lay', pipe('basin', { length: 40, nominal: 0.1016, material })));
  expect(
    ['smooth', 'doubleWall', 'singleWall', 'clay'].map((material) =>
      codes(laid(material as 'smooth')).includes('rootsCrossed'),
    ),
  ).toEqual([false, false, true, true]);
  const snag = planJob(laid('clay')).snags.find(({ code }) => code === 'rootsCrossed')!;
  // An aggressive tree of a crown 6 m wide seeks 7.5 m to each side.
  expect(snag.figure).toBeCloseTo(15, 0);
  expect(snag.severity).toBe('mind');
});

describe('ground between two landings', () => {
  const bump = (by: number, where: number) => (east: number) => by * Math.exp(-(((east - where) / 5) ** 2));

  it('that dips takes the pipe’s cover, and out of the ground stops it', () => {
    const shallow = yard(bump(-0.6, 12), put('x', out()).puts[0]!);
    const lower = (job: Job): Job =>
      changed(job, put('Lower', out({ place: at(40, 0), groundLevel: -1.1, stone: true })));
    const dip = lower(yard(bump(-0.42, 12)));
    const pit = lower(yard(bump(-1.2, 12)));
    expect(shallow.elements.get('out')).toBeDefined();
    const of = (job: Job) => planJob(job).snags.find(({ code }) => code === 'groundBetween');
    expect(of(dip)?.severity).toBe('fix');
    expect(of(pit)?.severity).toBe('stop');
    expect(of(pit)!.figure).toBeLessThan(0);
    expect(Math.abs(of(pit)!.length! - 12)).toBeLessThan(2);
    expect(told(pit, 'groundBetween')).toMatch(/comes .* out of the ground 1\d\.\d\d m down it/);
    expect(of(yard(bump(0.3, 12)))).toBeUndefined();
  });

  it('that rises makes a trench that kills, until protection is planned', () => {
    const hill = yard(bump(1.6, 20));
    expect(codes(hill)).toContain('deepBetween');
    const shored = changed(hill, put('Shore', pipe('basin', { length: 40, nominal: 0.1016, shored: true })));
    expect(codes(shored)).not.toContain('deepBetween');
    expect(codes(yard(bump(0.3, 20)))).not.toContain('deepBetween');
    expect(told(hill, 'deepBetween')).toContain('Trench walls kill.');
  });

  it('nobody has levelled is not judged, nor a line that is not on the plan', () => {
    expect(
      codes(jobOf(basin({ place: at(0, 0) }), out({ place: at(40, 0) }), pipe('basin', { length: 40 }))),
    ).not.toContain('groundBetween');
    const off = changed(yard(bump(-1.2, 12)), put('Off', basin()));
    expect(codes(off)).not.toContain('groundBetween');
  });
});

it('how near two ways come is what a walk in small steps along one finds', () => {
  const place = fc.record({
    east: fc.double({ min: -20, max: 20, noNaN: true }),
    north: fc.double({ min: -20, max: 20, noNaN: true }),
  });
  const way = fc.array(place, { minLength: 2, maxLength: 4 });
  fc.assert(
    fc.property(way, way, (one, other) => {
      const whole = wayLength(one);
      fc.pre(whole > 0.1 && wayLength(other) > 0.1);
      const { away, along } = nearest(one, other);
      let least = Infinity;
      for (let k = 0; k <= 2000; k++)
        least = Math.min(least, footOnWay(other, placeAlong(one, (whole * k) / 2000))!.distance);
      expect(away).toBeLessThanOrEqual(least + 1e-9);
      expect(away).toBeGreaterThan(least - whole / 2000);
      expect(footOnWay(other, placeAlong(one, along))!.distance).toBeCloseTo(away, 6);
    }),
    { numRuns: 200, seed: 1 },
  );
});
