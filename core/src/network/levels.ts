/**
 * Crown levels of every line. Pipes join crown to crown, so one level a landing says it all, whatever the sizes; an invert is
 * the crown less the inside diameter.
 *
 * Follow the ground: each landing's crown is the highest that cover, and least pitch from every landing above, allow.
 * All constraints bound a level from above by levels upstream, so the set of feasible levels has a greatest element and one
 * pass downstream finds it. Any cost that grows with depth is least there.
 *
 * One pitch: along each line the highest straight crown that clears the same bounds and is least to dig (`onePitch`).
 */
import { controlLevel, OUTFALLS } from '../catalogue/outfalls';
import { MATERIAL_FACTS } from '../catalogue/pipes';
import type { Settings } from '../job/settings';
import { diameterOf, type Run } from '../job/kinds';
import { onePitch } from './onePitch';
import type { Line } from './lines';
import { NONE, type Tree } from './tree';

export interface Levels {
  /** Highest crown that cover allows at each landing, m. */
  allowed: Float64Array;
  /** The same with levels set by hand, and what runs of set pitch need below, taken in. */
  bound: Float64Array;
  /** Crowns set by hand; NaN where free. */
  setCrown: Float64Array;
  /** Crown planned at each landing, where the run that leaves it starts, m. */
  crown: Float64Array;
  /** Crown at a run's upper and lower end, m. */
  crownUp: Float64Array;
  crownDown: Float64Array;
  /** Least pitch asked of each run, m/m. */
  leastPitch: Float64Array;
}

/** Least pitch of a run: large smooth pipe may lie flatter. */
export function leastPitchOf(run: Pick<Run, 'material' | 'nominal'>, settings: Settings): number {
  const large = MATERIAL_FACTS[run.material].smoothBore && run.nominal >= settings.largeFrom - 1e-9;
  return large ? Math.min(settings.leastPitch, settings.leastPitchLarge) : settings.leastPitch;
}

/** Cover planned over a run, m. */
export const plannedCover = (run: Run, settings: Settings): number =>
  Math.max(settings.cover, leastCoverOf(run, settings));

/** Least cover accepted over a run, m. */
export function leastCoverOf(run: Run, settings: Settings): number {
  return run.under === 'cars'
    ? Math.max(settings.leastCover, MATERIAL_FACTS[run.material].leastCoverUnderCars)
    : settings.leastCover;
}

/** Pitch that a run must have before anything else is asked of it. */
function askedPitch(run: Run, least: number): number {
  return run.grade.type === 'pitch' ? run.grade.pitch : least;
}

/** Plans every level of a tree. Never fails: where no feasible level exists the pipe shows what the bounds lead to. */
export function planLevels(tree: Tree, lines: Line[], settings: Settings, style: 'ground' | 'single'): Levels {
  const leastPitch = Float64Array.from(tree.runs, (run) => leastPitchOf(run, settings));
  const allowed = allowedCrowns(tree, settings);
  const setCrown = crownsSetByHand(tree);
  const bound = lookAhead(tree, allowed, setCrown, leastPitch);
  const crown = followGround(tree, bound, setCrown, leastPitch);
  if (style === 'single') straighten(tree, lines, settings, { crown, bound, setCrown, leastPitch });
  return { allowed, bound, setCrown, crown, leastPitch, ...runEnds(tree, crown, leastPitch) };
}

/** Ground less cover at every landing. An end that comes out of the ground needs no cover: its invert may lie on the ground. */
function allowedCrowns(tree: Tree, settings: Settings): Float64Array {
  return Float64Array.from(tree.landings, (landing, at) => {
    const touching = [...tree.arriving[at]!, tree.leaving[at]!]
      .filter((run) => run !== NONE)
      .map((run) => tree.runs[run]!);
    if (landing.kind === 'discharge' && OUTFALLS[landing.form].opensOut) {
      return landing.groundLevel + touching.reduce((widest, run) => Math.max(widest, diameterOf(run)), 0);
    }
    return (
      landing.groundLevel -
      touching.reduce((deepest, run) => Math.max(deepest, plannedCover(run, settings)), settings.cover)
    );
  });
}

