/** Ponds that a filled grid holds: joined cells that fill to one level. */
import type { Flow } from './flood';

export interface Pond {
  /** Cells with water. */
  cells: number[];
  /** The lowest of them. */
  deepest: number;
  /** m², m, m³, m above zero. */
  area: number;
  depth: number;
  volume: number;
  spillLevel: number;
  /** The cell over which it spills; −1 where that is the grid's own edge. */
  spill: number;
}

/**
 * Ponds of a flooded grid, largest volume first; `cell` is a cell's side, m. Shallower than `least`, m, counts for none: a level is read
 * to some millimetres.
 */
export function findPonds(levels: Float64Array, flow: Flow, cell: number, least = 0): Pond[] {
  const { filled, receiver } = flow;
  const seen = new Uint8Array(filled.length);
  const ponds: Pond[] = [];
  for (let start = 0; start < filled.length; start++) {
    if (seen[start] === 1 || !(filled[start]! > levels[start]!)) continue;
    const spillLevel = filled[start]!;
    const cells = [start];
    seen[start] = 1;
    let deepest = start;
    let sum = 0;
    let spill = -1;
    for (let k = 0; k < cells.length; k++) {
      const at = cells[k]!;
      sum += spillLevel - levels[at]!;
      if (levels[at]! < levels[deepest]!) deepest = at;
      const to = receiver[at]!;
      if (to >= 0 && !(filled[to]! > levels[to]!) && filled[to]! <= spillLevel) spill = to;
      for (const beside of around(flow, at)) {
        if (seen[beside] === 1 || filled[beside] !== spillLevel || !(spillLevel > levels[beside]!)) continue;
        seen[beside] = 1;
        cells.push(beside);
      }
    }
    const depth = spillLevel - levels[deepest]!;
    if (depth <= least) continue;
    ponds.push({
      cells,
      deepest,
      area: cells.length * cell * cell,
      depth,
      volume: sum * cell * cell,
      spillLevel,
      spill,
    });
  }
  return ponds.sort((a, b) => b.volume - a.volume || a.deepest - b.deepest);
}

/** A cell and those round it, within the grid. */
export function around({ cols, rows }: { cols: number; rows: number }, at: number): number[] {
  const row = (at / cols) | 0;
  const col = at - row * cols;
  const cells: number[] = [];
  for (let r = Math.max(0, row - 1); r <= Math.min(rows - 1, row + 1); r++)
    for (let c = Math.max(0, col - 1); c <= Math.min(cols - 1, col + 1); c++) cells.push(r * cols + c);
  return cells;
}
