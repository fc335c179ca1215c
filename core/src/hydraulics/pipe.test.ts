import fc from 'fast-check';
import { CUBIC_METRES_PER_SECOND_PER_GPM, GRAVITY, METRES_PER_INCH } from '../units/constants';
import { filledShare, fullFlow, MAX_OVER_FULL, normalDepth } from './pipe';

const gpm = (flow: number): number => flow / CUBIC_METRES_PER_SECOND_PER_GPM;
const relative = (ours: number, wanted: number): number => Math.abs(ours / wanted - 1);

/** The textbook way, independent of the solver: bisection on depth with the circle's geometry by arccosine. */
function depthByBisection(diameter: number, slope: number, roughness: number, flow: number): number {
  let low = 0;
  let high = 0.938 * diameter;
  for (let step = 0; step < 200; step++) {
    const depth = (low + high) / 2;
    const half = Math.acos(1 - (2 * depth) / diameter);
    const area = (diameter ** 2 / 4) * (half - Math.sin(half) * Math.cos(half));
    const carried = (area * (area / (diameter * half)) ** (2 / 3) * Math.sqrt(slope)) / roughness;
    if (carried < flow) low = depth;
    else high = depth;
  }
  return (low + high) / 2;
}

const section = fc.record({
  diameter: fc.double({ min: 0.05, max: 2, noNaN: true }),
  slope: fc.double({ min: 1e-4, max: 0.5, noNaN: true }),
  roughness: fc.double({ min: 0.008, max: 0.03, noNaN: true }),
});

describe('full-bore flow', () => {
  // Makers' and handbook tables for Manning pipe at 1 %, gpm, by nominal inches and n.
  it.each([
    [3, 0.01, 52],
    [4, 0.01, 111],
    [6, 0.01, 327],
    [8, 0.01, 705],
    [3, 0.012, 43],
    [4, 0.012, 93],
    [6, 0.012, 273],
    [8, 0.012, 588],
    [4, 0.016, 69],
    [6, 0.016, 205],
  ])('%i in at n = %f carries %i gpm at 1%%', (inches, roughness, wanted) => {
    const { flow } = fullFlow({ diameter: inches * METRES_PER_INCH, slope: 0.01, roughness });
    expect(Math.abs(gpm(flow) - wanted)).toBeLessThanOrEqual(0.6);
  });

  it('scales as D to the eight thirds, the root of S, and 1/n', () => {
    fc.assert(
      fc.property(section, fc.double({ min: 1.1, max: 4, noNaN: true }), (pipe, by) => {
        const { flow } = fullFlow(pipe);
        expect(relative(fullFlow({ ...pipe, diameter: pipe.diameter * by }).flow, flow * by ** (8 / 3))).toBeLessThan(
          1e-12,
        );
        expect(relative(fullFlow({ ...pipe, slope: pipe.slope * by }).flow, flow * Math.sqrt(by))).toBeLessThan(1e-12);
        expect(relative(fullFlow({ ...pipe, roughness: pipe.roughness * by }).flow, flow / by)).toBeLessThan(1e-12);
      }),
    );
  });
});

describe('normal depth', () => {
  const pipe = { diameter: 0.3, slope: 0.01, roughness: 0.013 };

  it('of half the full flow is half the diameter, at the full velocity', () => {
    const full = fullFlow(pipe);
    const half = normalDepth({ ...pipe, flow: full.flow / 2 });
    expect(half.depth).toBeCloseTo(0.15, 10);
    expect(relative(half.velocity, full.velocity)).toBeLessThan(1e-9);
  });

  it('peaks at 0.938 of the diameter with 1.076 of the full flow', () => {
    expect(MAX_OVER_FULL).toBeCloseTo(1.0757, 4);
    const { depth, surcharged } = normalDepth({ ...pipe, flow: fullFlow(pipe).flow * MAX_OVER_FULL * (1 - 1e-12) });
    expect(depth / 0.3).toBeCloseTo(0.938, 3);
    expect(surcharged).toBe(false);
  });

  it('agrees with bisection from a trickle to nearly full', () => {
    fc.assert(
      fc.property(section, fc.double({ min: 1e-7, max: 1.07, noNaN: true }), (each, share) => {
        const flow = fullFlow(each).flow * share;
        expect(
          relative(
            normalDepth({ ...each, flow }).depth,
            depthByBisection(each.diameter, each.slope, each.roughness, flow),
          ),
        ).toBeLessThan(1e-6);
      }),
    );
  });

  it('takes the lower of the two depths that carry a flow over full', () => {
    const { depth } = normalDepth({ ...pipe, flow: fullFlow(pipe).flow * 1.03 });
    expect(depth).toBeLessThan(0.938 * 0.3);
    expect(depth).toBeGreaterThan(0.8 * 0.3);
  });

  it('keeps continuity, Froude and shear by their definitions', () => {
    fc.assert(
      fc.property(section, fc.double({ min: 0.01, max: 1, noNaN: true }), (each, share) => {
        const flow = fullFlow(each).flow * share;
        const { depth, velocity, froude, shear } = normalDepth({ ...each, flow });
        const area = (filledShare(depth / each.diameter) * (Math.PI * each.diameter ** 2)) / 4;
        expect(relative(area * velocity, flow)).toBeLessThan(1e-7);
        const top = 2 * Math.sqrt(depth * (each.diameter - depth));
        expect(relative(froude, velocity / Math.sqrt((GRAVITY * area) / top))).toBeLessThan(1e-6);
        const perimeter = each.diameter * Math.acos(1 - (2 * depth) / each.diameter);
        expect(relative(shear, (1000 * GRAVITY * each.slope * area) / perimeter)).toBeLessThan(1e-6);
      }),
    );
  });

  it('runs dry without flow and stands full when overloaded', () => {
    expect(normalDepth({ ...pipe, flow: 0 })).toEqual({
      depth: 0,
      velocity: 0,
      froude: 0,
      shear: 0,
      surcharged: false,
    });
    const over = normalDepth({ ...pipe, flow: 1 });
    expect(over).toMatchObject({ depth: 0.3, surcharged: true });
    expect(relative(over.velocity, 1 / (Math.PI * 0.0225))).toBeLessThan(1e-12);
  });
});
