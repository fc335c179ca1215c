/**
 * Water over a grid of levels: pits filled to where they spill, and the cell that each cell gives its water to.
 *
 * Priority flood (Barnes, Lehman & Mulla 2014): from the open edge inward, always on from the lowest cell reached. Cells that wait are
 * sorted by level in two steps, a bucket by rounded level and a heap within the bucket under work, so that the order is exact and
 * nearly as cheap as counting; cells that the water has drowned need no order and go through a plain queue.
 */

/** What a cell is to the water where it is not plain ground, 0: a building, or a wall that water does not pass. It runs along it, not off it. */
export const BLOCKED = 1;

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
/** Enough that a bucket holds a few cells of a large grid. */
const MOST_BUCKETS = 1 << 17;

interface Padded {
  wide: number;
  size: number;
  level: Float64Array;
  /** 1 where the water has been, or cannot go. */
  closed: Uint8Array;
  lowest: number;
  highest: number;
  /** How many cells water can reach. */
  count: number;
}

/** The levels one cell wider all round, so that no neighbour needs its column looked at. */
function padded(levels: Float64Array, cols: number, rows: number, kinds?: Uint8Array): Padded {
  //
  //   . . . . .      the padded index of (row, col) is
  //   . a b c .      (row + 1) * wide + col + 1
  //   . d e f .
  //   . . . . .
  const wide = cols + 2;
  const size = wide * (rows + 2);
  const level = new Float64Array(size).fill(NaN);
  const closed = new Uint8Array(size).fill(1);
  let lowest = Infinity;
  let highest = -Infinity;
  let count = 0;
  for (let row = 0; row < rows; row++) {
    for (let col = 0, at = row * cols, inner = (row + 1) * wide + 1; col < cols; col++, at++, inner++) {
      const here = levels[at]!;
      if (kinds !== undefined && kinds[at] === BLOCKED) {
        level[inner] = Infinity;
        continue;
      }
      if (here !== here) continue;
      level[inner] = here;
      closed[inner] = 0;
      count++;
      if (here < lowest) lowest = here;
      if (here > highest) highest = here;
    }
  }
  return { wide, size, level, closed, lowest, highest, count };
}

/** The open edge: cells with no ground beside them that is not a wall. */
function openEdge(
  level: Float64Array,
  closed: Uint8Array,
  { cols, rows, wide, around }: { cols: number; rows: number; wide: number; around: readonly number[] },
): number[] {
  const edge: number[] = [];
  for (let row = 0; row < rows; row++)
    for (let col = 0, cell = (row + 1) * wide + 1; col < cols; col++, cell++)
      if (
        closed[cell] !== 1 &&
        around.some((side) => {
          const beside = level[cell + side]!;
          return beside !== beside;
        })
      )
        edge.push(cell);
  return edge;
}

/**
 * Fills and routes a grid of cols × rows levels, row by row, m; NaN where nothing is known, which is an open edge as the grid's own is.
 * `kinds` tells cells that are blocked. 8 neighbours; water goes down the steepest of them, over a filled pit toward its spill.
 */
export function flood(levels: Float64Array, cols: number, rows: number, kinds?: Uint8Array): Flow {
  const { wide, size, level, closed, lowest, highest, count } = padded(levels, cols, rows, kinds);
  const filled = new Float64Array(size).fill(NaN);
  const from = new Int32Array(size).fill(LEAVES);
  const order = new Int32Array(count);
  const around = [-wide, -1, 1, wide, -wide - 1, -wide + 1, wide - 1, wide + 1];

  const buckets = Math.max(1, Math.min(MOST_BUCKETS, count));
  const scale = highest > lowest ? (buckets - 1) / (highest - lowest) : 0;
  const first = new Int32Array(buckets).fill(-1);
  const next = new Int32Array(size);
  const heap = new Int32Array(count + 1);
  let heaped = 0;
  const drowned = new Int32Array(count);
  let head = 0;
  let tail = 0;

  const rise = (cell: number): void => {
    let at = heaped++;
    const here = level[cell]!;
    while (at > 0) {
      const parent = (at - 1) >> 1;
      if (level[heap[parent]!]! <= here) break;
      heap[at] = heap[parent]!;
      at = parent;
    }
    heap[at] = cell;
  };
  const lowestHeaped = (): number => {
    const top = heap[0]!;
    const cell = heap[--heaped]!;
    const here = level[cell]!;
    let at = 0;
    for (;;) {
      let child = 2 * at + 1;
      if (child >= heaped) break;
      if (child + 1 < heaped && level[heap[child + 1]!]! < level[heap[child]!]!) child++;
      if (level[heap[child]!]! >= here) break;
      heap[at] = heap[child]!;
      at = child;
    }
    heap[at] = cell;
    return top;
  };

  for (const cell of openEdge(level, closed, { cols, rows, wide, around })) {
    filled[cell] = level[cell]!;
    const bucket = ((level[cell]! - lowest) * scale) | 0;
    next[cell] = first[bucket]!;
    first[bucket] = cell;
  }
  for (let bucket = 0; bucket < buckets; bucket++) for (let c = first[bucket]!; c !== -1; c = next[c]!) closed[c] = 1;

  let reached = 0;
  for (let bucket = 0; bucket < buckets; bucket++) {
    for (let cell = first[bucket]!; cell !== -1; cell = next[cell]!) rise(cell);
    while (heaped > 0 || head < tail) {
      const cell = head < tail ? drowned[head++]! : lowestHeaped();
      order[reached++] = cell;
      const here = filled[cell]!;
      for (let k = 0; k < 8; k++) {
        const beside = cell + around[k]!;
        if (closed[beside] === 1) continue;
        closed[beside] = 1;
        from[beside] = cell;
        const there = level[beside]!;
        if (there <= here) {
          filled[beside] = here;
          drowned[tail++] = beside;
          continue;
        }
        filled[beside] = there;
        const into = ((there - lowest) * scale) | 0;
        if (into === bucket) rise(beside);
        else {
          next[beside] = first[into]!;
          first[into] = beside;
        }
      }
    }
  }
  return unpadded({ cols, rows, wide, level, filled, from, order: order.subarray(0, reached), around });
}

/** Sends each dry cell down its steepest side, and gives all back without the padding. */
function unpadded({
  cols,
  rows,
  wide,
  level,
  filled,
  from,
  order,
  around,
}: {
  cols: number;
  rows: number;
  wide: number;
  level: Float64Array;
  filled: Float64Array;
  from: Int32Array;
  order: Int32Array;
  around: readonly number[];
}): Flow {
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
  for (let k = 0; k < order.length; k++) {
    const cell = order[k]!;
    const here = filled[cell]!;
    let to = from[cell]!;
    if (here === level[cell]) {
      let steepest = 0;
      for (let side = 0; side < 8; side++) {
        const beside = cell + around[side]!;
        const fall = (here - filled[beside]!) * (side < 4 ? 1 : Math.SQRT1_2);
        // Comparing with NaN is never true: no ground takes no water.
        if (fall > steepest) {
          steepest = fall;
          to = beside;
        }
      }
    }
    const at = plain(cell);
    receiver[at] = to === LEAVES ? LEAVES : plain(to);
    order[k] = at;
  }
  return { cols, rows, filled: out, receiver, order };
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
