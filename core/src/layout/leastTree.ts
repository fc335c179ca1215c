/**
 * The exactly cheapest tree of trenches from some ends to one root over a grid of costs: S(D, v) is the least that joins the ends D at the
 * cell v, over all ways to part D in two there and all ways to come to v from beside (Dreyfus & Wagner 1971, Networks 1; the step over
 * shortest ways as Erickson, Monma & Veinott 1987, Math. Oper. Res. 12). 3^k n + 2^k n log n for k ends on n cells.
 */
import { FIRST, spread } from './cheapest';
import { stepsOf, type CostGrid } from './costGrid';

/** Ends of which the cheapest tree is found exactly; more take too long. */
export const EXACT = 8;

export interface Tree {
  cost: number;
  /** By cell of the tree the next on its way to the root; the root itself has none. */
  next: ReadonlyMap<number, number>;
}

/** Costs and how each came, of one set of ends. */
export interface Joined {
  cost: Float64Array;
  /** Cell that it came from, or FIRST where two sets meet, or an end stands. */
  before: Int32Array;
  /** One of the two sets that meet there; 0 where none do. */
  part: Uint16Array;
}

/** The tree from `ends` to `root`, all by cell; null where one of them cannot be reached. Ends that stand in one cell, or on the root, count once. */
export function leastTree(grid: CostGrid, root: number, ends: readonly number[]): Tree | null {
  if (grid.costs[root] === Infinity || ends.some((end) => grid.costs[end] === Infinity)) return null;
  const own = [...new Set(ends)].filter((end) => end !== root);
  if (own.length > EXACT) throw new RangeError(`No more than ${EXACT} ends are joined exactly.`);
  if (own.length === 0) return { cost: 0, next: new Map() };
  const sets = joinedSets(grid, own);
  const all = (1 << own.length) - 1;
  const cost = sets[all]!.cost[root]!;
  return cost === Infinity ? null : { cost, next: waysOf(sets, all, root) };
}

/** Of every set of ends, by its bits, what it costs to join them at each cell. */
export function joinedSets(grid: CostGrid, ends: readonly number[]): Joined[] {
  const size = grid.costs.length;
  const steps = stepsOf(grid);
  const sets: Joined[] = [];
  for (let set = 1; set < 1 << ends.length; set++) {
    const cost = new Float64Array(size).fill(Infinity);
    const part = new Uint16Array(size);
    const before = new Int32Array(size).fill(FIRST);
    if ((set & (set - 1)) === 0) cost[ends[Math.log2(set)]!] = 0;
    // Each pair of parts once: the one with the lowest end.
    const low = set & -set;
    for (let sub = (set - 1) & set; sub > 0; sub = (sub - 1) & set) {
      if ((sub & low) === 0) continue;
      const [one, other] = [sets[sub]!.cost, sets[set ^ sub]!.cost];
      for (let at = 0; at < size; at++) {
        const sum = one[at]! + other[at]!;
        if (sum < cost[at]!) {
          cost[at] = sum;
          part[at] = sub;
        }
      }
    }
    spread(steps, cost, before);
    sets[set] = { cost, before, part };
  }
  return sets;
}

/** Back from the root: each cell of the tree with the next on its way there. */
export function waysOf(sets: readonly Joined[], all: number, root: number): Map<number, number> {
  const next = new Map<number, number>();
  const open: [number, number][] = [[all, root]];
  for (let each = open.pop(); each; each = open.pop()) {
    const [set, at] = each;
    const { before, part } = sets[set]!;
    const from = before[at]!;
    if (from !== FIRST) {
      // Two parts of one cheapest tree may run through the same cells, and then share their way on.
      if (!next.has(from)) next.set(from, at);
      open.push([set, from]);
    } else if (part[at]! > 0) open.push([part[at]!, at], [set ^ part[at]!, at]);
  }
  next.delete(root);
  return next;
}
