/** The lines as a tree toward each discharge: indices instead of ids, in one order that water keeps to. */
import type { Landing, Run } from '../job/kinds';
import { placesOf, upstreamFirst } from '../numeric/upstreamFirst';
import { indices } from '../numeric/filled';
import { Kept, step } from '../numeric/kept';

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
  arriving: readonly (readonly number[])[];
  /** Landing index of the discharge that each landing drains to, or NONE. */
  outlet: Int32Array;
  /** Ground where a run begins to come out, m, by its id, where it was levelled. */
  seen: ReadonlyMap<string, number>;
  /** Runs left out, because an end is missing, it goes round in a loop, or its landing has a way out already. */
  stray: Run[];
}

/** What of a tree hangs only on what joins what, by place in the lists that it was built of. */
interface Joining extends Pick<Tree, 'indexOf' | 'leaving' | 'arriving' | 'outlet' | 'upper' | 'lower'> {
  landings: readonly number[];
  runs: readonly number[];
  stray: readonly number[];
}

interface Lists {
  landings: readonly Landing[];
  runs: readonly Run[];
}

/** Whether all joins alike in two lists, whatever else an edit has changed. */
function joinsAlike(one: Lists, other: Lists): boolean {
  if (one.landings.length !== other.landings.length || one.runs.length !== other.runs.length) return false;
  for (let k = 0; k < one.landings.length; k++) {
    const [a, b] = [one.landings[k]!, other.landings[k]!];
    if (a !== b && (a.id !== b.id || a.kind !== b.kind)) return false;
  }
  for (let k = 0; k < one.runs.length; k++) {
    const [a, b] = [one.runs[k]!, other.runs[k]!];
    if (a !== b && (a.from !== b.from || a.to !== b.to)) return false;
  }
  return true;
}

const UNSEEN: Tree['seen'] = new Map();

const listsAlike = step('lists that join alike', ({ made }: { made: Lists }): Lists => made);
const joiningOf = step('joining', ({ lists }: { lists: Lists }): Joining => join(lists.landings, lists.runs));

/** Builds the tree of landings and runs. A poor job still gives a tree: what does not fit in it is in `stray`. */
export function buildTree(
  landings: readonly Landing[],
  runs: readonly Run[],
  kept = new Kept(),
  seen: Tree['seen'] = UNSEEN,
): Tree {
  const joining = kept.ask(joiningOf, { lists: kept.alike(listsAlike, { landings, runs }, joinsAlike) });
  return {
    ...joining,
    seen,
    landings: joining.landings.map((place) => landings[place]!),
    runs: joining.runs.map((place) => runs[place]!),
    stray: joining.stray.map((place) => runs[place]!),
  };
}

function join(all: readonly Landing[], allRuns: readonly Run[]): Joining {
  const place = placesOf(all);
  const out = new Int32Array(all.length).fill(NONE);
  const stray: number[] = [];
  allRuns.forEach((run, index) => {
    const from = place.get(run.from);
    if (from === undefined || !place.has(run.to) || out[from] !== NONE || all[from]!.kind === 'discharge')
      stray.push(index);
    else out[from] = index;
  });
  const lowerOf = (at: number): number => place.get(allRuns[out[at]!]!.to)!;
  const { order, left } = upstreamFirst(all.length, (at) => (out[at] === NONE ? [] : [lowerOf(at)]));
  for (const at of left) {
    // On a loop, or below one: its landings still show, its pipes cannot be planned.
    if (out[at] !== NONE) stray.push(out[at]!);
    out[at] = NONE;
  }
  const landings = [...order, ...left];
  const indexOf = new Map(landings.map((at, index) => [all[at]!.id, index]));
  const runs: number[] = [];
  const leaving = new Int32Array(all.length).fill(NONE);
  const arriving: number[][] = landings.map(() => []);
  const ends: [number, number][] = [];
  landings.forEach((at, from) => {
    if (out[at] === NONE) return;
    const to = indexOf.get(allRuns[out[at]!]!.to)!;
    leaving[from] = runs.length;
    arriving[to]!.push(runs.length);
    ends.push([from, to]);
    runs.push(out[at]!);
  });
  const outlet = new Int32Array(all.length).fill(NONE);
  for (let at = landings.length - 1; at >= 0; at--) {
    if (all[landings[at]!]!.kind === 'discharge') outlet[at] = at;
    else if (leaving[at] !== NONE) outlet[at] = outlet[ends[leaving[at]!]![1]]!;
  }
  return {
    landings,
    runs,
    stray,
    indexOf,
    leaving,
    arriving,
    outlet,
    upper: indices(ends, ([from]) => from),
    lower: indices(ends, ([, to]) => to),
  };
}

/** Sums a quantity that enters at landings down the tree; what a landing passes on includes its own. */
export function accumulate(tree: Tree, entering: Float64Array): Float64Array {
  const total = entering.slice();
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
