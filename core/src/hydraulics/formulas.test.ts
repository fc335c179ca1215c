/** Formulas against figures reckoned another way here: by their definition, by small steps, or by hand. */
import { criticalDepth } from './criticalDepth';
import { CULVERT_INLET_FACTS, CULVERT_INLETS, culvertHeadwater, type CulvertInlet } from './culvert';
import { broadWeirHead } from './broadWeir';
import { intoSoil, throughHole } from './drainDown';
import { valleyDepth } from './gutterRun';
import { openNormalDepth } from './openSection';
import { depthForHole } from './outletHole';
import { pumpCycles, pumpedFlow, systemHead } from './pump';
import { pitTimes, routePond } from './storage';
import { drainRate, drainSpacing, equivalentDepth, timeToFall } from './subsurface';
import { swaleCapacity, swaleFlow, wetAt, type SwaleShape } from './swaleFlow';

const G = 9.80665;

/** Area and top width of a round pipe at a depth, by strips. */
function strips(diameter: number, depth: number): { area: number; top: number } {
  const chord = (y: number): number => 2 * Math.sqrt(Math.max(0, y * (diameter - y)));
  const steps = 4000;
  let area = 0;
  for (let k = 0; k < steps; k++) area += (chord(((k + 0.5) * depth) / steps) * depth) / steps;
  return { area, top: chord(depth) };
}

it.each([
  [0.1, 0.002],
  [0.3, 0.05],
  [0.381, 0.12],
  [0.2, 0.08],
])('critical depth of a %f m pipe at %f m³/s is where Q² T = g A³, by strips', (diameter, flow) => {
  const { area, top } = strips(diameter, criticalDepth({ diameter, flow }));
  expect((flow * flow * top) / (G * area ** 3)).toBeCloseTo(1, 3);
});

describe('a culvert', () => {
  const [diameter, length, slope, roughness] = [0.381, 9, 0.02, 0.012];
  const area = (Math.PI * diameter ** 2) / 4;
  /** Flow at which 1.811 Q/(A √D) is so much. */
  const flowOf = (x: number): number => (x * area * Math.sqrt(diameter)) / 1.811;
  const of = (inlet: CulvertInlet, x: number, tailwater = 0) =>
    culvertHeadwater({ diameter, length, slope, roughness, flow: flowOf(x), inlet, tailwater });
  /** What the design series prints for each inlet. */
  const PRINTED: Record<CulvertInlet, [k: number, m: number, c: number, y: number, ke: number, ks: number]> = {
    square: [0.0098, 2, 0.0398, 0.67, 0.5, -0.5],
    groove: [0.0018, 2, 0.0292, 0.74, 0.2, -0.5],
    headwall: [0.0078, 2, 0.0379, 0.69, 0.5, -0.5],
    mitred: [0.021, 1.33, 0.0463, 0.75, 0.7, 0.7],
    projecting: [0.034, 1.5, 0.0553, 0.54, 0.9, -0.5],
  };
  const head = (x: number): number => {
    const yc = criticalDepth({ diameter, flow: flowOf(x) });
    return yc + (flowOf(x) / strips(diameter, yc).area) ** 2 / (2 * G);
  };

  it.each(CULVERT_INLETS)(
    '%s asks at its inlet what the formulas say: free, drowned, and straight between',
    (inlet) => {
      const [k, m, c, y, ke, ks] = PRINTED[inlet];
      expect(CULVERT_INLET_FACTS[inlet]).toMatchObject({ k, m, c, y, ke, ks });
      const free = (x: number): number => head(x) + diameter * (k * x ** m + ks * slope);
      const drowned = (x: number): number => diameter * (c * x * x + y + ks * slope);
      for (const x of [0.5, 2, 3.4999, 3.5]) expect(of(inlet, x).inletHeadwater).toBeCloseTo(free(x), 5);
      for (const x of [4, 4.0001, 6]) expect(of(inlet, x).inletHeadwater).toBeCloseTo(drowned(x), 9);
      expect(of(inlet, 3.75).inletHeadwater).toBeCloseTo((free(3.5) + drowned(4)) / 2, 5);
      expect(of(inlet, 3.6).inletHeadwater).toBeCloseTo(0.8 * free(3.5) + 0.2 * drowned(4), 5);
    },
  );

  it('asks at its outlet the tailwater or half of critical depth and crown, and what entry, barrel and exit cost', () => {
    const flow = flowOf(3);
    const v2 = (flow / area) ** 2 / (2 * G);
    const friction = (2 * G * roughness ** 2 * length) / (diameter / 4) ** (4 / 3);
    const losses = (1 + 0.9 + friction) * v2 - length * slope;
    expect(of('projecting', 3).outletHeadwater).toBeCloseTo(
      (criticalDepth({ diameter, flow }) + diameter) / 2 + losses,
      9,
    );
    expect(of('projecting', 3, 0.9).outletHeadwater).toBeCloseTo(0.9 + losses, 9);
    const drowned = of('projecting', 3, 0.9);
    expect(drowned).toMatchObject({ control: 'outlet', headwater: drowned.outletHeadwater });
    expect(of('projecting', 3)).toMatchObject({ control: 'inlet', headwater: of('projecting', 3).inletHeadwater });
  });

  it('on a pitch so steep that its inlet would stand dry asks nothing there', () => {
    const steep = culvertHeadwater({
      diameter,
      length,
      slope: 2,
      roughness,
      flow: flowOf(0.1),
      inlet: 'square',
      tailwater: 0,
    });
    expect(steep.inletHeadwater).toBe(0);
    expect(
      culvertHeadwater({ diameter, length, slope, roughness, flow: 0, inlet: 'square', tailwater: 0 }).inletHeadwater,
    ).toBe(0);
  });
});

