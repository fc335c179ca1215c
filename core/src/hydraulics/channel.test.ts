import fc from 'fast-check';
import { GRAVITY } from '../units/constants';
import { channelCapacity } from './channelCapacity';
import { channelProfile, type ChannelDrain } from './channelDrain';
import { multiOutletCapacity, multiOutletProfile } from './channelOutlets';
import { shapeOf } from './channelSection';
import { gutterRunCapacity, valleyDepth } from './gutterRun';

const between = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true });
const drain: ChannelDrain = { width: 0.12, depth: 0.15, length: 12, slope: 0, roughness: 0.011 };

describe('a section on a half round', () => {
  const shape = shapeOf('round', 0.2);

  it('has the half circle’s figures at its middle and the walls’ above', () => {
    expect(shape.area(0.1)).toBeCloseTo((Math.PI * 0.1 ** 2) / 2, 12);
    expect(shape.perimeter(0.1)).toBeCloseTo(Math.PI * 0.1, 12);
    // Centroid of a half circle: 4r/3π below its flat side.
    expect(shape.moment(0.1)).toBeCloseTo(((Math.PI * 0.1 ** 2) / 2) * ((4 * 0.1) / (3 * Math.PI)), 12);
    expect(shape.area(0.25)).toBeCloseTo((Math.PI * 0.1 ** 2) / 2 + 0.2 * 0.15, 12);
  });

  it('hangs together at any depth: T = dA/dy, A = dM/dy, and Q² T = g A³ at the critical one', () => {
    fc.assert(
      fc.property(between(0.005, 0.4), between(0.02, 0.5), (y, width) => {
        const any = shapeOf('round', width);
        const h = y * 1e-6;
        // Beside the spring line the curve bends, and a difference across it is neither side's.
        fc.pre(Math.abs(y - width / 2) > 1e-3);
        expect((any.area(y + h) - any.area(y - h)) / (2 * h) / any.top(y)).toBeCloseTo(1, 5);
        expect((any.moment(y + h) - any.moment(y - h)) / (2 * h) / any.area(y)).toBeCloseTo(1, 4);
        const flow = Math.sqrt((GRAVITY * any.area(y) ** 3) / any.top(y));
        expect(any.critical(flow) / y).toBeCloseTo(1, 8);
      }),
    );
  });
});

it('keeps momentum along a level, frictionless round channel: M at the closed end is M + Q²/gA at its critical outlet', () => {
  fc.assert(
    fc.property(between(0.05, 0.4), between(1e-5, 5e-3), between(1, 20), (width, q, length) => {
      const shape = shapeOf('round', width);
      const { depths } = channelProfile({
        width,
        depth: 1,
        length,
        slope: 0,
        roughness: 1e-9,
        section: 'round',
        lateralInflow: q,
      });
      const flow = q * length;
      const yc = shape.critical(flow);
      expect(shape.moment(depths[0]!) / (shape.moment(yc) + flow ** 2 / (GRAVITY * shape.area(yc)))).toBeCloseTo(1, 5);
    }),
    { numRuns: 40 },
  );
});

it('a round floor costs depth: it takes less than a flat one as wide and as deep, and the more the steeper either', () => {
  fc.assert(
    fc.property(between(0.05, 0.3), between(1, 4), between(1, 15), between(0, 0.02), (width, deeper, length, slope) => {
      const flat = { width, depth: width * deeper, length, slope, roughness: 0.011 };
      const flow = (more: Partial<ChannelDrain>): number => channelCapacity({ ...flat, ...more }).flow;
      expect(flow({ section: 'round' })).toBeLessThan(flow({}));
      expect(flow({ section: 'round', slope: slope + 0.01 })).toBeGreaterThan(flow({ section: 'round' }));
    }),
    { numRuns: 15 },
  );
});

