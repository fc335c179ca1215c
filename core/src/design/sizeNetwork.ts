/**
 * Sizes and pitch together, at least cost, for a whole network. A larger pipe costs more to buy and may run flatter, so it saves depth
 * and sometimes makes the way out reachable at all; sizes never fall downstream.
 *
 * What the line below must know of all above a landing is three numbers: what it cost, the widest pipe that arrives, and the highest
 * crown it can start with. Of two ways to build what is above, one that is nowhere worse in all three makes the other pointless, as
 * every cost below grows with depth and every choice below that the wider or deeper one allows, the other allows too. Keeping only
 * the ways that no other makes pointless, from the heads down, is therefore exact, and `exhaustive` in the tests agrees.
 */
import { NONE, type Tree } from '../network/tree';

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

/** A run that comes to a landing: how it is laid, on what above it, and the highest crown at which it can come in. */
interface Coming {
  run: number;
  size: number;
  above: Way;
  crown: number;
}

/**
 * Ways to build all that comes to a landing by one or more runs. They meet crown to crown, so the deepest of them sets the level and
 * the others fall on to it, and are paid for down to it. Any crown at which one can come in is tried as that level.
 */
function meeting(branches: readonly Coming[][], cost: SizingInput['cost'], lowest: number): Way[] {
  const highest = Math.min(...branches.map((coming) => Math.max(...coming.map(({ crown }) => crown))));
  const levels = [...new Set(branches.flatMap((coming) => coming.map(({ crown }) => crown)))].filter(
    (crown) => crown <= highest,
  );
  const met: Way[] = [];
  for (const crown of levels) {
    let ways: Way[] = [{ cost: 0, widest: 0, crown, made: null }];
    for (const coming of branches) {
      const laid = coming
        .filter((each) => each.crown >= crown && crown - each.size >= lowest - 1e-9)
        // With one branch every level is some choice's own, and a choice laid deeper than it can come in serves nobody.
        .filter((each) => branches.length > 1 || each.crown === crown)
        .map(({ run, size, above }): Way => ({
          cost: above.cost + cost(run, size, above.crown, crown),
          widest: size,
          crown,
          made: { run, size, above: above.made },
        }));
      ways = worthKeeping(
        ways.flatMap((a) =>
          worthKeeping(laid).map((b): Way => ({
            cost: a.cost + b.cost,
            widest: Math.max(a.widest, b.widest),
            crown,
            made: a.made === null ? b.made : { join: [a.made, b.made] },
          })),
        ),
      );
    }
    met.push(...ways);
  }
  return worthKeeping(met);
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
export function sizeNetwork(
  { tree, sizes, slopeOf, allowed, control, cost }: SizingInput,
  barred?: { run: number; size: number },
): Sizing | null {
  const coming: Coming[][][] = tree.landings.map(() => []);
  let total: Way = { cost: 0, widest: 0, crown: 0, made: null };
  for (let at = 0; at < tree.landings.length; at++) {
    const leaving = tree.leaving[at]!;
    if (leaving === NONE) {
      if (coming[at]!.length === 0) continue;
      // Ways into different outlets have nothing to do with one another.
      const [best] = meeting(coming[at]!, cost, control(at));
      if (!best) return null;
      total = { ...total, cost: total.cost + best.cost, made: { join: [total.made, best.made] } };
      continue;
    }
    const ways =
      coming[at]!.length > 0
        ? meeting(coming[at]!, cost, Number.NEGATIVE_INFINITY)
        : [{ cost: 0, widest: 0, crown: allowed[at]!, made: null }];
    const to = tree.lower[leaving]!;
    const highest = tree.leaving[to] === NONE ? Number.POSITIVE_INFINITY : allowed[to]!;
    const next: Coming[] = [];
    for (const above of ways) {
      for (const size of sizes) {
        if (size < above.widest - 1e-12 || (barred?.run === leaving && barred.size === size)) continue;
        const slope = slopeOf(leaving, size);
        if (slope !== null)
          next.push({
            run: leaving,
            size,
            above,
            crown: Math.min(above.crown - slope * tree.runs[leaving]!.length, highest),
          });
      }
    }
    if (next.length === 0) return null;
    coming[to]!.push(next);
  }
  const found: Sizing = { sizes: new Float64Array(tree.runs.length).fill(Number.NaN), cost: total.cost };
  read(total.made, found.sizes);
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
