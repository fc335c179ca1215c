import fc from 'fast-check';
import type { Arrival } from '../runoff/sources';
import { randomJob } from '../testing/randomJob';
import { ROOF_DURATION } from '../rain/intensityOfRain';
import { designFlows } from './designFlow';
import { buildTree, NONE } from './tree';
import { landingsOf, ofKind } from '../job';

/** A rain that weakens as storms do. */
const falling = (duration: number): number => 4e-5 * (ROOF_DURATION / duration) ** 0.7;
const part = fc.record({
  time: fc.double({ min: 0, max: 3000, noNaN: true }),
  area: fc.double({ min: 0.1, max: 500, noNaN: true }),
});
const network = fc
  .tuple(randomJob({ byHand: false }), fc.array(fc.array(part, { maxLength: 4 }), { minLength: 16, maxLength: 16 }))
  .map(([job, parts]) => {
    const tree = buildTree(landingsOf(job), ofKind(job, 'run'));
    return { tree, entering: tree.landings.map((_, at): Arrival[] => parts[at]!) };
  });
const solved = (
  { tree, entering }: { tree: ReturnType<typeof buildTree>; entering: Arrival[][] },
  more: Partial<Parameters<typeof designFlows>[0]> = {},
) =>
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
      // Parts kept apart are few: the two nearest in time may be put together at the earlier one, which errs upward.
      before.forEach((flow, k) => expect(after[k]!).toBeGreaterThanOrEqual(flow * 0.98));
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
