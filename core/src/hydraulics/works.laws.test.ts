import fc from 'fast-check';
import { alternatingBlock } from '../rain/alternatingBlock';
import { intensityOf } from '../rain/intensity';
import { CULVERT_INLETS, culvertHeadwater } from './culvert';
import { pumpCycles, pumpedFlow, systemHead } from './pump';
import { pitTimes, routePond } from './storage';
import { drainRate, drainSpacing, timeToFall } from './subsurface';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const table = {
  durations: [300, 600, 900, 1800, 3600, 86_400],
  intensities: [5e-5, 4e-5, 3.2e-5, 2.1e-5, 1.4e-5, 1.2e-6],
};

describe('ground water between drains', () => {
  const ground = fc.record({
    conductivityBelow: between(1e-8, 1e-3),
    conductivityAbove: between(1e-8, 1e-3),
    recharge: between(1e-8, 1e-6),
    head: between(0.05, 1.2),
    depthToBarrier: between(0, 8),
    drainRadius: between(0.03, 0.15),
  });

  it('lies closer for more recharge and further in deeper ground, and leads off at its spacing just what sinks in', () => {
    fc.assert(
      fc.property(ground, between(1.01, 5), (given, more) => {
        const { spacing } = drainSpacing(given);
        expect(drainSpacing({ ...given, recharge: given.recharge * more }).spacing).toBeLessThan(spacing);
        expect(drainSpacing({ ...given, depthToBarrier: given.depthToBarrier * more }).spacing).toBeGreaterThanOrEqual(
          spacing * (1 - 1e-9),
        );
        expect(drainRate(spacing, given) / given.recharge).toBeCloseTo(1, 6);
      }),
      { numRuns: 400 },
    );
  });

  it('falls in a time that steps of it sum up to', () => {
    fc.assert(
      fc.property(ground, between(2, 20), ({ conductivityBelow, depthToBarrier, drainRadius }, spacing) => {
        const soil = { conductivity: conductivityBelow, depthToBarrier, drainRadius };
        const rate = (head: number): number =>
          drainRate(spacing, {
            conductivityBelow,
            conductivityAbove: conductivityBelow,
            depthToBarrier,
            drainRadius,
            head,
          });
        const steps = 4000;
        let time = 0;
        for (let k = 0; k < steps; k++) time += (0.1 * (0.4 / steps)) / rate(0.6 - (0.4 * (k + 0.5)) / steps);
        expect(timeToFall(spacing, 0.6, 0.2, 0.1, soil) / time).toBeCloseTo(1, 5);
      }),
      { numRuns: 60 },
    );
  });
});

it('a culvert stands higher for more water, a higher outlet or a smaller pipe', () => {
  const culvert = fc.record({
    diameter: between(0.2, 1.5),
    length: between(3, 40),
    slope: between(0, 0.05),
    roughness: between(0.009, 0.026),
    flow: between(0.001, 2),
    inlet: fc.constantFrom(...CULVERT_INLETS),
    tailwater: between(0, 2),
  });
  fc.assert(
    fc.property(culvert, between(1.05, 2), (given, more) => {
      const { headwater } = culvertHeadwater(given);
      expect(culvertHeadwater({ ...given, flow: given.flow * more }).headwater).toBeGreaterThan(headwater - 1e-9);
      expect(culvertHeadwater({ ...given, tailwater: given.tailwater * more }).headwater).toBeGreaterThanOrEqual(
        headwater,
      );
      if (headwater > 1.5 * given.diameter)
        expect(culvertHeadwater({ ...given, diameter: given.diameter / more }).headwater).toBeGreaterThan(headwater);
    }),
    { numRuns: 500 },
  );
});

describe('pumps', () => {
  it('start most often at half their rate', () => {
    fc.assert(
      fc.property(between(1e-4, 1e-2), between(0.01, 1), between(0.01, 0.99), (pumpRate, volume, part) => {
        const { cyclesPerHour, worstCyclesPerHour } = pumpCycles({ inflow: part * pumpRate, pumpRate, volume });
        expect(cyclesPerHour!).toBeLessThanOrEqual(worstCyclesPerHour * (1 + 1e-9));
        const half = pumpCycles({ inflow: pumpRate / 2, pumpRate, volume });
        expect(half.cyclesPerHour! / worstCyclesPerHour).toBeCloseTo(1, 9);
      }),
    );
  });

  it('run where their curve meets their line’s, and not at all where they do not reach the head', () => {
    const curve = [
      { flow: 0, head: 8 },
      { flow: 0.002, head: 6 },
      { flow: 0.004, head: 0 },
    ];
    const main = { lift: 3, length: 20, diameter: 0.04, roughness: 0.01, losses: 6 };
    const flow = pumpedFlow(curve, main);
    expect(flow).toBeGreaterThan(0.0015);
    expect(systemHead(main, flow)).toBeCloseTo(8 - (2 * flow) / 0.002, 6);
    expect(pumpedFlow(curve, { ...main, lift: 8.5 })).toBe(0);
  });
});

describe('what is kept for a while', () => {
  const pit = fc.record({
    baseArea: between(0.3, 20),
    perimeter: between(0, 20),
    height: between(0.3, 3),
    voids: between(0.3, 1),
    conductivity: between(1e-8, 1e-4),
  });

  it('a pit fills and empties in the times that small steps take', () => {
    fc.assert(
      fc.property(pit, between(1e-5, 0.02), (given, inflow) => {
        const { fillTime, drainTime } = pitTimes(given, inflow);
        const steps = 4000;
        const rise = given.height / steps;
        let [filled, drained] = [0, 0];
        for (let k = 0; k < steps; k++) {
          const loss = given.conductivity * (given.baseArea + given.perimeter * rise * (k + 0.5));
          filled += (given.voids * given.baseArea * rise) / (inflow - loss);
          drained += (given.voids * given.baseArea * rise) / loss;
        }
        expect(drainTime! / drained).toBeCloseTo(1, 4);
        if (fillTime !== null && inflow > 1.05 * given.conductivity * (given.baseArea + given.perimeter * given.height))
          expect(fillTime / filled).toBeCloseTo(1, 4);
      }),
      { numRuns: 60 },
    );
  });

  it('a storm of blocks brings just what the table says, its worst in the middle', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60 }), between(60, 1800), (half, step) => {
        const count = 2 * half + 1;
        const blocks = alternatingBlock(table, step, count);
        const depth = blocks.reduce((sum, each) => sum + each * step, 0);
        const whole = Math.max(
          ...Array.from({ length: count }, (_, k) => intensityOf(table, (k + 1) * step) * (k + 1) * step),
        );
        expect(depth / whole).toBeCloseTo(1, 9);
        expect(blocks[half]).toBe(Math.max(...blocks));
      }),
    );
  });

  it('a pond loses no drop, and more rain never lowers it', () => {
    const pond = { levels: [0, 0.2, 0.5, 1], volumes: [0, 4, 14, 40], outflows: [0, 0.003, 0.01, 0.4] };
    fc.assert(
      fc.property(fc.array(between(0, 0.02), { minLength: 2, maxLength: 20 }), between(60, 900), (inflows, step) => {
        const came = inflows.slice(1).reduce((sum, each, k) => sum + ((each + inflows[k]!) / 2) * step, 0);
        const routed = routePond(pond, inflows, step);
        expect(routed.volumeOut + routed.volumeLeft).toBeCloseTo(came, 9);
        const more = routePond(
          pond,
          inflows.map((each) => each * 1.2),
          step,
        );
        expect(more.peakLevel).toBeGreaterThanOrEqual(routed.peakLevel - 1e-12);
      }),
    );
  });
});
