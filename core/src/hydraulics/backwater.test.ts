/** The water line in one pipe against its own equation, summed up here in thousands of steps of depth. */
import fc from 'fast-check';
import { backwater, flowArea, freeDepth, leastDepth, type Reach } from './backwater';
import { criticalDepth } from './criticalDepth';
import { fullFlow, normalDepth } from './pipe';

/** Drawn alike all over a range: doubles as such come mostly near nothing. */
const evenly = (min: number, max: number): fc.Arbitrary<number> =>
  fc.integer({ min: 0, max: 100_000 }).map((share) => min + ((max - min) * share) / 100_000);

const G = 9.80665;

/** dx/dy going down the pipe: (1 − F²)/(S0 − Sf). */
function rate({ diameter, roughness, slope, flow }: Reach, depth: number): number {
  const y = Math.min(depth, diameter * (1 - 1e-13));
  const half = Math.acos(1 - (2 * y) / diameter);
  const area = diameter ** 2 * ((half - Math.sin(half) * Math.cos(half)) / 4);
  const friction = (flow * roughness) ** 2 / (area ** 2 * (area / (diameter * half)) ** (4 / 3));
  const froude2 = (flow ** 2 * diameter * Math.sin(half)) / (G * area ** 3);
  return (1 - froude2) / (slope - friction);
}

/** Follows the depth from `from` toward `toward` (normal depth, or the crown) until `room` m are used up; `way` −1 up the pipe, 1 down it. */
function follow(
  reach: Reach,
  from: number,
  toward: number,
  room: number,
  way: -1 | 1,
  asymptotic: boolean,
): { depth: number; used: number } {
  const steps = 5000;
  // Toward normal depth in ever smaller steps, as it is never reached; toward the crown small where it bends.
  const depthAt = (t: number): number =>
    asymptotic ? toward + (from - toward) * Math.exp(-25 * t) : from + (toward - from) * t * t * (3 - 2 * t);
  let used = 0;
  for (let k = 0; k < steps; k++) {
    const [a, b] = [depthAt(k / steps), depthAt((k + 1) / steps)];
    const gained = way * rate(reach, depthAt((k + 0.5) / steps)) * (b - a);
    if (used + gained >= room) return { depth: a + ((b - a) * (room - used)) / gained, used: room };
    used += gained;
  }
  return { depth: toward, used: asymptotic ? room : used };
}

const reaches = fc.record({
  length: evenly(0.5, 60),
  diameter: fc.constantFrom(0.075, 0.1, 0.15, 0.25),
  roughness: fc.constantFrom(0.01, 0.012, 0.016),
  slope: fc.oneof(evenly(-0.004, 0.012), evenly(0.012, 0.06)),
  flow: evenly(0.0005, 0.03),
});

const facts = (reach: Reach) => {
  const uniform = reach.slope > 0 ? normalDepth(reach) : null;
  const full = fullFlow({ ...reach, slope: 1 }).flow;
  return {
    critical: criticalDepth(reach),
    normal: uniform && !uniform.surcharged ? uniform.depth : null,
    pressure: (reach.flow / full) ** 2,
  };
};

