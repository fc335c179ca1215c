/** The exactly cheapest lines from some ends to whichever of several roots each had best run to: trees, one a root, that share nothing. */
import { FIRST } from './cheapest';
import type { CostGrid } from './costGrid';
import { EXACT, joinedSets, waysOf } from './leastTree';

export interface Line {
  root: number;
  /** Ends that run to it. */
  ends: readonly number[];
  /** By cell of the tree the next on its way to the root. */
  next: ReadonlyMap<number, number>;
}

export interface Forest {
  cost: number;
  lines: readonly Line[];
}

/** Lines from `ends` to `roots`, all by cell, `EXACT` ends at most; null where one of them reaches none. */
export function leastForest(grid: CostGrid, roots: readonly number[], ends: readonly number[]): Forest | null {
  const open = roots.filter((at) => grid.costs[at]! < Infinity);
  const own = [...new Set(ends)].filter((end) => !open.includes(end));
  if (own.length > EXACT) throw new RangeError(`No more than ${EXACT} ends are joined exactly.`);
  if (own.some((end) => grid.costs[end] === Infinity)) return null;
  if (own.length === 0) return { cost: 0, lines: [] };
  const sets = joinedSets(grid, own);
  const count = 1 << own.length;
  const cost = new Float64Array(count).fill(Infinity);
  const root = new Int32Array(count).fill(FIRST);
  const part = new Int32Array(count);
  cost[0] = 0;
  for (let set = 1; set < count; set++) {
    for (const at of open) if (sets[set]!.cost[at]! < cost[set]!) [cost[set], root[set]] = [sets[set]!.cost[at]!, at];
    for (let sub = (set - 1) & set; sub > 0; sub = (sub - 1) & set)
      if (cost[sub]! + cost[set ^ sub]! < cost[set]!) [cost[set], part[set]] = [cost[sub]! + cost[set ^ sub]!, sub];
  }
  const all = count - 1;
  if (cost[all] === Infinity) return null;
  const lines: Line[] = [];
  const left = [all];
  for (let set = left.pop(); set !== undefined; set = left.pop()) {
    if (part[set]! > 0) {
      left.push(part[set]!, set ^ part[set]!);
      continue;
    }
    const to = root[set]!;
    lines.push({ root: to, ends: own.filter((_, k) => (set >> k) & 1), next: waysOf(sets, set, to) });
  }
  return { cost: cost[all]!, lines };
}
