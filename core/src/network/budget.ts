/** The fall budget of a route: the whole drop there is, what each stretch must spend of it, and what is left at the end. */
import type { Settings } from '../job/settings';
import { controlLevel } from '../catalogue/outfalls';
import { diameterOf, type Discharge } from '../job/kinds';
import { arrivalOf } from './crowns';
import type { Levels } from './levels';
import { NONE, routeFrom, type Tree } from './tree';

export interface FallBudget {
  /** Head of the route and the discharge at its foot, by id. */
  source: string;
  discharge: string;
  /** Highest invert that cover allows at the head, less the discharge's control level, m. */
  available: number;
  /** Level given away at the head because it is set deeper than cover asks, m. */
  setDeeper: number;
  /** Level that joining crown to crown costs as the pipe grows, m. */
  growth: number;
  /** What each stretch needs at its least pitch, or to stay under a dip in the ground, m. */
  spent: { run: string; fall: number }[];
  /** available − setDeeper − growth − Σ spent, m; negative when the fall runs out. */
  left: number;
  /** How far short of the discharge the invert comes down to the control level, m along the line; 0 when it does not. */
  shortBy: number;
}

/**
 * Crown that each head's own route brings to its discharge, m; NaN where there is none. Every step of a route maps a crown x to
 * min(bound, x − need), and such maps compose into one of the same form, min(cap, x − need): one pass upstream gives them all.
 */
export function endCrowns(tree: Tree, levels: Levels): Float64Array {
  const count = tree.landings.length;
  const cap = new Float64Array(count).fill(Number.POSITIVE_INFINITY);
  const need = new Float64Array(count);
  const end = new Float64Array(count).fill(Number.NaN);
  for (let at = count - 1; at >= 0; at--) {
    const index = tree.leaving[at]!;
    if (index === NONE || tree.outlet[at] === NONE) continue;
    const run = tree.runs[index]!;
    const to = tree.lower[index]!;
    const setCrown = to === tree.outlet[at] ? Number.NaN : levels.setCrown[to]!;
    const down = run.grade.type === 'levels' ? run.grade.down : undefined;
    const fixed = !Number.isNaN(setCrown) ? setCrown : down !== undefined ? down + diameterOf(run) : null;
    const bound = to === tree.outlet[at] ? Number.POSITIVE_INFINITY : levels.bound[to]!;
    const entry = Number.isNaN(setCrown) ? Math.min(bound, fixed ?? Number.POSITIVE_INFINITY) : setCrown;
    cap[at] = Math.min(cap[to]!, entry - need[to]!);
    // A level set by hand forgets what lies above it: x − (−∞) never is the lesser.
    need[at] = fixed !== null ? Number.NEGATIVE_INFINITY : need[to]! - arrivalOf(run, 0, levels.laidPitch[index]!);
    end[at] = Math.min(cap[at]!, levels.bound[at]! - need[at]!);
  }
  return end;
}

/** Inside diameter of the last run on the way from each landing to its discharge, m; 0 where there is none. */
function lastSizes(tree: Tree): Float64Array {
  const sizes = new Float64Array(tree.landings.length);
  for (let at = tree.landings.length - 1; at >= 0; at--) {
    const run = tree.leaving[at]!;
    if (run !== NONE)
      sizes[at] = tree.lower[run] === tree.outlet[at] ? diameterOf(tree.runs[run]!) : sizes[tree.lower[run]!]!;
  }
  return sizes;
}

/** The tightest route into each discharge, tightest of all first. */
export function tightestBudgets(tree: Tree, levels: Levels, settings: Settings): FallBudget[] {
  const end = endCrowns(tree, levels);
  const lastSize = lastSizes(tree);
  const tightest = new Map<number, number>();
  // Two lines into one way out may end in pipes of different size: what must clear the control level is the invert.
  const invert = (at: number): number => end[at]! - lastSize[at]!;
  for (let at = 0; at < tree.landings.length; at++) {
    if (tree.arriving[at]!.length > 0 || Number.isNaN(end[at]!)) continue;
    const foot = tree.outlet[at]!;
    const other = tightest.get(foot);
    if (other === undefined || invert(at) < invert(other)) tightest.set(foot, at);
  }
  return [...tightest.values()]
    .map((head) => fallBudget(tree, levels, settings, head)!)
    .sort((a, b) => a.left - b.left);
}

/** Budget of the route from one head; null when it reaches no discharge. */
export function fallBudget(tree: Tree, levels: Levels, settings: Settings, head: number): FallBudget | null {
  const route = routeFrom(tree, head);
  const foot = tree.outlet[head]!;
  if (route.length === 0 || foot < 0) return null;
  const first = tree.runs[route[0]!]!;
  const last = tree.runs[route[route.length - 1]!]!;
  const discharge = tree.landings[foot] as Discharge;
  const control = controlLevel(discharge, settings);
  const spent: FallBudget['spent'] = [];
  let crown = levels.bound[head]!;
  for (const index of route) {
    const run = tree.runs[index]!;
    const to = tree.lower[index]!;
    const arrival = arrivalOf(run, crown, levels.laidPitch[index]!);
    // The discharge's own ground is no bound here: what lies between arrival and control is what is left.
    const next =
      to === foot
        ? arrival
        : Number.isNaN(levels.setCrown[to]!)
          ? Math.min(arrival, levels.bound[to]!)
          : levels.setCrown[to]!;
    spent.push({ run: run.id, fall: crown - next });
    crown = next;
  }
  const left = crown - diameterOf(last) - control;
  return {
    source: tree.landings[head]!.id,
    discharge: discharge.id,
    available: levels.allowed[head]! - diameterOf(first) - control,
    setDeeper: levels.allowed[head]! - levels.bound[head]!,
    growth: diameterOf(last) - diameterOf(first),
    spent,
    left,
    shortBy: left < 0 ? shortfall(tree, route, spent, -left) : 0,
  };
}

/** Walks back up the route until the missing level is made good. */
function shortfall(tree: Tree, route: number[], spent: FallBudget['spent'], missing: number): number {
  let distance = 0;
  let rest = missing;
  for (let k = route.length - 1; k >= 0; k--) {
    const { length } = tree.runs[route[k]!]!;
    const { fall } = spent[k]!;
    if (fall >= rest) return distance + (length * rest) / fall;
    distance += length;
    rest -= Math.max(0, fall);
  }
  return distance;
}