describe('several outlets', () => {
  it('at both ends of a level channel, divide in its middle: each half is a channel of half the length', () => {
    const both = multiOutletProfile({ ...drain, outlets: [0, 12], lateralInflow: 5e-4 });
    const half = channelProfile({ ...drain, length: 6, lateralInflow: 5e-4 });
    expect(both.outlets.map(({ flow }) => flow)).toEqual([expect.closeTo(0.003, 6), expect.closeTo(0.003, 6)]);
    expect(both.maxDepth).toBeCloseTo(half.maxDepth, 5);
    expect(both.stations[0]).toBeCloseTo(0, 9);
    expect(both.stations.at(-1)).toBeCloseTo(12, 9);
  });

  it('take more than one does, and one in the middle as much as two channels of half the length', () => {
    expect(multiOutletCapacity({ ...drain, outlets: [3, 9] })).toBeGreaterThan(
      multiOutletCapacity({ ...drain, outlets: 'middle' }),
    );
    expect(
      multiOutletCapacity({ ...drain, outlets: 'middle' }) / channelCapacity({ ...drain, length: 6 }).flow,
    ).toBeCloseTo(2, 5);
    expect(multiOutletCapacity({ ...drain, outlets: 'end' }) / channelCapacity(drain).flow).toBeCloseTo(1, 5);
    expect(multiOutletCapacity({ ...drain, outlets: [12] }) / channelCapacity(drain).flow).toBeCloseTo(1, 5);
  });
});

it('a bed that falls against a level top is shallow at its closed end, and brims there first', () => {
  const sloped = { ...drain, slope: 0.005, ownFall: 0.005 };
  const laid = { ...drain, slope: 0.005 };
  expect(channelCapacity(sloped).flow).toBeLessThan(channelCapacity(laid).flow);
  const { lateralInflow } = channelCapacity(sloped);
  const { stations, depths } = channelProfile({ ...sloped, lateralInflow });
  const left = stations.map((x, k) => 0.15 - 0.005 * (12 - x) - depths[k]!);
  expect(Math.min(...left)).toBeCloseTo(0, 6);
});

it('is the same in two hundred steps as in thousands, from a trickle in a long channel to one that is drowned', () => {
  const given = fc.record({
    width: between(0.03, 0.3),
    length: between(1, 30),
    slope: fc.oneof(fc.constant(0), between(0, 0.01)),
    exponent: between(-7, -3),
    outletDepth: fc.constantFrom(0, 0.1),
    section: fc.constantFrom('flat' as const, 'round' as const),
  });
  fc.assert(
    fc.property(given, ({ exponent, ...drains }) => {
      const look = (steps: number) =>
        channelProfile({ ...drains, depth: 0.2, roughness: 0.011, lateralInflow: 10 ** exponent, steps });
      const [coarse, fine] = [look(200), look(4000)];
      const near = (depth: number, wanted: number): void =>
        expect(Math.abs(depth - wanted)).toBeLessThan(2e-4 + 5e-3 * wanted);
      near(coarse.maxDepth, fine.maxDepth);
      near(coarse.depths[0]!, fine.depths[0]!);
      // A jump is found to a step: within one of it the depth is either side's.
      const [before, after] = [fine.depths[1980]!, fine.depths[2020]!];
      if (Math.abs(after - before) < 0.1 * before) near(coarse.depths[100]!, fine.depths[2000]!);
    }),
    { numRuns: 80 },
  );
});

describe('a valley’s water in a gutter', () => {
  const gutter = { width: 0.09, depth: 0.076, length: 6, roughness: 0.012 };

  it('without friction stands √3 of critical depth, and the gutter takes b √g (d/√3)^1.5', () => {
    const smooth = { ...gutter, roughness: 1e-6 };
    const flow = 0.09 * Math.sqrt(GRAVITY) * (0.076 / Math.sqrt(3)) ** 1.5;
    expect(valleyDepth(smooth, flow)).toBeCloseTo(0.076, 6);
    expect(gutterRunCapacity(smooth) / flow).toBeCloseTo(1, 5);
  });

  it('takes less the farther the valley is from the outlet, the narrower and the rougher it is', () => {
    fc.assert(
      fc.property(
        between(0.05, 0.2),
        between(0.03, 0.2),
        between(0.1, 30),
        between(0.009, 0.02),
        between(1.05, 3),
        (width, depth, length, roughness, factor) => {
          const here = gutterRunCapacity({ width, depth, length, roughness });
          expect(gutterRunCapacity({ width, depth, length: length * factor, roughness })).toBeLessThan(here);
          expect(gutterRunCapacity({ width, depth, length, roughness: roughness * factor })).toBeLessThan(here);
          expect(gutterRunCapacity({ width: width * factor, depth, length, roughness })).toBeGreaterThan(here);
          expect(valleyDepth({ width, depth, length, roughness }, here) / depth).toBeCloseTo(1, 6);
        },
      ),
      { numRuns: 60 },
    );
  });
});
