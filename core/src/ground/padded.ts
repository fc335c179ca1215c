/** A grid of levels one cell wider all round, with the ridges between its cells, for water to spread over. */

/** What a cell is to the water where it is not plain ground, 0: a building, or a wall that water does not pass. It runs along it, not off it. */
export const BLOCKED = 1;

/** A rise between two neighbouring cells that is higher than both: a step over it is a step up to `level`, m. */
export interface Ridge {
  cell: number;
  beside: number;
  level: number;
  /** Where between their middles, 0 to 1 from `cell`. */
  share: number;
}

export interface Padded {
  cols: number;
  rows: number;
  wide: number;
  /** Steps to the 8 neighbours: up, left, right and down a row, then the corners. */
  around: readonly number[];
  /** By cell, a bit for each of its steps that lead over a ridge; and by cell and step (stride 8) the ridge's place. */
  over: Uint8Array;
  ridgeAt: Map<number, number>;
  /** The two cells that each ridge lies between (stride 2), from the first ridge on. */
  between: Int32Array;
  /** m, of the cells with their rim, and after them of each ridge. */
  level: Float64Array;
  /** 1 where the water has been, or cannot go. */
  closed: Uint8Array;
  lowest: number;
  highest: number;
  /** How many cells water can reach. */
  count: number;
}

/** The levels one cell wider all round, so that no neighbour needs its column looked at. */
export function padded(
  levels: Float64Array,
  {
    cols,
    rows,
    kinds,
    ridges,
  }: { cols: number; rows: number; kinds: Uint8Array | undefined; ridges: readonly Ridge[] },
): Padded {
  //
  //   . . . . .      the padded index of (row, col) is
  //   . a b c .      (row + 1) * wide + col + 1
  //   . d e f .
  //   . . . . .
  const wide = cols + 2;
  const around = [-wide, -1, 1, wide, -wide - 1, -wide + 1, wide - 1, wide + 1];
  const cells = wide * (rows + 2);
  const size = cells + ridges.length;
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
  const inner = (at: number): number => (Math.floor(at / cols) + 1) * wide + (at % cols) + 1;
  const over = new Uint8Array(cells);
  const ridgeAt = new Map<number, number>();
  const between = new Int32Array(2 * ridges.length);
  ridges.forEach((ridge, k) => {
    const [a, b] = [inner(ridge.cell), inner(ridge.beside)];
    if (closed[a] === 1 || closed[b] === 1) return;
    for (const [one, other] of [
      [a, b],
      [b, a],
    ] as const) {
      const step = around.indexOf(other - one);
      over[one]! |= 1 << step;
      ridgeAt.set(8 * one + step, cells + k);
    }
    between.set([a, b], 2 * k);
    level[cells + k] = ridge.level;
    closed[cells + k] = 0;
    if (ridge.level > highest) highest = ridge.level;
    count++;
  });
  return { cols, rows, wide, around, level, closed, lowest, highest, count, over, ridgeAt, between };
}

/** The open edge: cells with no ground beside them that is not a wall. */
export function openEdge({ cols, rows, wide, around, level, closed }: Padded): number[] {
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
