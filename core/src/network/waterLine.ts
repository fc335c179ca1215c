/**
 * The water line of a whole network, from its outlet up. Conventions: the level is carried from run to run (no velocity head, no exit
 * loss); a node's loss K·V²/2g is of the run that leaves it and stands on that run's head; where several runs arrive they all meet
 * the node's level. Flows are added down the tree first.
 */
import { backwater, flowArea, freeDepth, type Backwater, type Reach } from '../hydraulics/backwater';
import { GRAVITY } from '../units/constants';

/** A network by index: nodes in any order, at most one run out of each, no loops. */
export interface WaterNetwork {
  /** m, m³/s and K, one a node. */
  inverts: ArrayLike<number>;
  /** Left out where the flow of each run is known. */
  inflows?: ArrayLike<number>;
  /** m³/s, one a run. */
  flows?: Float64Array;
  losses: ArrayLike<number>;
  runs: readonly WaterRun[];
  /** Runs in such an order that every run comes before the one it flows into. */
  order: ArrayLike<number>;
  /** How a run's reach is worked out, by its index; for whoever remembers some of them. `backwater` when absent. */
  backwaterOf?: (run: number, reach: Reach, level: number) => Backwater;
}

export interface WaterRun {
  from: number;
  to: number;
  length: number;
  diameter: number;
  roughness: number;
  /** Inverts at its ends when they are not the nodes', m. */
  invertUp?: number;
  invertDown?: number;
}

export interface WaterLine {
  /** m³/s passing each run. */
  flows: Float64Array;
  /** m, one a node; the outlet's own among them. */
  levels: Float64Array;
  /** One a run. */
  reaches: Backwater[];
}

function reachOf(network: WaterNetwork, run: WaterRun, flow: number): Reach & { invertUp: number; invertDown: number } {
  const invertUp = run.invertUp ?? network.inverts[run.from]!;
  const invertDown = run.invertDown ?? network.inverts[run.to]!;
  return {
    length: run.length,
    diameter: run.diameter,
    roughness: run.roughness,
    slope: (invertUp - invertDown) / run.length,
    flow,
    invertUp,
    invertDown,
  };
}

/** Flow that passes each run: what enters at and above its head. */
export function flowsDown({ inverts, inflows, runs, order }: WaterNetwork): Float64Array {
  const passing = inflows ? Float64Array.from(inflows) : new Float64Array(inverts.length);
  const flows = new Float64Array(runs.length);
  for (let k = 0; k < order.length; k++) {
    const run = runs[order[k]!]!;
    flows[order[k]!] = passing[run.from]!;
    passing[run.to]! += passing[run.from]!;
  }
  return flows;
}

/**
 * Solves it. `control` gives the level (m) that an outlet node (one with no run out) is kept at or above; the pipe's own free depth
 * when that stands higher.
 */
export function solveWaterLine(network: WaterNetwork, control: (node: number) => number): WaterLine {
  const { inverts, losses, runs, order, backwaterOf = (_, reach, level) => backwater(reach, level) } = network;
  const flows = network.flows ?? flowsDown(network);
  const levels = new Float64Array(inverts.length).fill(Number.NaN);
  const reaches = new Array<Backwater>(runs.length);
  const leaves = new Uint8Array(inverts.length);
  for (const run of runs) leaves[run.from] = 1;
  for (let node = 0; node < inverts.length; node++)
    if (!leaves[node]) levels[node] = Math.max(control(node), inverts[node]!);
  // The water at an outlet stands at least at the free depth of the pipes that end there.
  for (let k = 0; k < runs.length; k++) {
    const { to } = runs[k]!;
    if (leaves[to]) continue;
    const reach = reachOf(network, runs[k]!, flows[k]!);
    levels[to] = Math.max(levels[to]!, reach.invertDown + freeDepth(reach));
  }
  for (let k = order.length - 1; k >= 0; k--) {
    const index = order[k]!;
    const run = runs[index]!;
    const reach = reachOf(network, run, flows[index]!);
    const line = backwaterOf(index, reach, levels[run.to]! - reach.invertDown);
    reaches[index] = line;
    const velocity = line.depthUp > 0 ? reach.flow / flowArea(line.depthUp, run.diameter) : 0;
    levels[run.from] = reach.invertUp + line.depthUp + (losses[run.from]! * velocity * velocity) / (2 * GRAVITY);
  }
  return { flows, levels, reaches };
}
