/** Water poured into a line, against what is known of it: uniform flow, the volume under it, and pipes followed over time by other equations. */
import fc from 'fast-check';
import { normalDepth } from '../../hydraulics/pipe';
import { flowArea } from '../../hydraulics/backwater';
import { PipeFlow } from '../../simulation/pipes/pipeFlow';
import { basin, ground, jobOf, node, out, pipe } from '../../testing/parts';
import { planJob } from '../../verdict/planJob';
import type { Fault } from './inLine';
import { poured, type Unknown } from './poured';
import { wayDown, type WayDown } from './wayDown';

const USUAL: Unknown = { full: 0, rough: 1 };
const ROUGH = 0.01;

/** From a basin over a wye to a swale: 30 m of 6 in pipe at 1 %, and 20 m at 2 %; beside it a lower basin comes in at the wye. */
const line = (more: object = {}): WayDown => {
  const job = jobOf(
    ground(50, 'basin'),
    basin({ groundLevel: 0.4, sumpDepth: 0.2 }),
    basin({ id: 'low', name: 'Low', groundLevel: -0.1 }),
    node('wye', { id: 'wye', groundLevel: 0.3 }),
    out({ groundLevel: -1.5, ...more }),
    pipe('basin', { to: 'wye', length: 30, grade: { type: 'levels', up: -0.3, down: -0.6 } }),
    pipe('low', { to: 'wye', length: 5, grade: { type: 'levels', up: -0.5, down: -0.6 } }),
    pipe('wye', { length: 20, grade: { type: 'levels', up: -0.6, down: -1 } }),
  );
  return wayDown(job, planJob(job), 'basin')!;
};
const HOSE = 0.0005;
const fault = (more: Partial<Fault> & Pick<Fault, 'kind'>): Fault => more as Fault;

it('shows when what lies under uniform flow has been poured in, and the sump below it', () => {
  const under = (length: number, slope: number): number => {
    const { depth } = normalDepth({ flow: HOSE, diameter: 0.1524, slope, roughness: ROUGH });
    return length * flowArea(depth, 0.1524);
  };
  const sump = (1.219 / 4) ** 2 * 0.2;
  const { shows, out: comes, up } = poured(line(), HOSE, USUAL);
  expect(shows! / ((under(30, 0.01) + under(20, 0.02) + sump) / HOSE)).toBeCloseTo(1, 1);
  expect([comes, up]).toEqual([HOSE, null]);
  // A sump that was full needs no filling.
  expect(shows! - poured(line(), HOSE, { full: 1, rough: 1 }).shows!).toBeCloseTo(sump / HOSE, 6);
});

it.each([0.0002, 0.0005, 0.002])('%d m³/s comes as soon as in pipes that are followed over time', (flow) => {
  const job = jobOf(
    ground(50, 'basin'),
    basin(),
    out({ groundLevel: -1.2 }),
    pipe('basin', { length: 40, grade: { type: 'levels', up: -0.5, down: -1 } }),
  );
  const way = wayDown(job, planJob(job), 'basin')!;
  const end = { floor: 0, rim: 9, area: 0.001, overRim: 0, loss: 0 };
  const [{ diameter, roughness }] = way.pipes as [WayDown['pipes'][0]];
  const flows = new PipeFlow(
    [{ ...end, floor: 0.5 }, end],
    [{ from: 0, to: 1, length: 40, diameter, roughness, invertUp: 0.5, invertDown: 0, parallel: 1 }],
  );
  let half = 0;
  while (half < 2000 && flows.step(0.5, [flow, 0], [NaN, 0]) < (0.5 * flow) / 2) half += 0.5;
  expect(poured(way, flow, USUAL).shows! / half).toBeGreaterThan(0.9);
  expect(poured(way, flow, USUAL).shows! / half).toBeLessThan(1.15);
});

it('more water comes sooner, rougher walls later, and nothing is made of nothing', () => {
  const way = line();
  fc.assert(
    fc.property(
      fc.double({ min: 1e-4, max: 3e-3, noNaN: true }),
      fc.double({ min: 1.05, max: 3, noNaN: true }),
      (flow, times) => {
        const one = poured(way, flow, USUAL);
        expect(poured(way, flow * 1.3, USUAL).shows!).toBeLessThan(one.shows!);
        expect(poured(way, flow, { full: 0, rough: times }).shows!).toBeGreaterThan(one.shows!);
        expect(one.out).toBe(flow);
      },
    ),
    { numRuns: 60 },
  );
});

it('what is shut comes up at the lowest mouth above it, after what lies between has filled', () => {
  const shut = fault({ kind: 'blocked', run: 'pipe-wye', along: 10, share: 1 });
  const { shows, out: comes, up } = poured(line(), HOSE, USUAL, shut);
  // At the side basin, whose grate lies half a metre below the one that is poured into.
  expect([shows, comes, up!.id]).toEqual([null, 0, 'low']);
  const full = (length: number): number => length * flowArea(1, 0.1524);
  expect(up!.after).toBeGreaterThan(full(10 + 5) / HOSE);
  expect(up!.after).toBeLessThan(full(10 + 5 + 32) / HOSE);
  // On another line it is nothing to this one.
  expect(poured(line(), HOSE, USUAL, { ...shut, run: 'elsewhere' } as Fault)).toEqual(poured(line(), HOSE, USUAL));
});

it('a belly keeps back what stands in it; a joint that is open loses its share; a lifted landing dams', () => {
  const sound = poured(line(), HOSE, USUAL).shows!;
  const sag = poured(line(), HOSE, USUAL, fault({ kind: 'sag', run: 'pipe-basin', along: 15, depth: 0.12, over: 6 }));
  expect(sag.shows!).toBeGreaterThan(sound + 20);
  expect(sag.out).toBe(HOSE);
  const open = poured(line(), HOSE, USUAL, fault({ kind: 'open', run: 'pipe-basin', along: 15, share: 0.5 }));
  expect(open.out).toBeCloseTo(HOSE / 2, 12);
  expect(open.shows!).toBeGreaterThan(sound);
  expect(poured(line(), HOSE, USUAL, fault({ kind: 'open', run: 'pipe-basin', along: 15, share: 1 })).shows).toBeNull();
  expect(poured(line(), HOSE, USUAL, fault({ kind: 'lifted', landing: 'wye', by: 0.4 })).shows!).toBeGreaterThan(
    sound + 60,
  );
});

it('behind a pop-up the line stands full or dry before: what stood already is not filled again', () => {
  const way = line({ form: 'popup', groundLevel: -0.7, bank: undefined });
  expect(way.keeps).toBe(true);
  const dry = poured(way, HOSE, { full: 0, rough: 1 }).shows!;
  const full = poured(way, HOSE, { full: 1, rough: 1 }).shows!;
  expect(dry).toBeGreaterThan(1.5 * full);
});
