import fc from 'fast-check';
import type { Arrival } from '../runoff/sources';
import { randomJob } from '../testing/randomJob';
import { ROOF_DURATION } from '../rain/intensityOfRain';
import { designFlows } from './designFlow';
import { buildTree, NONE } from './tree';
import { landingsOf, ofKind } from '../job';
import { out } from '../testing/parts';

/** A rain that weakens as storms do. */
const falling = (duration: number): number => 4e-5 * (ROOF_DURATION / duration) ** 0.7;
const part = fc.record({
  time: fc.integer({ min: 0, max: 3000 }),
  area: fc.double({ min: 0.1, max: 500, noNaN: true }),
});
const network = fc
  .tuple(randomJob({ byHand: false }), fc.array(fc.array(part, { maxLength: 4 }), { minLength: 16, maxLength: 16 }))
  .map(([job, parts]) => {
    const tree = buildTree(landingsOf(job), ofKind(job, 'run'));
    return { tree, entering: tree.landings.map((_, at): Arrival[] => parts[at]!) };
  });
interface Given {
  tree: ReturnType<typeof buildTree>;
  entering: Arrival[][];
}
const solved = ({ tree, entering }: Given, more: Partial<Parameters<typeof designFlows>[0]> = {}) =>
  designFlows({
    tree,
    entering,
    fixed: new Float64Array(tree.landings.length),
    intensityOf: falling,
    travelTime: (run) => tree.runs[run]!.length,
    ...more,
  });

it('is intensity times all of the area when all of it answers at once', () => {
  fc.assert(
    fc.property(network, (given) => {
      const atOnce = {
        ...given,
        entering: given.entering.map((parts) => parts.map(({ area }) => ({ time: 0, area }))),
      };
      const { flow, area } = solved(atOnce, { travelTime: () => 0 });
      const outlet = given.tree.landings.findIndex((_, at) => given.tree.leaving[at] === NONE);
      const all = given.entering.flat().reduce((sum, each) => sum + each.area, 0);
      expect(area[outlet]).toBeCloseTo(all, 6);
      expect(flow[outlet]).toBeCloseTo(all * falling(ROOF_DURATION), 9);
    }),
  );
});

it('lies between what the latest part alone would give and what all would give at once', () => {
  fc.assert(
    fc.property(network, (given) => {
      const { flow, time } = solved(given);
      const outlet = given.tree.landings.findIndex((_, at) => given.tree.leaving[at] === NONE);
      const all = given.entering.flat().reduce((sum, each) => sum + each.area, 0);
      expect(flow[outlet]!).toBeLessThanOrEqual(all * falling(ROOF_DURATION) + 1e-12);
      if (all > 0) expect(time[outlet]!).toBeGreaterThanOrEqual(ROOF_DURATION);
      const latest =
        Math.max(ROOF_DURATION, ...given.entering.flat().map((each) => each.time)) +
        given.tree.runs.reduce((sum, run) => sum + run.length, 0);
      expect(flow[outlet]!).toBeGreaterThanOrEqual(all * falling(latest) - 1e-12);
    }),
  );
});

it('never falls when something more is led in, at any time', () => {
  fc.assert(
    fc.property(network, part, fc.nat(100), (given, extra, where) => {
      const at = where % given.tree.landings.length;
      const before = solved(given, { travelTime: () => 60 }).flow;
      const after = solved(
        { ...given, entering: given.entering.map((parts, k) => (k === at ? [...parts, extra] : parts)) },
        { travelTime: () => 60 },
      ).flow;
      before.forEach((flow, k) => expect(after[k]!).toBeGreaterThanOrEqual(flow * (1 - 1e-9)));
    }),
  );
});

it('carries fixed flows on to the outlet, whatever the rain', () => {
  fc.assert(
    fc.property(network, (given) => {
      const fixed = Float64Array.from(given.tree.landings, (_, at) => at * 1e-4);
      const outlet = given.tree.landings.findIndex((_, at) => given.tree.leaving[at] === NONE);
      const dry = solved({ ...given, entering: given.entering.map(() => []) }, { fixed }).flow;
      expect(dry[outlet]).toBeCloseTo(
        fixed.reduce((sum, flow) => sum + flow, 0),
        12,
      );
    }),
  );
});

/** All that comes to a landing, by walking up: its own parts, and those from above as much later as their run takes. */
function allParts({ tree, entering }: Given, at: number): Arrival[] {
  return [
    ...entering[at]!,
    ...tree.arriving[at]!.flatMap((run) =>
      allParts({ tree, entering }, tree.upper[run]!).map(({ time, area }) => ({
        time: time + 30 + tree.runs[run]!.length,
        area,
      })),
    ),
  ];
}

it('is at every landing the worst of all times, each taken in turn, or what the worst pipe above brings', () => {
  const met = { own: 0, above: 0 };
  fc.assert(
    fc.property(network, (given) => {
      const { tree } = given;
      const fixed = Float64Array.from(tree.landings, (_, at) => at * 1e-5);
      const out = solved(given, { fixed, travelTime: (run) => 30 + tree.runs[run]!.length });
      /** Worst of a landing's own times, and of all above it. */
      const worst = (at: number): { own: number; all: number } => {
        const parts = allParts(given, at);
        const own = Math.max(
          0,
          ...parts.map(({ time }) => {
            const area = parts.filter((part) => part.time <= time).reduce((sum, part) => sum + part.area, 0);
            return area * falling(Math.max(ROOF_DURATION, time));
          }),
        );
        return { own, all: Math.max(own, ...tree.arriving[at]!.map((run) => worst(tree.upper[run]!).all)) };
      };
      const fixedAt = (at: number): number =>
        fixed[at]! + tree.arriving[at]!.reduce((sum, run) => sum + fixedAt(tree.upper[run]!), 0);
      tree.landings.forEach((_, at) => {
        const { own, all } = worst(at);
        expect(out.fixed[at]).toBeCloseTo(fixedAt(at), 12);
        const ofRain = out.flow[at]! - out.fixed[at]!;
        expect(out.intensity[at]! * out.area[at]!).toBeCloseTo(ofRain, 12);
        if (all > 0) {
          expect(out.time[at]!).toBeGreaterThanOrEqual(ROOF_DURATION);
          expect(out.intensity[at]).toBeCloseTo(falling(out.time[at]!), 12);
        }
        expect(ofRain).toBeCloseTo(all, 12);
        if (all > own) met.above++;
        else met.own++;
      });
    }),
    { numRuns: 60, seed: 2, endOnFailure: true },
  );
  expect(met.above).toBeGreaterThan(5);
  expect(met.own).toBeGreaterThan(20);
});

it('of hundreds of parts joins those whose time matters least: never less than each by itself gives, and 2 % more at most', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ time: fc.integer({ min: 0, max: 3600 }), area: fc.integer({ min: 1, max: 400 }) }), {
        minLength: 100,
        maxLength: 300,
        size: 'max',
      }),
      (parts) => {
        const tree = buildTree([{ ...out(), id: 'n0' }], []);
        const { flow } = solved({ tree, entering: [parts] });
        const exact = Math.max(
          ...parts.map(
            ({ time }) =>
              falling(Math.max(ROOF_DURATION, time)) *
              parts.filter((part) => part.time <= time).reduce((sum, { area }) => sum + area, 0),
          ),
        );
        expect(flow[0]!).toBeGreaterThanOrEqual(exact - 1e-12);
        expect(flow[0]!).toBeLessThanOrEqual(1.02 * exact);
      },
    ),
    { numRuns: 20, seed: 6, endOnFailure: true, unbiased: true },
  );
});