describe('a hole in a channel', () => {
  const across = 0.1;
  const area = (Math.PI * across ** 2) / 4;
  const orifice = (flow: number): number => (flow / (0.6 * area)) ** 2 / (2 * G);
  const weir = (flow: number): number => (flow / (1.66 * Math.PI * across)) ** (2 / 3);

  it('in its floor is a weir while shallow, an orifice when deep, and under a line that stands over it the difference', () => {
    const floor = { across, where: 'floor' } as const;
    expect(depthForHole(floor, 0.001)).toBeCloseTo(weir(0.001), 9);
    expect(depthForHole(floor, 0.02)).toBeCloseTo(orifice(0.02), 9);
    expect(depthForHole(floor, 0.004, 0.15)).toBeCloseTo(0.15 + orifice(0.004), 9);
    expect(depthForHole(floor, 0.004, -0.3)).toBeCloseTo(Math.max(weir(0.004), orifice(0.004)), 9);
    // Covered by little: the weir still asks for more.
    expect(depthForHole(floor, 0.001, 0.001)).toBeCloseTo(weir(0.001), 9);
    expect([depthForHole(floor, 0, 0.2), depthForHole(floor, 0, -0.2), depthForHole(floor, 0)]).toEqual([0.2, 0, 0]);
  });

  it('in its end is a pipe’s inlet: critical with its velocity head, then an orifice over its middle, drowned by as much as the line covers it', () => {
    const end = { across, where: 'end' } as const;
    const energy = (flow: number): number => {
      const yc = criticalDepth({ diameter: across, flow });
      return yc + (flow / strips(across, yc).area) ** 2 / (2 * G);
    };
    expect(depthForHole(end, 0.003)).toBeCloseTo(energy(0.003), 5);
    expect(depthForHole(end, 0.02)).toBeCloseTo(0.05 + orifice(0.02), 9);
    // As soon as its energy would stand over the hole it runs full, and never stands under the hole's top.
    for (const flow of [0.0042, 0.0045, 0.0047, 0.0049, 0.0053])
      expect(depthForHole(end, flow)).toBeCloseTo(
        energy(flow) <= across ? energy(flow) : Math.max(across, 0.05 + orifice(flow)),
        5,
      );
    expect(depthForHole(end, 0.003, 0.3)).toBeCloseTo(0.3 + orifice(0.003), 9);
    expect(depthForHole(end, 0.003, 0.09)).toBeCloseTo(Math.max(energy(0.003), 0.09 + 0.9 * orifice(0.003)), 5);
    expect(depthForHole(end, 0.003, -1)).toBeCloseTo(energy(0.003), 5);
  });
});

