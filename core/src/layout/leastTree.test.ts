/** The cheapest tree, against every tree there is. */
import fc from 'fast-check';
import { stepsOf, type CostGrid } from './costGrid';
import { leastForest, leastTree } from './leastTree';

const gridOf = (rows: readonly (readonly (number | null)[])[], cell = 1): CostGrid => ({
  cols: rows[0]!.length,
  rows: rows.length,
  cell,
  costs: Float64Array.from(rows.flat(), (cost) => cost ?? Infinity),
});

function eachStep(grid: CostGrid, at: number, to: (beside: number, cost: number) => void): void {
  const steps = stepsOf(grid);
  for (let k = steps.first[at]!; k < steps.first[at + 1]!; k++) to(steps.to[k]!, steps.cost[k]!);
}

/** Least spanning tree of some cells, by Prim; ∞ where they do not hang together. */
function spanning(grid: CostGrid, cells: ReadonlySet<number>): number {
  const [first] = cells;
  const near = new Map<number, number>([[first!, 0]]);
  const done = new Set<number>();
  let sum = 0;
  while (done.size < cells.size) {
    let best: number | null = null;
    for (const [cell, cost] of near) if (!done.has(cell) && (best === null || cost < near.get(best)!)) best = cell;
    if (best === null) return Infinity;
    done.add(best);
    sum += near.get(best)!;
    eachStep(grid, best, (beside, cost) => {
      if (cells.has(beside) && !done.has(beside) && cost < (near.get(beside) ?? Infinity)) near.set(beside, cost);
    });
  }
  return sum;
}

/** The least over every set of further cells that a tree may run through. */
function bruteForce(grid: CostGrid, root: number, ends: readonly number[]): number {
  const must = new Set([root, ...ends]);
  const free = [...grid.costs.keys()].filter((at) => !must.has(at) && grid.costs[at]! < Infinity);
  if ([...must].some((at) => grid.costs[at] === Infinity)) return Infinity;
  let least = Infinity;
  for (let set = 0; set < 1 << free.length; set++) {
    const cells = new Set([...must, ...free.filter((_, k) => (set >> k) & 1)]);
    least = Math.min(least, spanning(grid, cells));
  }
  return least;
}

const yards = fc
  .record({ cols: fc.integer({ min: 2, max: 4 }), rows: fc.integer({ min: 1, max: 3 }) })
  .chain(({ cols, rows }) =>
    fc.record({
      rows: fc.array(
        fc.array(
          fc.oneof(
            { weight: 5, arbitrary: fc.integer({ min: 1, max: 9 }) },
            { weight: 1, arbitrary: fc.constant(null) },
          ),
          {
            minLength: cols,
            maxLength: cols,
          },
        ),
        { minLength: rows, maxLength: rows },
      ),
      root: fc.nat({ max: cols * rows - 1 }),
      ends: fc.array(fc.nat({ max: cols * rows - 1 }), { minLength: 1, maxLength: 4 }),
    }),
  );

it('is as cheap as the cheapest of all trees, by brute force over 500 yards, and its steps cost what it says', () => {
  fc.assert(
    fc.property(yards, ({ rows, root, ends }) => {
      const grid = gridOf(rows);
      const tree = leastTree(grid, root, ends);
      const least = bruteForce(grid, root, ends);
      expect(tree?.cost ?? Infinity).toBeCloseTo(least, 9);
      if (!tree) return;
      let sum = 0;
      for (const [from, to] of tree.next) eachStep(grid, from, (beside, cost) => (sum += beside === to ? cost : 0));
      expect(sum).toBeCloseTo(tree.cost, 9);
      for (const end of ends) {
        let at = end;
        for (let k = 0; at !== root && k <= grid.costs.length; k++) at = tree.next.get(at)!;
        expect(at).toBe(root);
      }
    }),
    { numRuns: 500 },
  );
}, 120_000);

it('costs the same however the yard is turned or mirrored', () => {
  fc.assert(
    fc.property(yards, ({ rows, root, ends }) => {
      const cols = rows[0]!.length;
      const cost = leastTree(gridOf(rows), root, ends)?.cost ?? Infinity;
      const mirrored = rows.map((row) => [...row].reverse());
      const mirror = (at: number): number => Math.floor(at / cols) * cols + (cols - 1 - (at % cols));
      expect(leastTree(gridOf(mirrored), mirror(root), ends.map(mirror))?.cost ?? Infinity).toBeCloseTo(cost, 9);
      const turned = rows[0]!.map((_, c) => rows.map((row) => row[c]!));
      const turn = (at: number): number => (at % cols) * rows.length + Math.floor(at / cols);
      expect(leastTree(gridOf(turned), turn(root), ends.map(turn))?.cost ?? Infinity).toBeCloseTo(cost, 9);
    }),
    { numRuns: 100 },
  );
});

it('of two roots each end has the one that is best for all together, by every way to part them', () => {
  fc.assert(
    fc.property(yards, fc.nat(), ({ rows, root, ends }, pick) => {
      const grid = gridOf(rows);
      const other = pick % grid.costs.length;
      const some = [...new Set(ends)].slice(0, 3);
      const costOf = (to: number, of: readonly number[]): number =>
        of.length === 0 ? 0 : (leastTree(grid, to, of)?.cost ?? Infinity);
      let least = Infinity;
      for (let set = 0; set < 1 << some.length; set++) {
        const part = (bit: number): number[] => some.filter((_, k) => ((set >> k) & 1) === bit);
        least = Math.min(least, costOf(root, part(0)) + costOf(other, part(1)));
      }
      expect(leastForest(grid, [root, other], some)?.cost ?? Infinity).toBeCloseTo(least, 9);
    }),
    { numRuns: 200 },
  );
});
