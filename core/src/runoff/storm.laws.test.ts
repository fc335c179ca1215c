/** Laws of what soaks in and of what runs off a plane, each against a plain walk in small steps. */
import fc from 'fast-check';
import { greenAmpt } from './greenAmpt';
import { equilibriumTime, flowAtFoot } from './kinematicPlane';

const soil = fc.record({
  conductivity: fc.double({ min: 1e-7, max: 5e-5, noNaN: true }),
  suction: fc.double({ min: 0.02, max: 0.4, noNaN: true }),
  deficit: fc.double({ min: 0.01, max: 0.4, noNaN: true }),
  intensity: fc.double({ min: 1e-6, max: 5e-5, noNaN: true }),
  duration: fc.double({ min: 60, max: 20_000, noNaN: true }),
});

/** Taken in step by step: as much as falls, or as the front lets through. */
function walked({ conductivity, suction, deficit, intensity, duration }: Parameters<typeof greenAmpt>[0]): number {
  const steps = 20_000;
  const step = duration / steps;
  let taken = 1e-12;
  for (let k = 0; k < steps; k++) {
    const rate = Math.min(intensity, conductivity * (1 + (suction * deficit) / taken));
    const half = taken + (rate * step) / 2;
    taken += Math.min(intensity, conductivity * (1 + (suction * deficit) / half)) * step;
  }
  return taken;
}

describe('soft ground', () => {
  it('takes in what a walk in twenty thousand steps takes in', () => {
    fc.assert(
      fc.property(soil, (given) => {
        const { infiltrated } = greenAmpt(given);
        expect(Math.abs(infiltrated - walked(given)) / infiltrated).toBeLessThan(1e-3);
      }),
      { numRuns: 15, seed: 1 },
    );
  });

  it('loses nothing, and takes no less of a harder or a longer rain, or where there is more room', () => {
    fc.assert(
      fc.property(soil, (given) => {
        const { infiltrated, runoff, pondingTime } = greenAmpt(given);
        expect(infiltrated + runoff).toBeCloseTo(given.intensity * given.duration, 12);
        expect(runoff).toBeGreaterThanOrEqual(0);
        expect(runoff > 0).toBe(pondingTime !== null);
        const more = [
          { intensity: 1.3 * given.intensity },
          { duration: 1.3 * given.duration },
          { deficit: 1.3 * given.deficit },
        ];
        for (const each of more)
          expect(greenAmpt({ ...given, ...each }).infiltrated).toBeGreaterThanOrEqual(infiltrated * (1 - 1e-12));
      }),
      { numRuns: 500, seed: 1 },
    );
  });

  it('soaked through takes what it conducts and no more', () => {
    const given = { conductivity: 2e-6, suction: 0.2, intensity: 1e-5, duration: 3600 };
    expect(greenAmpt({ ...given, deficit: 0 })).toEqual({
      pondingTime: 0,
      infiltrated: 2e-6 * 3600,
      runoff: expect.closeTo(8e-6 * 3600, 12),
    });
    expect(greenAmpt({ ...given, intensity: 0, deficit: 0.2 })).toEqual({
      pondingTime: null,
      infiltrated: 0,
      runoff: 0,
    });
  });
});

const plane = fc.record({
  length: fc.double({ min: 2, max: 60, noNaN: true }),
  slope: fc.double({ min: 0.005, max: 0.3, noNaN: true }),
  roughness: fc.double({ min: 0.01, max: 0.3, noNaN: true }),
  intensity: fc.double({ min: 1e-6, max: 5e-5, noNaN: true }),
  duration: fc.double({ min: 60, max: 5000, noNaN: true }),
});

it('all that falls on a plane leaves at its foot, and never faster than it falls', () => {
  fc.assert(
    fc.property(plane, (given) => {
      const { length, intensity, duration } = given;
      const last = 60 * Math.max(duration, equilibriumTime(given));
      const steps = 4000;
      let [gone, before, at, most] = [0, 0, 0, 0];
      for (let k = 1; k <= steps; k++) {
        // Finer while it changes fast.
        const time = last * (k / steps) ** 3;
        const flow = flowAtFoot(given, time);
        most = Math.max(most, flow);
        gone += ((flow + before) / 2) * (time - at);
        [before, at] = [flow, time];
      }
      expect(most).toBeLessThanOrEqual(intensity * length * (1 + 1e-9));
      const fell = intensity * duration * length;
      // What is left on it thins out by a power of time and never quite ends.
      expect(gone / fell).toBeGreaterThan(0.97);
      expect(gone / fell).toBeLessThan(1.001);
    }),
    { numRuns: 30, seed: 1 },
  );
});
