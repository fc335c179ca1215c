/**
 * Crown levels of every line. Pipes join crown to crown, so one level a landing says it all, whatever the sizes; an invert is
 * the crown less the inside diameter. At a way out each pipe has an end of its own: several are not joined there.
 *
 * Follow the ground: each landing's crown is the highest that cover, and least pitch from every landing above, allow.
 * All constraints bound a level from above by levels upstream, so the set of feasible levels has a greatest element and one
 * pass downstream finds it. Any cost that grows with depth is least there.
 *
 * One pitch: along each line the highest straight crown that clears the same bounds and is least to dig (`onePitch`).
 */
import type { Settings } from '../job/settings';
import { diameterOf, kindOf, type Landing, type Run } from '../job/kinds';
import { arrivalOf, askedPitch, endOf, highestCovered, highestEnd, isEnd, setByHand } from './crowns';
import { leastPitchOf, plannedCover } from './leastOf';
import type { Line } from './lines';
import { straighten } from './straighten';
import { NONE, type Tree } from './tree';
import { floats } from '../numeric/filled';

export interface Levels {
  /** Highest crown that cover allows at each landing, m; at a way out, of the lowest pipe that ends there. */
  allowed: Float64Array;
  /** The same with levels set by hand, and what runs of set pitch need below, taken in. */
  bound: Float64Array;
  /** Crowns set by hand; NaN where free. */
  setCrown: Float64Array;
  /** Crown planned at each landing, where the run that leaves it starts, or at a way out the lowest that ends there, m. */
  crown: Float64Array;
  /** Crown at a run's upper and lower end, m. */
  crownUp: Float64Array;
  crownDown: Float64Array;
  /** Least pitch asked of each run, m/m. */
  leastPitch: Float64Array;
  /** Pitch at which each run is laid at least, m/m: its own least, or on a line of one pitch that of the line's most demanding run. */
  laidPitch: Float64Array;
}

/** Plans every level of a tree. Never fails: where no feasible level exists the pipe shows what the bounds lead to. */
export function planLevels(tree: Tree, lines: Line[], settings: Settings, style: 'ground' | 'single'): Levels {
  const leastPitch = floats(tree.runs, (run) => leastPitchOf(run, settings));
  const allowed = allowedCrowns(tree, settings);
  const setCrown = crownsSetByHand(tree);
  const laidPitch = style === 'single' ? pitchOfLines(tree, lines, setCrown, leastPitch) : leastPitch;
  const bound = lookAhead(tree, settings, allowed, setCrown, laidPitch);
  const crown = followGround(tree, settings, bound, setCrown, laidPitch);
  const ends = endsByGround(tree, settings, crown, laidPitch);
  if (style === 'single') straighten({ tree, lines, settings, crown, ends, bound, setCrown, laidPitch });
  tree.landings.forEach((_, at) => {
    if (isEnd(tree, at)) for (const run of tree.arriving[at]!) crown[at] = Math.min(crown[at]!, ends[run]!);
  });
  return { allowed, bound, setCrown, crown, leastPitch, laidPitch, ...runEnds(tree, crown, ends, laidPitch) };
}

/** Highest crown with which a run can leave what has a floor of its own, m: water must fall from the floor into the pipe. */
function underBed(landing: Landing, leaving: Run | undefined): number {
  if (!leaving) return Number.POSITIVE_INFINITY;
  if (landing.kind === 'channel') {
    const bed = landing.groundLevel - landing.depth;
    return landing.hole === 'end' ? bed + diameterOf(leaving) : bed;
  }
  // Its own pipe goes on in the one that leaves: invert to invert.
  const floor = kindOf(landing.kind).floorDepth?.(landing);
  return floor === undefined ? Number.POSITIVE_INFINITY : landing.groundLevel - floor + diameterOf(leaving);
}

/** Ground less cover at every landing. An end that comes out of the ground needs no cover: its invert may lie on the ground. */
function allowedCrowns(tree: Tree, settings: Settings): Float64Array {
  return floats(tree.landings, (landing, at) => {
    const arriving = tree.arriving[at]!;
    if (landing.kind === 'discharge') {
      let lowest = arriving.length > 0 ? Number.POSITIVE_INFINITY : landing.groundLevel;
      for (const run of arriving) lowest = Math.min(lowest, highestEnd(tree.runs[run]!, landing, settings));
      return lowest;
    }
    const leaving = isEnd(tree, at) ? undefined : tree.runs[tree.leaving[at]!]!;
    const met = [...arriving.map((run) => tree.runs[run]!), ...(leaving ? [leaving] : [])];
    const cover = met.reduce(
      (most, run) => Math.max(most, plannedCover(run, settings)),
      met.length > 0 ? 0 : settings.cover,
    );
    return Math.min(landing.groundLevel - cover, underBed(landing, leaving));
  });
}