it('water over a long edge, out of a hole and into soil, by hand', () => {
  // 1.7 × 2 × 0.1^1.5 = 0.10752 m³/s over 2 m.
  expect(broadWeirHead(0.10752, 2)).toBeCloseTo(0.1, 4);
  // 0.5 m³ under 0.4 m over 1 cm²: 2 × 0.5 / (0.6 × 1e-4 × √(2g × 0.4)) = 5,950 s.
  expect(throughHole(0.5, 0.4, 1e-4)).toBeCloseTo(1 / (0.6e-4 * Math.sqrt(2 * G * 0.4)), 6);
  expect(intoSoil(0.3, 2, 1e-5)).toBeCloseTo(15_000, 6);
});

it('a valley’s water rises up its gutter as small steps of it do, and stands by its momentum where it drops in', () => {
  const gutter = { width: 0.1, depth: 0.1, length: 8, roughness: 0.013 };
  const flow = 0.004;
  const yc = Math.cbrt((flow / 0.1) ** 2 / G);
  // From a hair over critical depth, in even steps of depth.
  const dy = 4e-6;
  let [x, y1] = [0, yc];
  while (x < gutter.length) {
    const y = y1 + dy / 2;
    const radius = (0.1 * y) / (0.1 + 2 * y);
    const friction = (flow * 0.013) ** 2 / ((0.1 * y) ** 2 * radius ** (4 / 3));
    x += ((1 - (yc / y) ** 3) / friction) * dy;
    y1 += dy;
  }
  expect(valleyDepth(gutter, flow)).toBeCloseTo(Math.sqrt((2 * (flow / 0.1) ** 2) / (G * y1) + y1 ** 2), 5);
  expect(valleyDepth(gutter, 0)).toBe(0);
});

describe('open ways', () => {
  it.each([
    ['v', 0, 4],
    ['trapezoid', 0.6, 3],
    ['parabola', 0, 5],
  ] as const)(
    'a %s has the area, wetted way and width that strips of it add up to, and carries by Manning',
    (section, bottomWidth, sideSlope) => {
      const shape: SwaleShape = { section, bottomWidth, sideSlope, depth: 0.5 };
      const half = (y: number): number =>
        section === 'parabola'
          ? sideSlope * Math.sqrt(0.5 * y)
          : (section === 'v' ? 0 : bottomWidth / 2) + sideSlope * y;
      const depth = 0.31;
      const steps = 20_000;
      let [area, perimeter] = [0, section === 'trapezoid' ? bottomWidth : 0];
      for (let k = 0; k < steps; k++) {
        // Finer toward the floor, where a parabola lies flat.
        const [low, high] = [depth * (k / steps) ** 2, depth * ((k + 1) / steps) ** 2];
        area += (half(low) + half(high)) * (high - low);
        perimeter += 2 * Math.hypot(high - low, half(high) - half(low));
      }
      const wet = wetAt(shape, depth);
      expect(wet.area / area).toBeCloseTo(1, 6);
      expect(wet.perimeter / perimeter).toBeCloseTo(1, 6);
      expect(wet.topWidth).toBeCloseTo(2 * half(depth), 9);
      const flow = (area * (area / perimeter) ** (2 / 3) * Math.sqrt(0.015)) / 0.035;
      expect(swaleCapacity(shape, depth, 0.015, 0.035) / flow).toBeCloseTo(1, 5);
      const found = swaleFlow(shape, flow, 0.015, 0.035);
      expect(found.depth).toBeCloseTo(depth, 5);
      expect(found.velocity).toBeCloseTo(flow / area, 5);
      expect(found.shear / ((1000 * G * 0.015 * area) / perimeter)).toBeCloseTo(1, 4);
      expect(found.topWidth).toBeCloseTo(2 * half(depth), 4);
      expect(swaleFlow(shape, 0, 0.015, 0.035)).toEqual({
        depth: 0,
        velocity: 0,
        shear: 0,
        topWidth: section === 'trapezoid' ? 0.6 : 0,
      });
      expect([
        swaleCapacity(shape, 0, 0.01, 0.03),
        swaleCapacity(shape, -1, 0.01, 0.03),
        swaleCapacity(shape, 0.1, 0, 0.03),
      ]).toEqual([0, 0, 0]);
    },
  );

  it('a section with unlike sides, by hand: 1 m floor, 2:1 and 1:1, 0.4 m deep at 1 %', () => {
    // A = 0.4 (1 + 3 × 0.4 / 2) = 0.64, P = 1 + 0.4 (√5 + √2) = 2.46011, T = 2.2.
    const flow = (0.64 * (0.64 / 2.4601) ** (2 / 3) * 0.1) / 0.03;
    const section = { bottomWidth: 1, sideSlopeLeft: 2, sideSlopeRight: 1, slope: 0.01, roughness: 0.03 };
    const found = openNormalDepth({ ...section, flow });
    expect(found.depth).toBeCloseTo(0.4, 4);
    expect(found.velocity).toBeCloseTo(flow / 0.64, 4);
    expect(found.topWidth).toBeCloseTo(2.2, 3);
    expect(found.froude).toBeCloseTo(flow / 0.64 / Math.sqrt((G * 0.64) / 2.2), 3);
    expect(found.shear).toBeCloseTo((1000 * G * 0.01 * 0.64) / 2.4601, 1);
    expect(openNormalDepth({ ...section, flow: 0 })).toEqual({
      depth: 0,
      velocity: 0,
      froude: 0,
      shear: 0,
      topWidth: 1,
    });
  });
});

