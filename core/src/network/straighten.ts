/** Lays each line that has nothing set by hand on one pitch: main lines first, branches to the crown that they join. */
import { OUTFALLS } from '../catalogue/outfalls';
import type { Settings } from '../job/settings';
import { arrivalOf, highestEnd, isEnd, lowestEnd, nodesOf, setByHand } from './crowns';
import type { Line } from './lines';
import { onePitch } from './onePitch';
import type { Tree } from './tree';

interface Straightening {
  tree: Tree;
  lines: Line[];
  settings: Settings;
  /** As followed along the ground; written over with what is laid. */
  crown: Float64Array;
  /** Crown at the end of each run that joins no other; written over too. */
  ends: Float64Array;
  bound: Float64Array;
  setCrown: Float64Array;
  laidPitch: Float64Array;
}

export function straighten(all: Straightening): void {
  const { tree, lines, settings, crown, ends, setCrown, laidPitch } = all;
  const joining = joiningLines(all);
  for (const line of lines) {
    const last = line.runs[line.runs.length - 1]!;
    const nodes = nodesOf(tree, line);
    const foot = nodes[nodes.length - 1]!;
    const free = isEnd(tree, foot);
    // A line set by hand lies as the ground led it.
    if (setByHand(tree, line, setCrown)) continue;
    const stations = stationsOf(tree, line);
    // Branches bound their junction too.
    const ceiling = nodes.map((node) => ceilingAt(all, node, line, joining));
    if (free) ceiling[ceiling.length - 1] = highestEnd(tree.runs[last]!, tree.landings[foot]!, settings);
    const laid = onePitch({
      stations,
      ceiling,
      least: laidPitch[last]!,
      floor: floorOf(tree, foot, last, settings),
      ...(free ? {} : { end: crown[foot]! }),
    });
    nodes.forEach((node, k) => {
      if (k < nodes.length - 1) crown[node] = laid.head - laid.pitch * stations[k]!;
    });
    if (free) ends[last] = laid.head - laid.pitch * stations[stations.length - 1]!;
  }
}

/** Lowest crown that a line may end with, m; −∞ where nothing holds it up. */
function floorOf(tree: Tree, foot: number, last: number, settings: Settings): number {
  const discharge = tree.landings[foot]!;
  return isEnd(tree, foot) && discharge.kind === 'discharge' && OUTFALLS[discharge.form].drainsDry
    ? lowestEnd(tree.runs[last]!, discharge, settings)
    : Number.NEGATIVE_INFINITY;
}

function stationsOf(tree: Tree, { runs }: Line): number[] {
  const stations = [0];
  for (const run of runs) stations.push(stations[stations.length - 1]! + tree.runs[run]!.length);
  return stations;
}

type Joining = ReadonlyMap<number, readonly { line: Line; arrival: number }[]>;

/** Highest crown at a node that cover and the other lines that join there allow. */
function ceilingAt({ bound }: Straightening, node: number, own: Line, joining: Joining): number {
  return (joining.get(node) ?? []).reduce(
    (least, { line, arrival }) => (line === own ? least : Math.min(least, arrival)),
    bound[node]!,
  );
}

/** Highest crown with which each line can reach its foot on one pitch, by foot. Branches come after what they join, so from the last. */
function joiningLines(all: Straightening): Joining {
  const { tree, lines, crown, setCrown, laidPitch } = all;
  const joining = new Map<number, { line: Line; arrival: number }[]>();
  for (const line of [...lines].reverse()) {
    const nodes = nodesOf(tree, line);
    const foot = nodes[nodes.length - 1]!;
    if (isEnd(tree, foot)) continue;
    const last = line.runs[line.runs.length - 1]!;
    const stations = stationsOf(tree, line);
    const far = stations[stations.length - 1]!;
    const arrival = setByHand(tree, line, setCrown)
      ? arrivalOf(tree.runs[last]!, crown[tree.upper[last]!]!, laidPitch[last]!)
      : nodes
          .slice(0, -1)
          .reduce(
            (least, node, k) =>
              Math.min(least, ceilingAt(all, node, line, joining) - laidPitch[last]! * (far - stations[k]!)),
            Number.POSITIVE_INFINITY,
          );
    joining.set(foot, [...(joining.get(foot) ?? []), { line, arrival }]);
  }
  return joining;
}