/** Crowns that the user has set, by the level at which the run below starts; NaN where free. */
function crownsSetByHand(tree: Tree): Float64Array {
  return floats(tree.landings, (_, at) => {
    const run = isEnd(tree, at) ? undefined : tree.runs[tree.leaving[at]!];
    return run?.grade.type === 'levels' && run.grade.up !== undefined ? run.grade.up + diameterOf(run) : Number.NaN;
  });
}

/** One pitch all along must be that of the line's most demanding run. A line set by hand is left to its own. */
function pitchOfLines(tree: Tree, lines: Line[], setCrown: Float64Array, leastPitch: Float64Array): Float64Array {
  const pitch = leastPitch.slice();
  for (const line of lines) {
    if (setByHand(tree, line, setCrown)) continue;
    const most = line.runs.reduce((steepest, run) => Math.max(steepest, leastPitch[run]!), 0);
    for (const run of line.runs) pitch[run] = most;
  }
  return pitch;
}

/** A run of set pitch hangs from its upper end, so cover at its lower end already bounds the upper one. */
function lookAhead(
  tree: Tree,
  settings: Settings,
  allowed: Float64Array,
  setCrown: Float64Array,
  laidPitch: Float64Array,
): Float64Array {
  const bound = allowed.slice();
  for (let at = tree.landings.length - 1; at >= 0; at--) {
    const leaving = tree.leaving[at]!;
    if (!Number.isNaN(setCrown[at]!)) bound[at] = setCrown[at]!;
    else if (leaving !== NONE && tree.runs[leaving]!.grade.type === 'pitch') {
      const run = tree.runs[leaving]!;
      const below = tree.lower[leaving]!;
      const free = isEnd(tree, below) ? highestEnd(run, tree.landings[below]!, settings) : bound[below]!;
      const room = Number.isNaN(setCrown[below]!) ? free : allowed[below]!;
      bound[at] = Math.min(bound[at]!, room + askedPitch(run, laidPitch[leaving]!) * run.length);
    }
  }
  return bound;
}

/** The highest crowns; but a run that comes out of the ground starts as low as keeps it covered until then. */
function followGround(
  tree: Tree,
  settings: Settings,
  bound: Float64Array,
  setCrown: Float64Array,
  laidPitch: Float64Array,
): Float64Array {
  const crown = bound.slice();
  for (let at = 0; at < tree.landings.length; at++) {
    if (!Number.isNaN(setCrown[at]!) || isEnd(tree, at)) continue;
    for (const run of tree.arriving[at]!) {
      crown[at] = Math.min(crown[at]!, arrivalOf(tree.runs[run]!, crown[tree.upper[run]!]!, laidPitch[run]!));
    }
    const leaving = tree.leaving[at]!;
    crown[at] = Math.min(crown[at]!, highestCovered(tree, settings, leaving, laidPitch[leaving]!));
  }
  return crown;
}

/** Crown at the end of every run that joins no other, m; NaN elsewhere. */
function endsByGround(tree: Tree, settings: Settings, crown: Float64Array, laidPitch: Float64Array): Float64Array {
  return floats(tree.runs, (_, index) =>
    isEnd(tree, tree.lower[index]!)
      ? endOf(tree, settings, index, crown[tree.upper[index]!]!, laidPitch[index]!)
      : Number.NaN,
  );
}

function runEnds(
  tree: Tree,
  crown: Float64Array,
  ends: Float64Array,
  laidPitch: Float64Array,
): Pick<Levels, 'crownUp' | 'crownDown'> {
  const crownUp = floats(tree.runs, (_, run) => crown[tree.upper[run]!]!);
  const crownDown = floats(tree.runs, (run, index) => {
    if (!Number.isNaN(ends[index]!)) return ends[index]!;
    const meets = crown[tree.lower[index]!]!;
    return run.grade.type === 'auto' || (run.grade.type === 'levels' && run.grade.down === undefined)
      ? meets
      : arrivalOf(run, crownUp[index]!, laidPitch[index]!);
  });
  return { crownUp, crownDown };
}