describe('a pump', () => {
  it('fills, runs and starts by volume over flow, and never where it is never full or never empty', () => {
    expect(pumpCycles({ inflow: 0.001, pumpRate: 0.003, volume: 0.12 })).toEqual({
      fillTime: 120,
      runTime: 60,
      cyclesPerHour: 20,
      worstCyclesPerHour: expect.closeTo(22.5, 9),
    });
    expect(pumpCycles({ inflow: 0, pumpRate: 0.003, volume: 0.12 })).toMatchObject({
      fillTime: null,
      runTime: 40,
      cyclesPerHour: null,
    });
    expect(pumpCycles({ inflow: 0.003, pumpRate: 0.003, volume: 0.12 })).toMatchObject({
      runTime: null,
      cyclesPerHour: null,
    });
  });

  const main = { lift: 2, length: 30, diameter: 0.05, roughness: 0.011, losses: 4 };
  /** The line's head by hand at 2 L/s. */
  const asked = (flow: number): number => {
    const v2 = (flow / (Math.PI * 0.025 ** 2)) ** 2 / (2 * G);
    return 2 + (4 + (2 * G * 0.011 ** 2 * 30) / 0.0125 ** (4 / 3)) * v2;
  };

  it('lifts where its curve, straight between its points, meets what the line asks', () => {
    expect(systemHead(main, 0.002)).toBeCloseTo(asked(0.002), 9);
    const curve = [
      { flow: 0.0005, head: 9 },
      { flow: 0.001, head: 8 },
      { flow: 0.003, head: 3 },
    ];
    const flow = pumpedFlow(curve, main);
    expect(flow).toBeGreaterThan(0.001);
    expect(8 - 2500 * (flow - 0.001)).toBeCloseTo(asked(flow), 6);
    // Steeper line: met before the curve's second point, and before its first.
    const early = pumpedFlow(curve, { ...main, losses: 460 });
    expect(early).toBeLessThan(0.001);
    expect(9 - 2000 * (early - 0.0005)).toBeCloseTo(systemHead({ ...main, losses: 460 }, early), 6);
    const first = pumpedFlow(curve, { ...main, losses: 2500 });
    expect(first).toBeLessThan(0.0005);
    expect(systemHead({ ...main, losses: 2500 }, first)).toBeCloseTo(9, 6);
    // An easy line: no more than the curve goes to. One that it just does not reach: nothing.
    expect(pumpedFlow(curve, { ...main, lift: 0, losses: 0, length: 0.1 })).toBe(0.003);
    expect(pumpedFlow(curve, { ...main, lift: 9 })).toBe(0);
  });
});

