/** What bounds the crown of a run at its two ends: cover, least pitch, levels set by hand, and where it comes out. */
import { controlLevel, OUTFALLS } from '../catalogue/outfalls';
import type { Settings } from '../job/settings';
import { diameterOf, type Discharge, type Landing, type Run } from '../job/kinds';
import { comesOut, coveredTo } from './covered';
import { leastCoverOf, plannedCover } from './leastOf';
import type { Line } from './lines';
import { NONE, type Tree } from './tree';

/** Pitch that a run must have before anything else is asked of it. */
export function askedPitch(run: Run, least: number): number {
  return run.grade.type === 'pitch' ? run.grade.pitch : least;
}

/** Crown at which a run arrives from a crown above it. */
export function arrivalOf(run: Run, above: number, least: number): number {
  if (run.grade.type === 'levels' && run.grade.down !== undefined) return run.grade.down + diameterOf(run);
  return above - askedPitch(run, least) * run.length;
}

/** Whether lines end there: a way out, or a landing that no run leaves. */
export const isEnd = (tree: Tree, at: number): boolean => tree.leaving[at] === NONE;

/**
 * Highest crown at the end of a run that ends there, m. One that comes out may have its invert on the ground. One that joins something
 * may come up to that as far as the least cover allows, where the planned cover would lead it under.
 */
export function highestEnd(run: Run, landing: Landing, settings: Settings): number {
  const covered = landing.groundLevel - plannedCover(run, settings);
  if (landing.kind !== 'discharge') return covered;
  const outfall = OUTFALLS[landing.form];
  // Into a channel it comes under the grate.
  if (outfall.inChannel) return landing.groundLevel;
  if (outfall.opensOut) return landing.groundLevel + diameterOf(run);
  if (!outfall.hasCapacity) return covered;
  const least = landing.groundLevel - leastCoverOf(run, settings);
  return Math.max(covered, Math.min(least, lowestEnd(run, landing, settings)));
}

/** Lowest crown at the end of a run with which its invert still clears the way out's control level, m. */
export const lowestEnd = (run: Run, discharge: Discharge, settings: Settings): number =>
  controlLevel(discharge, settings) + diameterOf(run);

export const nodesOf = (tree: Tree, { runs }: Line): number[] => [
  tree.upper[runs[0]!]!,
  ...runs.map((run) => tree.lower[run]!),
];

/** Whether any level or pitch of a line is set by hand. */
export const setByHand = (tree: Tree, line: Line, setCrown: Float64Array): boolean =>
  line.runs.some((run) => tree.runs[run]!.grade.type !== 'auto') ||
  nodesOf(tree, line).some((node) => !Number.isNaN(setCrown[node]!));

/** Crown at which a run from a crown above it ends, m: as high as it may come out, and lower where that keeps it covered. */
export function endOf(tree: Tree, settings: Settings, index: number, above: number, least: number): number {
  const run = tree.runs[index]!;
  const arrival = arrivalOf(run, above, least);
  if (run.grade.type === 'pitch' || (run.grade.type === 'levels' && run.grade.down !== undefined)) return arrival;
  const landing = tree.landings[tree.lower[index]!]!;
  const highest = Math.min(arrival, highestEnd(run, landing, settings));
  if (!comesOut(landing)) return highest;
  const upper = tree.landings[tree.upper[index]!]!;
  const { station, ground } = coveredTo(run, upper, landing, settings, tree.seen.get(run.id));
  if (station <= 0) return highest;
  // The crown is straight: covered at the last place asked, it ends no higher than this.
  const covered = above + ((ground - leastCoverOf(run, settings) - above) * run.length) / station;
  return Math.min(highest, Math.max(covered, lowestEnd(run, landing, settings)));
}

/** No deeper than this is a run started for the cover at its end, m: from 4 ft a ladder is needed, and a bend there serves better. */
const MAX_DEEPENED = 1.2;

/**
 * Highest crown (m) at the head of a run that comes out of the ground with which it is covered as far as that is asked, its end as low as
 * may be: the line through those two. ∞ where no such line falls enough, or starts too deep to be worth it.
 */
export function highestCovered(tree: Tree, settings: Settings, index: number, least: number): number {
  const run = tree.runs[index]!;
  const landing = tree.landings[tree.lower[index]!]!;
  if (run.grade.type === 'levels' || !comesOut(landing)) return Number.POSITIVE_INFINITY;
  const upper = tree.landings[tree.upper[index]!]!;
  const { station, ground } = coveredTo(run, upper, landing, settings, tree.seen.get(run.id));
  const open = run.length - station;
  if (station <= 0 || open <= 0) return Number.POSITIVE_INFINITY;
  const covered = ground - leastCoverOf(run, settings);
  const pitch = (covered - lowestEnd(run, landing, settings)) / open;
  const crown = covered + pitch * station;
  if (pitch < least || upper.groundLevel - crown + diameterOf(run) > MAX_DEEPENED) return Number.POSITIVE_INFINITY;
  return crown;
}
