/**
 * The exactly cheapest trenches from some ends to one root or several over a grid of costs: S(D, v) is the least that joins the ends D at the
 * cell v, over all ways to part D in two there and all ways to come to v from beside (Dreyfus & Wagner 1971, Networks 1; the step over
 * shortest ways as Erickson, Monma & Veinott 1987, Math. Oper. Res. 12). 3^k n + 2^k n log n for k ends on n cells. Of several roots each
 * part of the ends has the one that is best for it, over all ways to part them.
 */
import { FIRST, spread } from './cheapest';
import { stepsOf, type CostGrid, type Steps } from './costGrid';

/** Ends that are joined exactly; more take too long. */
export const EXACT = 8;

export interface Lines {
  cost: number;
  /** By cell of the lines the next on its way to a root; a root has none. */
  next: ReadonlyMap<number, number>;
}

/** Costs and how each came, of one set of ends. */
interface Joined {
  cost: Float64Array;
  /** Cell that it came from, or FIRST where two sets meet, or an end stands. */
  before: Int32Array;
  /** One of the two sets that meet there; 0 where none do. */
  part: Uint16Array;
}

/** The tree from `ends` to `root`, all by cell; null where one of them cannot be reached. Ends that stand in one cell, or on the root, count once. */
export const leastTree = (grid: CostGrid, root: number, ends: readonly number[]): Lines | null =>
  leastForest(grid, [root], ends);

/** Lines from `ends` to `roots`, all by cell, `EXACT` ends at most; null where one of them reaches none. `steps`: those of the grid, where they are at hand. */
export function leastForest(
  grid: CostGrid,
  roots: readonly number[],
  ends: readonly number[],
  steps: Steps = stepsOf(grid),
): Lines | null {
  const open = roots.filter((at) => grid.costs[at]! < Infinity);
  const own = [...new Set(ends)].filter((end) => !open.includes(end));
  if (own.length > EXACT) throw new RangeError(`No more than ${EXACT} ends are joined exactly.`);
  if (own.some((end) => grid.costs[end] === Infinity)) return null;
  const sets = joinedSets(steps, grid.costs.length, own);
  const count = 1 << own.length;
  const cost = new Float64Array(count).fill(Infinity);
  const root = new Int32Array(count);
  const part = new Int32Array(count);
  cost[0] = 0;
  for (let set = 1; set < count; set++) {
    for (const at of open) if (sets[set]!.cost[at]! < cost[set]!) [cost[set], root[set]] = [sets[set]!.cost[at]!, at];
    for (let sub = (set - 1) & set; sub > 0; sub = (sub - 1) & set)
      if (cost[sub]! + cost[set ^ sub]! < cost[set]!) [cost[set], part[set]] = [cost[sub]! + cost[set ^ sub]!, sub];
  }
  const all = count - 1;
  if (cost[all] === Infinity) return null;
  const next = new Map<number, number>();
  const left = all > 0 ? [all] : [];
  for (let set = left.pop(); set !== undefined; set = left.pop())
    if (part[set]! > 0) left.push(part[set]!, set ^ part[set]!);
    else layWays(next, sets, set, root[set]!);
  for (const at of open) next.delete(at);
  return { cost: cost[all]!, next };
}

/** Of every set of ends, by its bits, what it costs to join them at each cell. */
function joinedSets(steps: Steps, size: number, ends: readonly number[]): Joined[] {
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

/** Back from a root: each cell of the tree of a set with the next on its way there. */
function layWays(next: Map<number, number>, sets: readonly Joined[], all: number, root: number): void {
  const open: [number, number][] = [[all, root]];
  for (let each = open.pop(); each; each = open.pop()) {
    const [set, at] = each;
    const { before, part } = sets[set]!;
    const from = before[at]!;
    if (from !== FIRST) {
      // Two parts that are joined may run through the same cells, and then share their way on.
      if (!next.has(from)) next.set(from, at);
      open.push([set, from]);
    } else if (part[at]! > 0) open.push([part[at]!, at], [set ^ part[at]!, at]);
  }
}