it('stands where its own equation, summed in depth, says, in every regime', () => {
  const met = new Map<string, number>();
  fc.assert(
    fc.property(reaches, evenly(0, 3), (reach, share) => {
      const { length, diameter, slope } = reach;
      const level = share * diameter;
      const { critical, normal, pressure } = facts(reach);
      const { depthUp, depthDown, regime } = backwater(reach, level);
      met.set(regime, (met.get(regime) ?? 0) + 1);
      const near = (depth: number, wanted: number, within = 2e-5): void =>
        expect(Math.abs(depth - wanted)).toBeLessThan(within);
      if (normal !== null && normal < critical) {
        // Steep: drawn down from critical at its head, unless the foot drowns it.
        const drawn = follow(reach, critical, normal, length, 1, true).depth;
        near(depthDown, level >= critical ? level : Math.max(level, drawn));
        if (level <= critical) return expect([depthUp, regime]).toEqual([critical, 'steep']);
        const over = level - diameter;
        const allFull = over >= 0 && over >= (slope - pressure) * length;
        if (allFull) {
          near(depthUp, level + (pressure - slope) * length);
          return expect(regime).toBe('full');
        }
        // What is full falls by its friction; from the crown down it comes to critical, and no lower.
        const left = over >= 0 ? length - over / (slope - pressure) : length;
        // Under the crown the section closes at a right angle: even steps in the root of what is open over the water.
        const steps = 5000;
        const [first, last] = [Math.sqrt(Math.max(0, diameter - level)), Math.sqrt(diameter - critical)];
        let [used, y] = [0, diameter - first ** 2];
        for (let k = 0; k < steps && used < left; k++) {
          const [a, b] = [first + ((last - first) * k) / steps, first + ((last - first) * (k + 1)) / steps];
          const gained = (a + b) * rate(reach, diameter - ((a + b) / 2) ** 2) * (b - a);
          y = diameter - (used + gained >= left ? a + ((b - a) * (left - used)) / gained : b) ** 2;
          used += gained;
        }
        near(depthUp, Math.max(y, level - slope * length));
        return expect(regime).toBe('drowned');
      }
      near(depthDown, Math.max(level, critical));
      const over = depthDown - diameter;
      if (over >= 0 && (pressure >= slope || over >= (slope - pressure) * length)) {
        near(depthUp, depthDown + (pressure - slope) * length);
        return expect(regime).toBe('full');
      }
      const left = over >= 0 ? length - over / (slope - pressure) : length;
      const start = Math.min(depthDown, diameter * (1 - 1e-9));
      if (normal !== null && (start <= normal || normal < start)) {
        const toNormal = start <= normal || rate(reach, start) > 0;
        if (toNormal) {
          near(
            depthUp,
            Math.abs(start - normal) < 1e-7 * diameter ? normal : follow(reach, start, normal, left, -1, true).depth,
          );
          return expect(regime).toBe(over >= 0 ? 'filling' : 'partFull');
        }
      }
      const crown = follow(reach, start, diameter, left, -1, false);
      if (crown.depth < diameter) {
        near(depthUp, crown.depth);
        return expect(regime).toBe('partFull');
      }
      // The crown is met at a place found to a step: what is full above it errs by that times its fall.
      expect(Math.abs(depthUp - (diameter + (pressure - slope) * (left - crown.used)))).toBeLessThan(
        1e-4 + 0.01 * pressure,
      );
      return expect(regime).toBe('filling');
    }),
    { numRuns: 130, seed: 7, endOnFailure: true },
  );
  expect([...met.keys()].sort()).toEqual(['drowned', 'filling', 'full', 'partFull', 'steep']);
});

it('leaves a free end, and runs at its shallowest, where it is drawn down to in its length', () => {
  fc.assert(
    fc.property(reaches, (reach) => {
      const { critical, normal } = facts(reach);
      const steep = normal !== null && normal < critical;
      const drawn = steep ? follow(reach, critical, normal, reach.length, 1, true).depth : null;
      expect(Math.abs(freeDepth(reach) - (drawn ?? critical))).toBeLessThan(2e-5);
      expect(Math.abs(leastDepth(reach) - (drawn ?? normal ?? reach.diameter))).toBeLessThan(2e-5);
    }),
    { numRuns: 60, seed: 7, endOnFailure: true },
  );
});

it('without water stands as what is at its foot stands, or dry', () => {
  const dry: Reach = { length: 10, diameter: 0.1, roughness: 0.01, slope: 0.01, flow: 0 };
  expect(backwater(dry, -0.2)).toEqual({ depthUp: 0, depthDown: 0, regime: 'dry' });
  expect(backwater(dry, 0)).toEqual({ depthUp: 0, depthDown: 0, regime: 'dry' });
  expect(backwater(dry, 0.05)).toEqual({ depthUp: 0, depthDown: 0.05, regime: 'partFull' });
  expect(backwater(dry, 0.25)).toEqual({ depthUp: expect.closeTo(0.15, 12), depthDown: 0.25, regime: 'full' });
  expect(backwater(dry, 0.19)).toMatchObject({ depthUp: expect.closeTo(0.09, 12), regime: 'partFull' });
  expect([freeDepth(dry), leastDepth(dry)]).toEqual([0, 0.1]);
});

it('flows through as much as stands under its water, and all of it from the crown up', () => {
  expect(flowArea(0.05, 0.1)).toBeCloseTo((Math.PI * 0.01) / 8, 12);
  expect(flowArea(0.025, 0.1)).toBeCloseTo((0.01 / 4) * (Math.PI / 3 - Math.sqrt(3) / 4), 12);
  expect([flowArea(0.1, 0.1), flowArea(0.3, 0.1)]).toEqual([
    expect.closeTo((Math.PI * 0.01) / 4, 12),
    expect.closeTo((Math.PI * 0.01) / 4, 12),
  ]);
});
