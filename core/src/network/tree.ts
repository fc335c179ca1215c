/** The lines as a tree toward each discharge: indices instead of ids, in one order that water keeps to. */
import type { Landing, Run } from '../job/kinds';
import { placesOf, upstreamFirst } from '../numeric/upstreamFirst';

export const NONE = -1;

export interface Tree {
  /** Every landing, upstream before downstream. */
  landings: Landing[];
  /** Every run that has both its ends, in the order of its upper landing. */
  runs: Run[];
  /** Landing index by id. */
  indexOf: ReadonlyMap<string, number>;
  /** Run that leaves each landing, or NONE. */
  leaving: Int32Array;
  /** Landing index at a run's upper and lower end. */
  upper: Int32Array;
  lower: Int32Array;
  /** Runs that arrive at each landing. */
  arriving: number[][];
  /** Landing index of the discharge that each landing drains to, or NONE. */
  outlet: Int32Array;
  /** Runs left out, because an end is missing, it goes round in a loop, or its landing has a way out already. */
  stray: Run[];
}

/** Builds the tree of landings and runs. A poor job still gives a tree: what does not fit in it is in `stray`. */
export function buildTree(all: readonly Landing[], allRuns: readonly Run[]): Tree {
  const place = placesOf(all);
  const out = new Array<Run | undefined>(all.length);
  const stray: Run[] = [];
  for (const run of allRuns) {
    const from = place.get(run.from);
    if (from === undefined || !place.has(run.to) || out[from] || all[from]!.kind === 'discharge') stray.push(run);
    else out[from] = run;
  }
  const { order, left } = upstreamFirst(all.length, (at) => (out[at] ? [place.get(out[at].to)!] : []));
  for (const at of left) {
    // On a loop, or below one: its landings still show, its pipes cannot be planned.
    if (out[at]) stray.push(out[at]);
    out[at] = undefined;
  }
  const whole = [...order, ...left];
  return indexed(
    whole.map((at) => all[at]!),
    whole.map((at) => out[at]),
    stray,
  );
}

function indexed(landings: Landing[], out: (Run | undefined)[], stray: Run[]): Tree {
  const indexOf = placesOf(landings);
  const runs: Run[] = [];
  const leaving = new Int32Array(landings.length).fill(NONE);
  const arriving: number[][] = landings.map(() => []);
  const ends: [number, number][] = [];
  out.forEach((run, from) => {
    if (!run) return;
    const to = indexOf.get(run.to)!;
    leaving[from] = runs.length;
    arriving[to]!.push(runs.length);
    ends.push([from, to]);
    runs.push(run);
  });
  const outlet = new Int32Array(landings.length).fill(NONE);
  for (let at = landings.length - 1; at >= 0; at--) {
    if (landings[at]!.kind === 'discharge') outlet[at] = at;
    else if (leaving[at] !== NONE) outlet[at] = outlet[ends[leaving[at]!]![1]]!;
  }
  return {
    landings,
    runs,
    indexOf,
    leaving,
    arriving,
    outlet,
    stray,
    upper: Int32Array.from(ends, ([from]) => from),
    lower: Int32Array.from(ends, ([, to]) => to),
  };
}

/** Sums a quantity that enters at landings down the tree; what a landing passes on includes its own. */
export function accumulate(tree: Tree, entering: Float64Array): Float64Array {
  const total = Float64Array.from(entering);
  for (let at = 0; at < tree.landings.length; at++) {
    const run = tree.leaving[at]!;
    if (run !== NONE) total[tree.lower[run]!]! += total[at]!;
  }
  return total;
}

/** Runs from a landing down to where its water leaves, in order. */
export function routeFrom(tree: Tree, landing: number): number[] {
  const route: number[] = [];
  for (let run = tree.leaving[landing]!; run !== NONE; run = tree.leaving[tree.lower[run]!]!) route.push(run);
  return route;
}
