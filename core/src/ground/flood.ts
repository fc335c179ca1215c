/**
 * Water over a grid of levels: pits filled to where they spill, and the cell that each cell gives its water to.
 *
 * Priority flood (Barnes, Lehman & Mulla 2014): from the open edge inward, always on from the lowest cell reached. Cells that
 * the water has drowned need no order and go through a plain queue.
 */
import { LevelQueue } from './levelQueue';
import { openEdge, padded, type Ridge } from './padded';
import { steered, type Steered } from './steer';

export interface Flow {
  cols: number;
  rows: number;
  /** Level to which each cell fills, m; NaN where there is no ground. */
  filled: Float64Array;
  /** The cell that takes a cell's water, by index; −1 where it leaves the grid, −2 where there is no ground. */
  receiver: Int32Array;
  /** Cells of ground in the order reached: none before the cell that takes its water. */
  order: Int32Array;
}

const LEAVES = -1;
const NO_GROUND = -2;
const NO_RIDGES: readonly Ridge[] = [];

/**
 * Fills and routes a grid of cols × rows levels, row by row, m; NaN where nothing is known, which is an open edge as the grid's own is.
 * `kinds` tells cells that are blocked, `ridges` what rises between two. 8 neighbours; water goes down the slope (`steer.ts`), over a
 * filled pit toward its spill.
 */
export function flood(
  levels: Float64Array,
  cols: number,
  rows: number,
  kinds?: Uint8Array,
  ridges: readonly Ridge[] = NO_RIDGES,
): Flow {
  const grid = padded(levels, { cols, rows, kinds, ridges });
  const { wide, around, level, closed, over, ridgeAt, between } = grid;
  const cells = over.length;
  const filled = new Float64Array(level.length).fill(NaN);
  const from = new Int32Array(level.length).fill(LEAVES);
  const order = new Int32Array(grid.count);
  const queue = new LevelQueue(level, grid.lowest, grid.highest, grid.count);
  const drowned = new Int32Array(grid.count);
  let head = 0;
  let tail = 0;
  for (const cell of openEdge(grid)) {
    filled[cell] = level[cell]!;
    closed[cell] = 1;
    queue.put(cell);
  }
  /** The water comes to a cell or ridge from a cell; it fills to `here` there. */
  const reach = (beside: number, cell: number, here: number): void => {
    if (closed[beside] === 1) return;
    closed[beside] = 1;
    from[beside] = cell;
    const there = level[beside]!;
    if (there <= here) {
      filled[beside] = here;
      drowned[tail++] = beside;
      return;
    }
    filled[beside] = there;
    queue.put(beside);
  };

  let reached = 0;
  for (;;) {
    const cell = head < tail ? drowned[head++]! : queue.take();
    if (cell < 0) break;
    const here = filled[cell]!;
    if (cell >= cells) {
      // Over a ridge the water comes from the one side to the other.
      const [a, b] = [between[2 * (cell - cells)]!, between[2 * (cell - cells) + 1]!];
      reach(from[cell] === a ? b : a, from[cell]!, here);
      continue;
    }
    order[reached++] = cell;
    const barred = over[cell]!;
    for (let step = 0; step < 8; step++) {
      if (((barred >> step) & 1) === 1) reach(ridgeAt.get(8 * cell + step)!, cell, here);
      else if (closed[cell + around[step]!] === 0) reach(cell + around[step]!, cell, here);
    }
  }
  return unpadded({ cols, rows, wide, level, filled, from, order: order.subarray(0, reached), around, over });
}

/** Sends each cell's water on, and gives all back without the padding. */
function unpadded({ cols, rows, wide, ...water }: Reached): Flow {
  const { filled, order } = water;
  const out = new Float64Array(cols * rows);
  const receiver = new Int32Array(cols * rows).fill(NO_GROUND);
  const plain = (padded: number): number => {
    const row = (padded / wide) | 0;
    return (row - 1) * cols + (padded - row * wide) - 1;
  };
  for (let row = 0; row < rows; row++) {
    const start = (row + 1) * wide + 1;
    out.set(filled.subarray(start, start + cols), row * cols);
  }
  const to = steered(water);
  for (let k = 0; k < order.length; k++) {
    const cell = order[k]!;
    const at = plain(cell);
    receiver[at] = to[cell]! === LEAVES ? LEAVES : plain(to[cell]!);
    order[k] = at;
  }
  return { cols, rows, filled: out, receiver, order };
}

interface Reached extends Steered {
  cols: number;
  rows: number;
  wide: number;
}

/** What each cell passes on: its own and all that comes to it, in whatever `own` is told in. */
export function gather(flow: Flow, own: (cell: number) => number): Float64Array {
  const sum = new Float64Array(flow.filled.length);
  for (let k = flow.order.length - 1; k >= 0; k--) {
    const cell = flow.order[k]!;
    const all = (sum[cell]! += own(cell));
    const to = flow.receiver[cell]!;
    if (to >= 0) sum[to]! += all;
  }
  return sum;
}

/**
 * Which of some marks each cell's water meets first on its way: `marks` is −1 where there is none, and the answer −1 where water leaves
 * the grid without meeting one.
 */
export function metFirst(flow: Flow, marks: Int32Array): Int32Array {
  const met = new Int32Array(marks.length).fill(-1);
  for (let k = 0; k < flow.order.length; k++) {
    const cell = flow.order[k]!;
    const own = marks[cell]!;
    const to = flow.receiver[cell]!;
    met[cell] = own >= 0 ? own : to >= 0 ? met[to]! : -1;
  }
  return met;
}
