import { filledShare, normalDepth, pitchForFlow } from './pipe';
import { runFlow } from './runFlow';

const G = 9.80665;

/** Area of a round pipe under a depth, by strips. */
function stripsArea(diameter: number, depth: number): number {
  const steps = 4000;
  let area = 0;
  for (let k = 0; k < steps; k++) {
    const y = ((k + 0.5) * depth) / steps;
    area += (2 * Math.sqrt(y * (diameter - y)) * depth) / steps;
  }
  return area;
}

describe('what a pipe does with its water', () => {
  const pipe = { diameter: 0.1, slope: 0.01, roughness: 0.011, gritSize: 0.0015, leastVelocity: 0.6 };
  const area = (Math.PI * 0.01) / 4;
  const full = (0.025 ** (2 / 3) * 0.1) / 0.011;

  it('half full runs as fast as full, and is cleaned where an ordinary rain drags enough and the design rain is quick enough', () => {
    const half = runFlow({ ...pipe, flow: (full * area) / 2, ordinaryFlow: (full * area) / 2 });
    expect(half).toEqual({
      capacity: expect.closeTo(full * area, 9),
      fullVelocity: expect.closeTo(full, 9),
      depth: expect.closeTo(0.05, 9),
      depthRatio: expect.closeTo(0.5, 9),
      velocity: expect.closeTo(full, 9),
      overloaded: false,
      surcharged: false,
      ordinaryDepth: expect.closeTo(0.05, 9),
      // ρ g R S, and 0.867 × 1.5^0.277 by hand.
      ordinaryShear: expect.closeTo(1000 * G * 0.025 * 0.01, 6),
      criticalShear: expect.closeTo(0.867 * Math.exp(0.277 * Math.log(1.5)), 9),
      cleans: true,
    });
    const flow = (full * area) / 2;
    // Too little of an ordinary rain, or too slow in the design rain, and grit stays; with no water at all there is none.
    expect(runFlow({ ...pipe, flow, ordinaryFlow: flow / 5000 }).cleans).toBe(false);
    expect(runFlow({ ...pipe, flow, ordinaryFlow: flow, leastVelocity: full * 1.001 }).cleans).toBe(false);
    expect(runFlow({ ...pipe, flow, ordinaryFlow: flow, leastVelocity: full * 0.999 }).cleans).toBe(true);
    expect(runFlow({ ...pipe, flow: 0, ordinaryFlow: 0 })).toMatchObject({ cleans: true, depth: 0, overloaded: false });
    expect(runFlow({ ...pipe, flow: full * area * 1.0001, ordinaryFlow: 0 })).toMatchObject({ overloaded: true });
    expect(runFlow({ ...pipe, flow: full * area * (1 - 1e-9), ordinaryFlow: 0 })).toMatchObject({ overloaded: false });
  });

  it.each([0, -0.01])(
    'that falls %f carries nothing, stands full and keeps its grit; dry it wants nothing',
    (slope) => {
      const stands = { capacity: 0, fullVelocity: 0, velocity: 0, ordinaryShear: 0 };
      expect(runFlow({ ...pipe, slope, flow: 0.001, ordinaryFlow: 1e-4 })).toMatchObject({
        ...stands,
        depth: 0.1,
        depthRatio: 1,
        ordinaryDepth: 0.1,
        overloaded: true,
        surcharged: true,
        cleans: false,
      });
      expect(runFlow({ ...pipe, slope, flow: 0, ordinaryFlow: 0 })).toMatchObject({
        ...stands,
        depth: 0,
        depthRatio: 0,
        ordinaryDepth: 0,
        overloaded: false,
        surcharged: false,
        cleans: true,
      });
    },
  );

  it('carries what is asked at the pitch that is said to, and a trickle by the same law', () => {
    const pitch = pitchForFlow({ diameter: 0.1, roughness: 0.011, flow: full * area });
    expect(pitch).toBeCloseTo(0.01, 12);
    expect(pitchForFlow({ diameter: 0.1, roughness: 0.011, flow: 2 * full * area })).toBeCloseTo(0.04, 12);
    // Of a trickle, depth and velocity still make the flow.
    for (const share of [1e-9, 1e-7, 1e-4]) {
      const { depth, velocity } = normalDepth({
        diameter: 0.1,
        slope: 0.01,
        roughness: 0.011,
        flow: share * full * area,
      });
      const wet = stripsArea(0.1, depth);
      expect((wet * velocity) / (share * full * area)).toBeCloseTo(1, 2);
    }
    expect([filledShare(-1), filledShare(0), filledShare(0.5), filledShare(1), filledShare(2)]).toEqual([
      0,
      0,
      expect.closeTo(0.5, 12),
      expect.closeTo(1, 12),
      expect.closeTo(1, 12),
    ]);
  });
});
