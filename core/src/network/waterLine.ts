/**
 * The water line of a whole network, from its outlet up. Conventions: the level is carried from run to run (no velocity head, no exit
 * loss); a node's loss K·V²/2g is of the run that leaves it and stands on that run's head; where several runs arrive they all meet
 * the node's level. Flows are added down the tree first.
 */
import { backwater, flowArea, freeDepth, type Backwater, type Reach } from '../hydraulics/backwater';
import { criticalDepth } from '../hydraulics/criticalDepth';
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
  /** Head (m) that each run loses at its head besides, by its index: a throat's. None when absent. */
  throatLoss?: (run: number) => number;
  /** K at the foot of each run that ends at an outlet, where what stands there covers it; none when absent. */
  exitLosses?: ArrayLike<number>;
  runs: readonly WaterRun[];
  /** Runs in such an order that every run comes before the one it flows into. */
  order: ArrayLike<number>;
  /** How a run's reach is worked out, by its index and the level at its foot (m); for whoever remembers some. `backwater` when absent. */
  backwaterOf?: (run: number, level: number) => Backwater;
  /** Likewise its critical depth, and the depth at its foot where it falls free, m. */
  criticalOf?: (run: number) => number;
  freeOf?: (run: number) => number;
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

/** Fall of a run by its inverts, m/m. */
export function slopeOf({ inverts, runs }: Pick<WaterNetwork, 'inverts' | 'runs'>, index: number): number {
  const { from, to, length, invertUp = inverts[from]!, invertDown = inverts[to]! } = runs[index]!;
  return (invertUp - invertDown) / length;
}

/** A run as one reach. */
export const reachOf = ({ length, diameter, roughness }: WaterRun, flow: number, slope: number): Reach => ({
  length,
  diameter,
  roughness,
  slope,
  flow,
});

/** Depth of water (m) over the foot of a pipe that ends where water stands `standing` m over it, or below; `free` where none stands. */
function depthAtEnd(diameter: number, flow: number, free: number, standing: number, exitLoss: number): number {
  if (standing <= 0) return free;
  const full = (Math.PI * diameter ** 2) / 4;
  // In proportion to how far it is covered: a fitting in the open costs nothing.
  const covered = Math.min(1, standing / diameter);
  return Math.max(free, standing + (covered * exitLoss * (flow / full) ** 2) / (2 * GRAVITY));
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

/** Head (m) over a pipe's invert where its water enters at a depth: that depth and K V²/2g. */
const headAt = (depth: number, diameter: number, flow: number, loss: number): number =>
  depth + (loss * (flow / flowArea(depth, diameter)) ** 2) / (2 * GRAVITY);

/**
 * Solves it. `control` gives the level (m) that an outlet node (one with no run out) is kept at or above. Every pipe that ends there has
 * a free depth of its own, and only what `control` says is common to them; the node's own level is the highest of all.
 */
export function solveWaterLine(network: WaterNetwork, control: (node: number) => number): WaterLine {
  const { inverts, losses, runs, order } = network;
  const flows = network.flows ?? flowsDown(network);
  const reach = (index: number): Reach => reachOf(runs[index]!, flows[index]!, slopeOf(network, index));
  const {
    backwaterOf = (index, level) => backwater(reach(index), level),
    criticalOf = (index) => criticalDepth(reach(index)),
    freeOf = (index) => freeDepth(reach(index)),
  } = network;
  const levels = new Float64Array(inverts.length).fill(Number.NaN);
  const reaches = new Array<Backwater>(runs.length);
  const leaves = new Uint8Array(inverts.length);
  for (const run of runs) leaves[run.from] = 1;
  for (let node = 0; node < inverts.length; node++)
    if (!leaves[node]) levels[node] = Math.max(control(node), inverts[node]!);
  for (let k = order.length - 1; k >= 0; k--) {
    const index = order[k]!;
    const run = runs[index]!;
    const { from, to, diameter } = run;
    const flow = flows[index]!;
    const invertUp = run.invertUp ?? inverts[from]!;
    const invertDown = run.invertDown ?? inverts[to]!;
    const over = leaves[to]
      ? levels[to]! - invertDown
      : depthAtEnd(diameter, flow, freeOf(index), control(to) - invertDown, network.exitLosses?.[index] ?? 0);
    const line = backwaterOf(index, over);
    reaches[index] = line;
    if (!leaves[to]) levels[to] = Math.max(levels[to]!, invertDown + over);
    const { depthUp } = line;
    const loss = losses[from]!;
    // Backwater slows a pipe that ran at critical depth, where it passes most; what stands before it does not fall for that.
    const head =
      loss <= 0 || depthUp <= 0 || flow <= 0
        ? depthUp
        : Math.max(
            headAt(depthUp, diameter, flow, loss),
            headAt(Math.min(depthUp, criticalOf(index)), diameter, flow, loss),
          );
    levels[from] = invertUp + head + (network.throatLoss?.(index) ?? 0);
  }
  return { flows, levels, reaches };
}