describe('what is kept for a while', () => {
  it('a pit with no wall fills and empties by plain division, and never where the soil takes more or nothing', () => {
    const pit = { baseArea: 2, perimeter: 0, height: 1, voids: 0.4, conductivity: 1e-5 };
    expect(pitTimes(pit, 1e-3)).toEqual({
      fillTime: expect.closeTo(0.8 / 9.8e-4, 6),
      drainTime: expect.closeTo(0.8 / 2e-5, 4),
    });
    expect(pitTimes(pit, 2e-5).fillTime).toBeNull();
    expect(pitTimes({ ...pit, conductivity: 0 }, 1e-3)).toEqual({ fillTime: expect.closeTo(800, 6), drainTime: null });
  });

  it('a pond with a straight outlet follows the linear reservoir, its peak within the step', () => {
    // O = S/600 s. Under a steady 1 L/s for 1,200 s from empty: S = 0.6 (1 − e^−2).
    const pond = { levels: [1, 2], volumes: [0, 6], outflows: [0, 0.01] };
    const steady = routePond(pond, [0.001, 0.001, 0.001], 600);
    expect(steady.volumeLeft).toBeCloseTo(0.6 * (1 - Math.exp(-2)), 6);
    expect(steady.volumeOut + steady.volumeLeft).toBeCloseTo(1.2, 9);
    expect(steady.peakLevel).toBeCloseTo(1 + steady.volumeLeft / 6, 6);
    expect(steady.peakOutflow).toBeCloseTo(steady.volumeLeft / 600, 9);
    // Rain that ends: the greatest was in between, and is told.
    const passed = routePond(pond, [0, 0.002, 0, 0, 0], 600);
    expect(passed.peakOutflow).toBeGreaterThan(passed.volumeLeft / 600 + 1e-5);
    // A sealed pond keeps all.
    expect(routePond({ ...pond, outflows: [0, 0] }, [0.001, 0.001], 600)).toMatchObject({
      volumeOut: expect.closeTo(0, 12),
      volumeLeft: expect.closeTo(0.6, 12),
      peakOutflow: 0,
    });
  });
});

describe('ground water', () => {
  it('has Hooghoudt’s depth by the series and by its limit for shallow ground', () => {
    // By the definition, the sum taken far.
    const depth = (spacing: number, barrier: number, radius: number): number => {
      const x = (2 * Math.PI * barrier) / spacing;
      let f = 0;
      for (let n = 1; n < 1001; n += 2) f += (4 * Math.exp(-2 * n * x)) / (n * (1 - Math.exp(-2 * n * x)));
      return (Math.PI * spacing) / 8 / (Math.log(spacing / (Math.PI * radius)) + f);
    };
    for (const [spacing, barrier] of [
      [10, 1.5],
      [10, 5],
      [20, 1.8],
      [40, 2.5],
      [40, 3.3],
    ] as const)
      expect(equivalentDepth(spacing, barrier, 0.05) / depth(spacing, barrier, 0.05)).toBeCloseTo(1, 3);
    expect(equivalentDepth(10, 0, 0.05)).toBe(0);
    expect(equivalentDepth(10, -1, 0.05)).toBe(0);
    // Never deeper than the ground, also where the formula has no meaning any more.
    expect(equivalentDepth(20, 0.02, 0.05)).toBe(0.02);
    expect(equivalentDepth(0.1, 3, 0.5)).toBe(3);
  });

  it('on the barrier lies by the ground over it alone: L² = 4 K h² / q', () => {
    const ground = {
      conductivityBelow: 1e-5,
      conductivityAbove: 2e-5,
      recharge: 1e-7,
      head: 0.5,
      depthToBarrier: 0,
      drainRadius: 0.05,
    };
    expect(drainSpacing(ground)).toEqual({
      spacing: expect.closeTo(Math.sqrt((4 * 2e-5 * 0.25) / 1e-7), 9),
      equivalentDepth: 0,
    });
    expect(drainRate(14, ground)).toBeCloseTo((4 * 2e-5 * 0.25) / 196, 15);
    // Falls as 1/h there: μ L²/4K (1/to − 1/from).
    const soil = { conductivity: 2e-5, depthToBarrier: 0, drainRadius: 0.05 };
    expect(timeToFall(14, 0.5, 0.25, 0.1, soil)).toBeCloseTo(((0.1 * 196) / 8e-5) * (4 - 2), 3);
    expect([timeToFall(14, 0.5, 0.5, 0.1, soil), timeToFall(14, 0.5, 0.6, 0.1, soil)]).toEqual([0, 0]);
    expect(timeToFall(14, 0.5, 0, 0.1, soil)).toBe(Number.POSITIVE_INFINITY);
  });
});
