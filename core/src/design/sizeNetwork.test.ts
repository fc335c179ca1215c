import fc from 'fast-check';
import { randomJob } from '../testing/randomJob';
import { runnersUp, sizeNetwork, type SizingInput } from './sizeNetwork';
import { buildTree, NONE } from '../network/tree';
import { landingsOf, ofKind } from '../job';

const SIZES = [0.1, 0.15, 0.2];

/** Every choice of sizes, one by one: the cheapest that falls nowhere, carries everything and reaches the outlet. */
function exhaustive({ tree, sizes, slopeOf, allowed, control, cost }: SizingInput): number {
  let best = Number.POSITIVE_INFINITY;
  const chosen = new Array<number>(tree.runs.length).fill(0);
  const price = (): number => {
    const crown = Float64Array.from(allowed, (level, at) =>
      tree.leaving[at] === NONE ? Number.POSITIVE_INFINITY : level,
    );
    for (let at = 0; at < tree.landings.length; at++) {
      const run = tree.leaving[at]!;
      if (run === NONE) continue;
      const slope = slopeOf(run, chosen[run]!);
      if (slope === null || tree.arriving[at]!.some((above) => chosen[above]! > chosen[run]!))
        return Number.POSITIVE_INFINITY;
      crown[tree.lower[run]!] = Math.min(crown[tree.lower[run]!]!, crown[at]! - slope * tree.runs[run]!.length);
    }
    let sum = 0;
    // All that come to a landing meet its crown, which the deepest of them sets.
    for (let run = 0; run < tree.runs.length; run++) {
      const foot = tree.lower[run]!;
      if (tree.leaving[foot] === NONE && crown[foot]! - chosen[run]! < control(foot) - 1e-9)
        return Number.POSITIVE_INFINITY;
      sum += cost(run, chosen[run]!, crown[tree.upper[run]!]!, crown[foot]!);
    }
    return sum;
  };
  const choose = (run: number): void => {
    if (run === tree.runs.length) {
      best = Math.min(best, price());
      return;
    }
    for (const size of sizes) {
      chosen[run] = size;
      choose(run + 1);
    }
  };
  choose(0);
  return best;
}

const inputs = fc
  .tuple(
    randomJob({ byHand: false }),
    fc.array(fc.double({ min: 0.5, max: 3, noNaN: true }), { minLength: 14, maxLength: 14 }),
    fc.double({ min: -14, max: -2, noNaN: true }),
  )
  .filter(([job]) => job.elements.all.filter((element) => element.kind === 'run').length <= 6)
  .map(([job, weights, control]): SizingInput => {
    const tree = buildTree(landingsOf(job), ofKind(job, 'run'));
    return {
      tree,
      sizes: SIZES,
      allowed: Float64Array.from(tree.landings, (landing) => landing.groundLevel - 0.3),
      control: () => control,
      // Steeper when small, and too small for some runs at any pitch.
      slopeOf: (run, size) =>
        weights[run]! > 2.8 && size < 0.12 ? null : Math.max(0.005, (0.004 * weights[run]!) / (size / 0.1) ** 5),
      cost: (run, size, up, down) =>
        tree.runs[run]!.length *
        (10 * size * weights[run]! + 2 * Math.max(0, 3 - up) + 2 * Math.max(0, 3 - down) ** 1.5),
    };
  });

it('costs what the best of all choices costs, tried one by one, and is impossible just where all of them are', () => {
  let possible = 0;
  fc.assert(
    fc.property(inputs, (input) => {
      const found = sizeNetwork(input);
      const wanted = exhaustive(input);
      if (Number.isFinite(wanted)) possible++;
      expect(found?.cost ?? Number.POSITIVE_INFINITY).toBeCloseTo(wanted, 8);
    }),
    { numRuns: 300 },
  );
  expect(possible).toBeGreaterThan(20);
});

it('gives other choices, none cheaper', () => {
  fc.assert(
    fc.property(inputs, (input) => {
      const best = sizeNetwork(input);
      if (!best) return;
      for (const other of runnersUp(input, best, 3)) {
        expect(other.cost).toBeGreaterThanOrEqual(best.cost - 1e-9);
        expect(other.sizes.join()).not.toBe(best.sizes.join());
      }
    }),
  );
});
