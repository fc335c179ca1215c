/** What a pond holds, with its shore between the cells instead of along their sides: a small pond is all shore. */
import type { Grid } from './grid';
import type { Ridge } from './padded';
import type { Place } from '../site/place';
import type { Pond } from './ponds';

/** How far over a step to its neighbour a cell's water reaches where nothing tells: to a wall, the edge, or the lower ground of its spill. */
const HALF_WAY = 0.5;

/** A place in a pond, in cells, and how deep the water is there, m. */
interface Sounding {
  x: number;
  y: number;
  depth: number;
}

/** Finds for any pond of a ground its area (m²) and volume (m³). */
export class Shores {
  private readonly ridgeAt = new Map<number, Ridge>();

  constructor(private readonly grid: Grid) {
    const cells = grid.levels.length;
    for (const ridge of grid.ridges) {
      this.ridgeAt.set(ridge.cell * cells + ridge.beside, ridge);
      this.ridgeAt.set(ridge.beside * cells + ridge.cell, { ...ridge, share: 1 - ridge.share });
    }
  }

  /**
   * Squares of four middles, each counted as far as it lies under water:
   *
   *    dry . . dry      w: water reaches the middle      the polygon is w w s s: where a step from a
   *      s     s        s: the shore on a step           cell with water leads to one without, the
   *     w  . .  w                                        shore; else the cells themselves
   */
  of(pond: Pick<Pond, 'cells' | 'spillLevel'>): Pick<Pond, 'area' | 'volume'> {
    const { cell } = this.grid;
    let [area, volume] = [0, 0];
    for (const { shape } of this.squares(pond))
      for (let k = 2; k < shape.length; k++) {
        const [a, b, c] = [shape[0]!, shape[k - 1]!, shape[k]!];
        const share = Math.abs((b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y)) / 2;
        area += share;
        volume += (share * (a.depth + b.depth + c.depth)) / 3;
      }
    return { area: area * cell ** 2, volume: volume * cell ** 2 };
  }

  /** The water's face, as the pieces of it that lie in single squares: their edges are its shore at its level, and meet. */
  piecesOf(pond: Pick<Pond, 'cells' | 'spillLevel'>): Place[][] {
    const { cell, east, north } = this.grid;
    return [...this.squares(pond)].map(({ row, col, shape }) =>
      shape.map(({ x, y }) => ({ east: east + (col + x) * cell, north: north + (row + y) * cell })),
    );
  }

  /** Squares that a pond reaches into, each with its part under water. */
  private *squares({
    cells,
    spillLevel,
  }: Pick<Pond, 'cells' | 'spillLevel'>): Iterable<{ row: number; col: number; shape: Sounding[] }> {
    const { cols } = this.grid;
    const wet = new Set(cells);
    // A square is known by its south-west corner; those west and south of the grid have one too.
    const corners = new Set<number>();
    const wide = cols + 1;
    for (const at of cells) {
      const corner = Math.floor(at / cols) * wide + (at % cols);
      for (const each of [corner, corner + 1, corner + wide, corner + wide + 1]) corners.add(each);
    }
    for (const corner of corners) {
      const [row, col] = [Math.floor(corner / wide) - 1, (corner % wide) - 1];
      yield { row, col, shape: this.within(row, col, wet, spillLevel) };
    }
  }

  /** The part of one square that is under water, round from a corner with water; its south-west corner lies in this row and column. */
  private within(row: number, col: number, wet: ReadonlySet<number>, spillLevel: number): Sounding[] {
    const { cols, rows, levels } = this.grid;
    const round = [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ] as const;
    const at = round.map(([x, y]) =>
      col + x < 0 || row + y < 0 || col + x >= cols || row + y >= rows ? -1 : (row + y) * cols + col + x,
    );
    const first = at.findIndex((each) => wet.has(each));
    const shape: Sounding[] = [];
    const shore = (from: number, to: number): void => {
      const [a, b] = [round[from]!, round[to]!];
      const share = this.reach(at[from]!, at[to]!, spillLevel);
      shape.push({ x: a[0] + (b[0] - a[0]) * share, y: a[1] + (b[1] - a[1]) * share, depth: 0 });
    };
    for (let k = 0; k < 4; k++) {
      const here = (first + k) % 4;
      const [before, after, across] = [(here + 3) % 4, (here + 1) % 4, (here + 2) % 4];
      if (wet.has(at[here]!)) {
        shape.push({ x: round[here]![0], y: round[here]![1], depth: spillLevel - levels[at[here]!]! });
        continue;
      }
      if (wet.has(at[before]!)) shore(before, here);
      else if (!wet.has(at[after]!) && wet.has(at[across]!)) shore(across, here);
      if (wet.has(at[after]!)) shore(after, here);
    }
    return shape;
  }

  /** How far the water of a cell reaches over a step to one that has none, 0 to 1. */
  private reach(from: number, to: number, spillLevel: number): number {
    const { levels, kinds } = this.grid;
    const depth = spillLevel - levels[from]!;
    const ridge = to < 0 ? undefined : this.ridgeAt.get(from * levels.length + to);
    if (ridge) return (ridge.share * depth) / (depth + Math.max(0, ridge.level - spillLevel));
    const above = to < 0 || kinds[to] !== 0 ? NaN : levels[to]! - spillLevel;
    return above >= 0 ? depth / (depth + above) : HALF_WAY;
  }
}
