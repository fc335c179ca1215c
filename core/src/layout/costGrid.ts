/** Ground as square cells that a trench costs its way over, and steps between them. */

export interface CostGrid {
  cols: number;
  rows: number;
  /** Side of a cell, m. */
  cell: number;
  /** By cell, row by row, what a metre of trench costs there; ∞ where none may go. */
  costs: Float64Array;
}

/** Steps to the 8 neighbours: along columns and rows, then the corners. */
const STEPS = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
  [1, 1],
  [1, -1],
  [-1, 1],
  [-1, -1],
] as const;

/** All steps of a grid, by the cell that they begin at: those of cell k stand from `first[k]` to before `first[k + 1]`. */
export interface Steps {
  first: Int32Array;
  to: Int32Array;
  cost: Float64Array;
}

/**
 * Every step to a cell beside that a trench may go: its cost is its length times the mean of its two cells. A corner is not cut where either
 * cell beside it is barred.
 */
export function stepsOf({ cols, rows, cell, costs }: CostGrid): Steps {
  const first = new Int32Array(costs.length + 1);
  const to = new Int32Array(8 * costs.length);
  const cost = new Float64Array(8 * costs.length);
  let count = 0;
  for (let at = 0; at < costs.length; at++) {
    first[at] = count;
    const own = costs[at]!;
    if (own === Infinity) continue;
    const row = (at / cols) | 0;
    const col = at - row * cols;
    for (let k = 0; k < 8; k++) {
      const [right, up] = STEPS[k]!;
      const [c, r] = [col + right, row + up];
      if (c < 0 || r < 0 || c >= cols || r >= rows) continue;
      const beside = r * cols + c;
      const there = costs[beside]!;
      const isCut = k >= 4 && (costs[at + right] === Infinity || costs[at + up * cols] === Infinity);
      if (there === Infinity || isCut) continue;
      to[count] = beside;
      cost[count++] = ((k < 4 ? cell : Math.SQRT2 * cell) * (own + there)) / 2;
    }
  }
  first[costs.length] = count;
  return { first, to: to.subarray(0, count), cost: cost.subarray(0, count) };
}
