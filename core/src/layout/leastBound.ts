/**
 * What no trenches from some ends to a root can cost less than, by dual ascent (Wong 1984, Math. Program. 28): about an end grows the set of
 * cells that it is reached from at no further cost; each time what the cheapest step into such a set still costs is raised from all steps into it,
 * and counted. No tree comes to an end from a root without a step into each set that was raised, so that the sum is never more than the least tree.
 */
import { stepsOf, type CostGrid, type Steps } from './costGrid';

/** One end with the cells that it is reached from at no further cost. */
interface Reached {
  has: Uint8Array;
  /** Of those the ones that a step comes to from outside. */
  rim: number[];
}

/** Left of a step less than so is naught, as a share of the dearest. */
const NAUGHT = 1e-12;

/** Cost that no lines from `ends` to `roots`, all by cell, are cheaper than; ∞ where an end reaches no root. */
export function leastBound(grid: CostGrid, roots: readonly number[], ends: readonly number[]): number {
  const steps = stepsOf(grid);
  const { first, to } = steps;
  /** By step what it costs still; a step is looked at from the cell that it leads to, as it costs the same both ways. */
  const left = Float64Array.from(steps.cost);
  let dearest = 0;
  for (const cost of left) if (cost > dearest) dearest = cost;
  const naught = NAUGHT * dearest;
  const isRoot = new Uint8Array(grid.costs.length);
  for (const at of roots) if (grid.costs[at]! < Infinity) isRoot[at] = 1;
  const open = new Map<number, Reached>();
  for (const end of new Set(ends)) {
    if (grid.costs[end] === Infinity) return Infinity;
    const has = new Uint8Array(grid.costs.length);
    has[end] = 1;
    open.set(end, { has, rim: [end] });
  }
  let sum = 0;
  while (open.size > 0) {
    const [end, reached] = smallest(open);
    const { has } = reached;
    if (isRoot[end] === 1 || takesIn(steps, left, reached, (at) => isRoot[at] === 1 || open.has(at), naught)) {
      open.delete(end);
      continue;
    }
    let least = Infinity;
    for (const at of reached.rim)
      for (let step = first[at]!; step < first[at + 1]!; step++)
        if (has[to[step]!] === 0 && left[step]! < least) least = left[step]!;
    if (least === Infinity) return Infinity;
    sum += least;
    for (const at of reached.rim)
      for (let step = first[at]!; step < first[at + 1]!; step++) if (has[to[step]!] === 0) left[step]! -= least;
  }
  return sum;
}

/** Takes in whatever an end is reached from at no further cost, and leaves at its rim what steps come to from outside; gives whether an end of the search is among it. */
function takesIn(
  { first, to }: Steps,
  left: Float64Array,
  reached: Reached,
  isEnd: (at: number) => boolean,
  naught: number,
): boolean {
  const { has, rim } = reached;
  let found = false;
  for (let k = 0; k < rim.length; k++) {
    const at = rim[k]!;
    for (let step = first[at]!; step < first[at + 1]!; step++) {
      const from = to[step]!;
      if (has[from] === 1 || left[step]! > naught) continue;
      has[from] = 1;
      rim.push(from);
      found ||= isEnd(from);
    }
  }
  const isRim = (at: number): boolean => {
    for (let step = first[at]!; step < first[at + 1]!; step++) if (has[to[step]!] === 0) return true;
    return false;
  };
  reached.rim = rim.filter(isRim);
  return found;
}

/** The end whose set has the fewest cells at its rim: what is raised for it is taken from the fewest steps. */
function smallest(open: ReadonlyMap<number, Reached>): [number, Reached] {
  let best: [number, Reached] | null = null;
  for (const each of open) if (!best || each[1].rim.length < best[1].rim.length) best = each;
  return best!;
}
