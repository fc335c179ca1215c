/** The least trees against a solver of the same integer program, and what is said to be near to them against them. */
import highs from 'highs';
import fc from 'fast-check';
import { handOf } from '../numeric/dice';
import { stepsOf, type CostGrid } from './costGrid';
import { leastBound } from './leastBound';
import { leastForest, leastTree, type Lines } from './leastTree';
import { nearTree } from './nearTree';

/** A yard of cells from a seed, some barred; and ends and roots that stand in none of those. */
function yardOf(seed: number, side: number, count: number): { grid: CostGrid; ends: number[]; roots: number[] } {
  const hand = handOf(seed);
  const costs = Float64Array.from({ length: side * side }, () =>
    hand.chance(0.12) ? Infinity : 10 + Math.floor(hand.between(0, 30)),
  );
  const free = (): number => {
    const at = Math.floor(hand.between(0, side * side - 1e-9));
    return costs[at]! < Infinity ? at : free();
  };
  const ends = Array.from({ length: count }, free);
  return { grid: { cols: side, rows: side, cell: 1, costs }, ends, roots: [free(), free()] };
}

/** Cost of the steps of some lines, and whether every end comes to a root by them. */
function followed(grid: CostGrid, { next }: Lines, ends: readonly number[], roots: readonly number[]): number {
  const steps = stepsOf(grid);
  let sum = 0;
  for (const [at, on] of next) {
    const k = [...Array(steps.first[at + 1]! - steps.first[at]!).keys()].find(
      (each) => steps.to[steps.first[at]! + each] === on,
    );
    expect(k).toBeDefined();
    sum += steps.cost[steps.first[at]! + k!]!;
  }
  for (const end of ends) {
    let at = end;
    for (let k = 0; !roots.includes(at) && k <= grid.costs.length; k++) at = next.get(at) ?? -1;
    expect(roots).toContain(at);
  }
  return sum;
}

/** Cells that are reached from some, by looking about from each in turn. */
function flooded({ cols, rows, costs }: CostGrid, roots: readonly number[]): Set<number> {
  const isFree = (col: number, row: number): boolean =>
    col >= 0 && row >= 0 && col < cols && row < rows && costs[row * cols + col]! < Infinity;
  const reached = new Set(roots.filter((at) => costs[at]! < Infinity));
  for (const at of reached) {
    const [col, row] = [at % cols, Math.floor(at / cols)];
    for (const right of [-1, 0, 1])
      for (const up of [-1, 0, 1])
        if (isFree(col + right, row + up) && isFree(col + right, row) && isFree(col, row + up))
          reached.add((row + up) * cols + col + right);
  }
  return reached;
}

/** The same as an integer program, in the solver's text: steps are bought, and one unit of each end flows over them to the root. */
function programOf(grid: CostGrid, root: number, ends: readonly number[]): string {
  const { first, to, cost } = stepsOf(grid);
  const [buys, binaries, rows]: string[][] = [[], [], []];
  const balance = new Map<string, string[]>();
  const into = (k: number, at: number, term: string): void =>
    void balance.set(`${k} ${at}`, [...(balance.get(`${k} ${at}`) ?? []), term]);
  for (let at = 0; at < grid.costs.length; at++)
    for (let step = first[at]!; step < first[at + 1]!; step++) {
      const on = to[step]!;
      if (at > on) continue;
      const edge = `x_${at}_${on}`;
      buys!.push(`${cost[step]!} ${edge}`);
      binaries!.push(edge);
      ends.forEach((_, k) => {
        const [there, back] = [`f${k}_${at}_${on}`, `f${k}_${on}_${at}`];
        rows!.push(`${there} + ${back} - ${edge} <= 0`);
        into(k, at, `+ ${there} - ${back}`);
        into(k, on, `+ ${back} - ${there}`);
      });
    }
  ends.forEach((end, k) => {
    for (let at = 0; at < grid.costs.length; at++) {
      if (at === root) continue;
      const terms = balance.get(`${k} ${at}`);
      if (terms) rows!.push(`${terms.join(' ')} = ${at === end ? 1 : 0}`);
    }
  });
  const named = rows!.map((row, k) => `r${k}: ${row}`);
  return `Minimize\n o: ${buys!.join(' + ')}\nSubject To\n ${named.join('\n ')}\nBinary\n ${binaries!.join(' ')}\nEnd\n`;
}

it('is what an independent solver of the same integer program finds, on 30 yards', async () => {
  const solver = await highs();
  let solved = 0;
  for (let seed = 1; solved < 30; seed++) {
    const { grid, ends, roots } = yardOf(seed, 5, 3 + (seed % 2));
    const some = [...new Set(ends)].filter((end) => end !== roots[0]);
    const tree = leastTree(grid, roots[0]!, some);
    if (!tree || some.length < 2) continue;
    const { Status, ObjectiveValue } = solver.solve(programOf(grid, roots[0]!, some));
    expect([seed, Status]).toEqual([seed, 'Optimal']);
    expect(Math.abs(tree.cost - ObjectiveValue)).toBeLessThan(1e-5 * tree.cost);
    solved++;
  }
}, 120_000);

it('the bound is never over the least, and what comes near to it never under; both join every end', () => {
  let [gaps, count] = [0, 0];
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1e6 }), fc.integer({ min: 1, max: 7 }), (seed, many) => {
      const { grid, ends, roots } = yardOf(seed, 9, many);
      const least = leastForest(grid, roots, ends);
      const near = nearTree(grid, roots, ends);
      const bound = leastBound(grid, roots, ends);
      expect([near === null, bound === Infinity]).toEqual([least === null, least === null]);
      if (!least || !near) return;
      expect(bound).toBeLessThanOrEqual(least.cost + 1e-9 * least.cost);
      expect(near.cost).toBeGreaterThanOrEqual(least.cost - 1e-9 * least.cost);
      expect(followed(grid, near, ends, roots)).toBeCloseTo(near.cost, 6);
      expect(followed(grid, least, ends, roots)).toBeCloseTo(least.cost, 6);
      if (least.cost === 0) return;
      gaps += (near.cost - bound) / near.cost;
      count++;
    }),
    { numRuns: 200 },
  );
  // A bound that said nothing would hold, too.
  expect(gaps / count).toBeLessThan(0.05);
});

it('finds a way whenever there is one, and none through what is barred: 1,000 random yards', () => {
  for (let seed = 1; seed <= 1000; seed++) {
    const { grid, ends, roots } = yardOf(seed + 5000, 12, 1 + (seed % 3));
    for (let at = 0; at < grid.costs.length; at++) if (handOf(seed * 7919 + at).chance(0.25)) grid.costs[at] = Infinity;
    const reached = flooded(grid, roots);
    const all = ends.every((end) => reached.has(end));
    const found = leastForest(grid, roots, ends);
    expect([seed, found !== null]).toEqual([seed, all]);
    for (const cells of found?.next ?? []) for (const at of cells) expect(grid.costs[at]).toBeLessThan(Infinity);
  }
});

it('joins 40 ends on 9,000 cells within a tenth of the bound', () => {
  const { grid, ends, roots } = yardOf(11, 95, 40);
  const near = nearTree(grid, roots, ends)!;
  expect(1 - leastBound(grid, roots, ends) / near.cost).toBeLessThan(0.1);
  followed(grid, near, ends, roots);
});