/** Crowns that the user has set, by the level at which the run below starts; NaN where free. */
function crownsSetByHand(tree: Tree): Float64Array {
  return Float64Array.from(tree.landings, (_, at) => {
    const run = tree.leaving[at] === NONE ? undefined : tree.runs[tree.leaving[at]!];
    return run?.grade.type === 'levels' && run.grade.up !== undefined ? run.grade.up + diameterOf(run) : Number.NaN;
  });
}

/** A run of set pitch hangs from its upper end, so cover at its lower end already bounds the upper one. */
function lookAhead(tree: Tree, allowed: Float64Array, setCrown: Float64Array, leastPitch: Float64Array): Float64Array {
  const bound = Float64Array.from(allowed);
  for (let at = tree.landings.length - 1; at >= 0; at--) {
    const leaving = tree.leaving[at]!;
    if (!Number.isNaN(setCrown[at]!)) bound[at] = setCrown[at]!;
    else if (leaving !== NONE && tree.runs[leaving]!.grade.type === 'pitch') {
      const run = tree.runs[leaving]!;
      const below = tree.lower[leaving]!;
      const room = Number.isNaN(setCrown[below]!) ? bound[below]! : allowed[below]!;
      bound[at] = Math.min(bound[at]!, room + askedPitch(run, leastPitch[leaving]!) * run.length);
    }
  }
  return bound;
}

/** Crown at which a run arrives from a crown above it. */
export function arrivalOf(run: Run, above: number, least: number): number {
  if (run.grade.type === 'levels' && run.grade.down !== undefined) return run.grade.down + diameterOf(run);
  return above - askedPitch(run, least) * run.length;
}

function followGround(tree: Tree, bound: Float64Array, setCrown: Float64Array, leastPitch: Float64Array): Float64Array {
  const crown = Float64Array.from(bound);
  for (let at = 0; at < tree.landings.length; at++) {
    if (!Number.isNaN(setCrown[at]!)) continue;
    for (const run of tree.arriving[at]!) {
      crown[at] = Math.min(crown[at]!, arrivalOf(tree.runs[run]!, crown[tree.upper[run]!]!, leastPitch[run]!));
    }
  }
  return crown;
}

interface Straightening {
  crown: Float64Array;
  bound: Float64Array;
  setCrown: Float64Array;
  leastPitch: Float64Array;
}

/** Lays each line that has nothing set by hand on one pitch, main lines first, branches to the crown that they join. */
function straighten(
  tree: Tree,
  lines: Line[],
  settings: Settings,
  { crown, bound, setCrown, leastPitch }: Straightening,
): void {
  const laidFeet = new Set<number>();
  const joining = joiningLines(tree, lines, bound, crown, setCrown, leastPitch);
  for (const line of lines) {
    const { runs } = line;
    const nodes = nodesOf(tree, line);
    const last = nodes.length - 1;
    const foot = nodes[last]!;
    if (setByHand(tree, line, setCrown)) {
      refollow(tree, runs, crown, setCrown, leastPitch);
      continue;
    }
    // The first line into a discharge sets its level there; a second one ends where the first does.
    const mainLine = tree.leaving[foot] === NONE && !laidFeet.has(foot);
    laidFeet.add(foot);
    const stations = stationsOf(tree, line);
    // Branches bound their junction too.
    const ceiling = nodes.map((node) => ceilingAt(node, line, bound, joining));
    const least = leastOf(line, leastPitch);
    const discharge = tree.landings[foot]!;
    const floor =
      mainLine && discharge.kind === 'discharge' && OUTFALLS[discharge.form].drainsDry
        ? controlLevel(discharge, settings) + diameterOf(tree.runs[runs[runs.length - 1]!]!)
        : Number.NEGATIVE_INFINITY;
    const laid = onePitch({ stations, ceiling, least, floor, end: mainLine ? undefined : crown[foot]! });
    nodes.forEach((node, k) => {
      if (mainLine || k < last) crown[node] = laid.head - laid.pitch * stations[k]!;
    });
  }
}

