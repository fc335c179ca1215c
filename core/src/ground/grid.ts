/** A surface as a grid of levels, for water to run over. */
import { distance, extentOf, type Extent, type Place } from '../site/place';
import { BLOCKED, type Ridge } from './padded';
import type { GroundPoint, Surface } from './surface';

export interface Grid {
  cols: number;
  rows: number;
  /** Side of a cell, m. */
  cell: number;
  /** Middle of the first cell: the south-west one. Rows go north. */
  east: number;
  north: number;
  /** m above zero at each middle, row by row; NaN where nothing was levelled. */
  levels: Float64Array;
  /** `BLOCKED`, or 0. */
  kinds: Uint8Array;
  ridges: Ridge[];
}

/** m; a rod's foot, and the finest that a yard's water is told by. */
const FINEST = 0.1;

/** Side of a cell that covers an extent in about so many cells, m: in steps that read well. */
export function cellFor({ west, east, south, north }: Extent, cells: number): number {
  const wanted = Math.sqrt(((east - west) * (north - south)) / cells);
  return [FINEST, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5, 0.75, 1, 1.5, 2, 3, 5, 7.5].find((step) => step >= wanted) ?? wanted;
}

/** A grid over a surface: at every cell's middle the ground there, and the ridges that lie between two middles. */
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
    ridges: [],
  };
  for (let triangle = 0; triangle < surface.size; triangle++) levelTriangle(grid, surface, triangle);
  grid.ridges = ridgesBetween(grid, surface);
  return grid;
}

/** How steeply the ground must fall on both sides of an edge for a ridge, m/m: less is rounding. */
const RIDGE = 1e-6;

/** Edges of a surface from which the ground falls on both sides, by their ends. */
function* ridgesOf(surface: Surface): Generator<[GroundPoint, GroundPoint]> {
  const { triangles, beside, points } = surface;
  for (let edge = 0; edge < triangles.length; edge++) {
    const other = beside[edge]!;
    if (other < edge) continue;
    const next = edge % 3 === 2 ? edge - 2 : edge + 1;
    const [a, b] = [points[triangles[edge]!]!, points[triangles[next]!]!];
    // Square to the edge, out of the triangle that it belongs to: the corners go round clockwise.
    const rise = (half: number): number => {
      const { east, north } = surface.slopeOf(Math.floor(half / 3));
      return (north * (b.east - a.east) - east * (b.north - a.north)) / distance(a, b);
    };
    if (rise(edge) > RIDGE && rise(other) < -RIDGE) yield [a, b];
  }
}

/** A ridge that ends this near a step crosses it, in cells: no water slips between two ridges that share a point. */
const ON_LINE = 1e-9;

/** The four ways from a cell to a neighbour, the other four being those back: columns and rows on. */
const STEPS = [
  [1, 0],
  [0, 1],
  [1, 1],
  [-1, 1],
] as const;

/** Every step from a cell to a neighbour over a ridge, with the ridge's level there; of two ridges in one step the higher. */
function ridgesBetween(grid: Grid, surface: Surface): Ridge[] {
  const { cols, rows, cell: side, levels } = grid;
  const found = new Map<number, Ridge>();
  for (const [a, b] of ridgesOf(surface)) {
    // In columns and rows.
    const [x, y] = [(a.east - grid.east) / side, (a.north - grid.north) / side];
    const [dx, dy] = [(b.east - a.east) / side, (b.north - a.north) / side];
    for (let way = 0; way < 4; way++) {
      const [right, up] = STEPS[way]!;
      // All steps of one way lie on lines right·row − up·col = whole number, which the ridge crosses one after the other.
      const from = right * y - up * x;
      const grows = right * dy - up * dx;
      if (grows === 0) continue;
      const last = Math.floor(Math.max(from, from + grows) + ON_LINE);
      for (let line = Math.ceil(Math.min(from, from + grows) - ON_LINE); line <= last; line++) {
        const share = Math.min(1, Math.max(0, (line - from) / grows));
        // Steps along the line, from where it has a cell's middle.
        const along = up === 0 ? x + share * dx : y + share * dy;
        const start = Math.floor(along);
        const [col, row] = up === 0 ? [start, line] : [right * start - line, start];
        if (col < 0 || row < 0 || col >= cols || row + up >= rows || col + right < 0 || col + right >= cols) continue;
        const cell = row * cols + col;
        const beside = cell + right + up * cols;
        const level = a.level + (b.level - a.level) * share;
        // Comparing with NaN is never true: off the ground there is no ridge.
        if (!(level > levels[cell]! && level > levels[beside]!)) continue;
        const known = found.get(cell * 4 + way);
        if (!known || level > known.level) found.set(cell * 4 + way, { cell, beside, level, share: along - start });
      }
    }
  }
  return [...found.values()];
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
