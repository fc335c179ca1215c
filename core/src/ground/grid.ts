/** A surface as a grid of levels, for water to run over. */
import { extentOf, type Extent, type Place } from '../site/place';
import { BLOCKED } from './flood';
import type { Surface } from './surface';

export interface Grid {
  cols: number;
  rows: number;
  /** Side of a cell, m. */
  cell: number;
  /** Middle of the first cell: the south-west one. Rows go north. */
  east: number;
  north: number;
  /** m above zero, row by row; NaN where nothing was levelled. */
  levels: Float64Array;
  /** `BLOCKED`, or 0. */
  kinds: Uint8Array;
}

/** m; a rod's foot, and the finest that a yard's water is told by. */
const FINEST = 0.1;

/** Side of a cell that covers an extent in about so many cells, m: in steps that read well. */
export function cellFor({ west, east, south, north }: Extent, cells: number): number {
  const wanted = Math.sqrt(((east - west) * (north - south)) / cells);
  return [FINEST, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5, 0.75, 1, 1.5, 2, 3, 5, 7.5].find((step) => step >= wanted) ?? wanted;
}

/** A grid over a surface; at every cell's middle the ground there. */
export function rasterise(surface: Surface, cell: number): Grid {
  const extent = extentOf(surface.points)!;
  const cols = Math.max(1, Math.ceil((extent.east - extent.west) / cell));
  const rows = Math.max(1, Math.ceil((extent.north - extent.south) / cell));
  const grid: Grid = {
    cols,
    rows,
    cell,
    east: extent.west + cell / 2,
    north: extent.south + cell / 2,
    levels: new Float64Array(cols * rows).fill(NaN),
    kinds: new Uint8Array(cols * rows),
  };
  for (let triangle = 0; triangle < surface.size; triangle++) levelTriangle(grid, surface, triangle);
  return grid;
}

/** Writes the ground of one triangle into the cells whose middles it holds. */
function levelTriangle(grid: Grid, surface: Surface, triangle: number): void {
  const [a, b, c] = surface.corners(triangle);
  const { east, north } = surface.slopeOf(triangle);
  eachWithin(grid, [a, b, c], (at, e, n) => {
    grid.levels[at] = a.level + east * (e - a.east) + north * (n - a.north);
  });
}

/** Visits the cells whose middles lie within an outline: index, and the middle's east and north. */
function eachWithin(
  grid: Grid,
  outline: readonly Place[],
  visit: (at: number, east: number, north: number) => void,
): void {
  const { cols, rows, cell } = grid;
  const extent = extentOf(outline)!;
  const first = Math.max(0, Math.ceil((extent.south - grid.north) / cell));
  const last = Math.min(rows - 1, Math.floor((extent.north - grid.north) / cell));
  const meets: number[] = [];
  for (let row = first; row <= last; row++) {
    const north = grid.north + row * cell;
    meets.length = 0;
    for (let k = 0; k < outline.length; k++) {
      const [a, b] = [outline[k]!, outline[(k + 1) % outline.length]!];
      // A middle that lies on a side's end is counted by the side below it alone, one on a top by neither: no cell is visited twice.
      if (a.north > north !== b.north > north)
        meets.push(a.east + ((north - a.north) / (b.north - a.north)) * (b.east - a.east));
      else if (row === last && a.north === north && b.north === north) meets.push(a.east, b.east);
    }
    meets.sort((one, other) => one - other);
    for (let k = 0; k + 1 < meets.length; k += 2) {
      const from = Math.max(0, Math.ceil((meets[k]! - grid.east) / cell - 1e-9));
      const to = Math.min(cols - 1, Math.floor((meets[k + 1]! - grid.east) / cell + 1e-9));
      for (let col = from; col <= to; col++) visit(row * cols + col, grid.east + col * cell, north);
    }
  }
}

/** Index of the cell that holds a place; −1 outside of the grid. */
export function cellAt(grid: Grid, { east, north }: Place): number {
  const col = Math.round((east - grid.east) / grid.cell);
  const row = Math.round((north - grid.north) / grid.cell);
  return col < 0 || row < 0 || col >= grid.cols || row >= grid.rows ? -1 : row * grid.cols + col;
}

/** Middle of a cell. */
export const placeOf = (grid: Grid, at: number): Place => ({
  east: grid.east + (at % grid.cols) * grid.cell,
  north: grid.north + Math.floor(at / grid.cols) * grid.cell,
});

/** Cells of an outline, by index. */
export function cellsWithin(grid: Grid, outline: readonly Place[]): number[] {
  const cells: number[] = [];
  eachWithin(grid, outline, (at) => void cells.push(at));
  return cells;
}

/** Cells that a way passes, each beside the one before by a side, so that water cannot slip through between two corners. */
export function cellsAlong(grid: Grid, way: readonly Place[]): number[] {
  const cells: number[] = [];
  const put = (col: number, row: number): void => {
    if (col >= 0 && row >= 0 && col < grid.cols && row < grid.rows) cells.push(row * grid.cols + col);
  };
  for (let k = 1; k < way.length; k++) {
    let [col, row] = cellNear(grid, way[k - 1]!);
    const [toCol, toRow] = cellNear(grid, way[k]!);
    const [cols, rows] = [Math.abs(toCol - col), Math.abs(toRow - row)];
    const [right, up] = [Math.sign(toCol - col), Math.sign(toRow - row)];
    put(col, row);
    for (let east = 0, north = 0; east < cols || north < rows;) {
      // The side that is crossed first, of the two ahead.
      if ((1 + 2 * east) * rows < (1 + 2 * north) * cols) {
        col += right;
        east++;
      } else {
        row += up;
        north++;
      }
      put(col, row);
    }
  }
  return cells;
}

const cellNear = (grid: Grid, { east, north }: Place): [number, number] => [
  Math.round((east - grid.east) / grid.cell),
  Math.round((north - grid.north) / grid.cell),
];

/** Marks cells that water does not enter. */
export function block(grid: Grid, cells: Iterable<number>): void {
  for (const at of cells) grid.kinds[at] = BLOCKED;
}