const nodesOf = (tree: Tree, { runs }: Line): number[] => [
  tree.upper[runs[0]!]!,
  ...runs.map((run) => tree.lower[run]!),
];

const setByHand = (tree: Tree, line: Line, setCrown: Float64Array): boolean =>
  line.runs.some((run) => tree.runs[run]!.grade.type !== 'auto') ||
  nodesOf(tree, line).some((node) => !Number.isNaN(setCrown[node]!));

/** One pitch all along must be that of its most demanding run. */
const leastOf = ({ runs }: Line, leastPitch: Float64Array): number =>
  runs.reduce((most, run) => Math.max(most, leastPitch[run]!), 0);

function stationsOf(tree: Tree, { runs }: Line): number[] {
  const stations = [0];
  for (const run of runs) stations.push(stations[stations.length - 1]! + tree.runs[run]!.length);
  return stations;
}

type Joining = ReadonlyMap<number, readonly { line: Line; arrival: number }[]>;

/** Highest crown at a node that cover and the other lines that end there allow. */
function ceilingAt(node: number, own: Line, bound: Float64Array, joining: Joining): number {
  return (joining.get(node) ?? []).reduce(
    (least, { line, arrival }) => (line === own ? least : Math.min(least, arrival)),
    bound[node]!,
  );
}

/** Highest crown with which each line can reach its foot on one pitch, by foot. Branches come after what they join, so from the last. */
function joiningLines(
  tree: Tree,
  lines: Line[],
  bound: Float64Array,
  crown: Float64Array,
  setCrown: Float64Array,
  leastPitch: Float64Array,
): Joining {
  const joining = new Map<number, { line: Line; arrival: number }[]>();
  for (const line of [...lines].reverse()) {
    const nodes = nodesOf(tree, line);
    const foot = nodes[nodes.length - 1]!;
    const last = line.runs[line.runs.length - 1]!;
    const stations = stationsOf(tree, line);
    const far = stations[stations.length - 1]!;
    const arrival = setByHand(tree, line, setCrown)
      ? arrivalOf(tree.runs[last]!, crown[tree.upper[last]!]!, leastPitch[last]!)
      : nodes
          .slice(0, -1)
          .reduce(
            (least, node, k) =>
              Math.min(least, ceilingAt(node, line, bound, joining) - leastOf(line, leastPitch) * (far - stations[k]!)),
            Number.POSITIVE_INFINITY,
          );
    joining.set(foot, [...(joining.get(foot) ?? []), { line, arrival }]);
  }
  return joining;
}

/** A line set by hand keeps its shallowest levels, below whatever the lines it meets came to. */
function refollow(
  tree: Tree,
  runs: number[],
  crown: Float64Array,
  setCrown: Float64Array,
  leastPitch: Float64Array,
): void {
  for (const run of runs) {
    const to = tree.lower[run]!;
    const joins = run === runs[runs.length - 1] && tree.leaving[to] !== NONE;
    if (!joins && Number.isNaN(setCrown[to]!)) {
      crown[to] = Math.min(crown[to]!, arrivalOf(tree.runs[run]!, crown[tree.upper[run]!]!, leastPitch[run]!));
    }
  }
}

function runEnds(tree: Tree, crown: Float64Array, leastPitch: Float64Array): Pick<Levels, 'crownUp' | 'crownDown'> {
  const crownUp = Float64Array.from(tree.runs, (_, run) => crown[tree.upper[run]!]!);
  const crownDown = Float64Array.from(tree.runs, (run, index) => {
    const meets = crown[tree.lower[index]!]!;
    return run.grade.type === 'auto' || (run.grade.type === 'levels' && run.grade.down === undefined)
      ? meets
      : arrivalOf(run, crownUp[index]!, leastPitch[index]!);
  });
  return { crownUp, crownDown };
}
