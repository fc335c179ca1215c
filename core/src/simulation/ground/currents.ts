/** Where water runs over the ground at one time, as arrows that are few enough to be read. */
import type { GroundFlow } from './groundFlow';

/** Arrows across the longer side of the ground. */
const ACROSS = 14;
/** Less than so is no current to speak of: m²/s, and m of water. */
const LEAST_FLOW = 1e-4;
const LEAST_DEPTH = 0.003;

/** By arrow its cell, and what runs there to the east and to the north, m²/s: of each square of some cells the one where most does. */
export function currentsOf(flow: GroundFlow): Float32Array {
  const { cols, levels } = flow.given;
  const rows = levels.length / cols;
  const side = Math.max(1, Math.ceil(Math.max(cols, rows) / ACROSS));
  const most = new Map<number, readonly [at: number, east: number, north: number, size: number]>();
  for (const at of flow.cells) {
    if (flow.depth[at]! < LEAST_DEPTH) continue;
    const [east, north] = flow.flowAt(at);
    const size = Math.hypot(east, north);
    if (size < LEAST_FLOW) continue;
    const square = Math.floor(Math.floor(at / cols) / side) * cols + Math.floor((at % cols) / side);
    if (size > (most.get(square)?.[3] ?? 0)) most.set(square, [at, east, north, size]);
  }
  return Float32Array.from([...most.values()].flatMap(([at, east, north]) => [at, east, north]));
}
