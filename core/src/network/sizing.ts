/**
 * Sizes and pitch together, at least cost, for a whole network. A larger pipe costs more to buy and may run flatter, so it saves depth
 * and sometimes makes the way out reachable at all; sizes never fall downstream.
 *
 * What the line below must know of all above a landing is three numbers: what it cost, the widest pipe that arrives, and the highest
 * crown it can start with. Of two ways to build what is above, one that is nowhere worse in all three makes the other pointless, as
 * every cost below grows with depth and every choice below that the wider or deeper one allows, the other allows too. Keeping only
 * the ways that no other makes pointless, from the heads down, is therefore exact, and `exhaustive` in the tests agrees.
 */
import { NONE, type Tree } from './tree';

export interface SizingInput {
  tree: Tree;
  /** Sizes on offer, inside diameter, m, rising. */
  sizes: readonly number[];
  /** Least fall (m/m) with which a run carries its flow in a size, and is not under its least pitch; null where it cannot. */
  slopeOf: (run: number, size: number) => number | null;
  /** Ground less cover at each landing, m: the highest that a crown may be. */
  allowed: Float64Array;
  /** Lowest invert at each landing that is an outlet, m. */
  control: (landing: number) => number;
  /** Cost of a run in a size between two crowns, m; grows with both depths. */
  cost: (run: number, size: number, crownUp: number, crownDown: number) => number;
}

export interface Sizing {
  /** Inside diameter of each run, m. */
  sizes: Float64Array;
  cost: number;
}

/** One way to build all above a landing. */
interface Way {
  cost: number;
  widest: number;
  crown: number;
  /** What it is made of: the last run's size on top of the ways above. */
  made: Made | null;
}

type Made = { run: number; size: number; above: Made | null } | { join: readonly [Made | null, Made | null] };

/** Ways that no other makes pointless, cheapest first. */
function worthKeeping(ways: Way[]): Way[] {
  const kept: Way[] = [];
  for (const way of ways.sort((a, b) => a.cost - b.cost || b.crown - a.crown || a.widest - b.widest)) {
    if (!kept.some((other) => other.widest <= way.widest + 1e-12 && other.crown >= way.crown - 1e-12)) kept.push(way);
  }
  return kept;
}

function joined(one: readonly Way[], other: readonly Way[]): Way[] {
  return worthKeeping(one.flatMap((a) => other.map((b): Way => ({ cost: a.cost + b.cost, widest: Math.max(a.widest, b.widest), crown: Math.min(a.crown, b.crown), made: { join: [a.made, b.made] } }))));
}

function read(made: Made | null, sizes: Float64Array): void {
  // An explicit stack: a line of ten thousand runs must not overflow the call stack.
  const left = [made];
  while (left.length > 0) {
    const next = left.pop();
    if (!next) continue;
    if ('join' in next) left.push(...next.join);
    else {
      sizes[next.run] = next.size;
      left.push(next.above);
    }
  }
}

/** The cheapest sizes for every run; null where no choice of sizes reaches every outlet. `barred` keeps one size from one run. */
export function sizeNetwork({ tree, sizes, slopeOf, allowed, control, cost }: SizingInput, barred?: { run: number; size: number }): Sizing | null {
  const ways: Way[][] = tree.landings.map((_, at) => [{ cost: 0, widest: 0, crown: allowed[at]!, made: null }]);
  const arrivals: Way[][] = tree.landings.map(() => []);
  let total: Way[] = [{ cost: 0, widest: 0, crown: 0, made: null }];
  for (let at = 0; at < tree.landings.length; at++) {
    const leaving = tree.leaving[at]!;
    if (leaving === NONE) {
      if (arrivals[at]!.length === 0) continue;
      // Ways into different outlets have nothing to do with one another.
      const [best] = ways[at]!.sort((a, b) => a.cost - b.cost);
      if (!best) return null;
      total = [{ cost: total[0]!.cost + best.cost, widest: 0, crown: 0, made: { join: [total[0]!.made, best.made] } }];
      continue;
    }
    const to = tree.lower[leaving]!;
    const outlet = tree.leaving[to] === NONE;
    const down: Way[] = [];
    for (const way of ways[at]!) {
      for (const size of sizes) {
        if (size < way.widest - 1e-12 || (barred?.run === leaving && barred.size === size)) continue;
        const slope = slopeOf(leaving, size);
        if (slope === null) continue;
        const arrives = way.crown - slope * tree.runs[leaving]!.length;
        const crown = Math.min(arrives, outlet ? Number.POSITIVE_INFINITY : allowed[to]!);
        if (outlet && crown - size < control(to) - 1e-9) continue;
        down.push({ cost: way.cost + cost(leaving, size, way.crown, crown), widest: size, crown, made: { run: leaving, size, above: way.made } });
      }
    }
    const kept = worthKeeping(down);
    if (kept.length === 0) return null;
    arrivals[to]!.push(...kept);
    ways[to] = joined(ways[to]!, kept);
  }
  const found: Sizing = { sizes: new Float64Array(tree.runs.length).fill(Number.NaN), cost: total[0]!.cost };
  read(total[0]!.made, found.sizes);
  return found;
}

/** The next cheapest choices after the best: for each run, the best without its size there; different ones only, cheapest first. */
export function runnersUp(input: SizingInput, best: Sizing, count: number): Sizing[] {
  const seen = new Set([best.sizes.join()]);
  const found: Sizing[] = [];
  for (let run = 0; run < input.tree.runs.length; run++) {
    const other = sizeNetwork(input, { run, size: best.sizes[run]! });
    if (!other || seen.has(other.sizes.join())) continue;
    seen.add(other.sizes.join());
    found.push(other);
  }
  return found.sort((a, b) => a.cost - b.cost).slice(0, count);
}

