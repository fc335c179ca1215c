/** Water down a swale over time, against what is known of it. */
import { swaleCapacity, swaleFlow, wetAt, type SwaleShape } from '../../hydraulics/swaleFlow';
import { basin, ground, jobOf, out, pipe, rain } from '../../testing/parts';
import { culvertOf, swaleOf } from '../../testing/someWorks';
import { planJob } from '../../verdict/planJob';
import { runStorm, type StormTold } from '../stormRun';
import { Reach } from './reach';

const shape: SwaleShape = { section: 'trapezoid', bottomWidth: 0.6, sideSlope: 4, depth: 0.3 };
const depths = Array.from({ length: 61 }, (_, k) => (k / 60) * shape.depth);
const reach = (pitch: number, length = 60): Reach =>
  new Reach({
    length,
    depths,
    areas: depths.map((depth) => (depth > 0 ? wetAt(shape, depth).area : 0)),
    flows: depths.map((depth) => swaleCapacity(shape, depth, pitch, 0.033)),
  });

it.each([
  [0.01, 0.02],
  [0.03, 0.1],
])('on a pitch of %d a steady %d m³/s comes to Manning’s depth, and all of it leaves', (pitch, flow) => {
  const swale = reach(pitch);
  let out = 0;
  for (let t = 0; t < 1800; t += 2) {
    swale.take(2 * flow);
    out = swale.step(2, t).out;
  }
  expect(out).toBeCloseTo(2 * flow, 6);
  expect(swale.deepest).toBeCloseTo(swaleFlow(shape, flow, pitch, 0.033).depth, 3);
});

it('a wave comes to its foot as fast as a kinematic wave runs, whatever the step', () => {
  const [pitch, flow] = [0.02, 0.05];
  const arrives = (dt: number): number => {
    const swale = reach(pitch);
    for (let t = 0; ; t += dt) {
      swale.take(dt * flow);
      if (swale.step(dt, t).out > 0.5 * dt * flow) return t;
    }
  };
  // A front into a dry bed runs as fast as the water behind it.
  const { velocity } = swaleFlow(shape, flow, pitch, 0.033);
  for (const dt of [1, 2, 4]) expect(Math.abs(arrives(dt) - 60 / velocity)).toBeLessThan(0.15 * (60 / velocity));
});

it('what it cannot carry runs over, one that climbs fills and runs over, and nothing is lost', () => {
  for (const [pitch, flow] of [
    [0.005, 0.4],
    [0, 0.05],
    [0.05, 0.01],
  ] as const) {
    const swale = reach(pitch, 20);
    let [came, went] = [0, 0];
    for (let t = 0; t < 1200; t += 2) {
      swale.take(t < 600 ? 2 * flow : 0);
      came += t < 600 ? 2 * flow : 0;
      const { out, over } = swale.step(2, t);
      went += out + over;
    }
    expect(came - went - swale.stored).toBeCloseTo(0, 9);
    expect(swale.spilled > 0).toBe(flow > swaleCapacity(shape, shape.depth, pitch, 0.033));
  }
});

describe('a swale in a storm', () => {
  const storm = (...elements: Parameters<typeof jobOf>): StormTold => {
    const job = jobOf(rain(), ...elements);
    const fall = { step: 60, intensities: new Array<number>(30).fill(5e-5) };
    return runStorm(job, planJob(job), { rain: fall, wetness: 'ordinary', failing: [] });
  };

  it('is as deep as what comes to it makes it, lets it on, and soaks some in', () => {
    const told = storm(ground(400, 'swale'), swaleOf({ soil: 'sandyLoam' }));
    const [swale] = told.led;
    expect(swale!.deepest).toBeCloseTo(swaleFlow(shape, 0.02, 0.02, 0.033).depth, 2);
    expect(swale!.spilled).toBe(0);
    expect(told.balance.soaked).toBeGreaterThan(0.1);
    expect(told.balance.error).toBeLessThan(1e-9);
  });

  it('takes what a pipe lets out into it', () => {
    const told = storm(
      ground(100, 'basin'),
      basin(),
      pipe('basin', { length: 15 }),
      swaleOf(),
      out({ into: 'swale', groundLevel: -0.4 }),
    );
    expect(told.balance.error).toBeLessThan(1e-9);
    expect(told.led[0]!.deepest).toBeGreaterThan(0.02);
    expect(told.balance.out).toBeCloseTo(0, 6);
  });

  it('stands against the pipes that let out into it', () => {
    const fullest = (area: number): number =>
      storm(
        ground(20, 'basin'),
        basin(),
        pipe('basin', { length: 15 }),
        swaleOf(),
        ground(area, 'swale', { id: 'meadow' }),
        out({ into: 'swale', groundLevel: -0.4, controlLevel: -0.6 }),
      ).runs[0]!.fullest;
    expect(fullest(20)).toBeLessThan(0.3);
    // 0.14 m stand in the swale, over a pipe 0.15 m wide that ends on its floor.
    expect(fullest(3000)).toBeGreaterThan(0.6);
  });

  it('runs over at a culvert that is too small, or stopped up', () => {
    const small = storm(ground(4000, 'culvert'), culvertOf({ nominal: 0.2032 }));
    expect(small.led[0]!.spilled).toBeGreaterThan(10);
    expect(small.balance.error).toBeLessThan(1e-9);
    const large = storm(ground(400, 'culvert'), culvertOf());
    expect(large.led[0]!.spilled).toBe(0);
  });
});
