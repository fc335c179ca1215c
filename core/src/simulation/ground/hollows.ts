/** The hollows that inlets stand in: what runs out over the rim of one has passed its inlet by. */
import { flood } from '../../ground/flood';
import type { Grid } from '../../ground/grid';
import { findPonds } from '../../ground/ponds';

export interface Hollow {
  cells: readonly number[];
  /** Level from which water runs out of it, m; −∞ on a slope. */
  brim: number;
}

/**
 * The hollow about each inlet, given by its own cells, as far as water stands before it runs on; its own cells alone where it lies on a
 * slope. Where several stand in one hollow the lowest has it: the others share what it has and pass nothing by. Null of those, and off the ground.
 */
export function hollowsOf(grid: Grid, inlets: readonly { cells: readonly number[]; rim: number }[]): (Hollow | null)[] {
  if (inlets.every(({ cells }) => cells.length === 0)) return inlets.map(() => null);
  const { cols, rows, levels, kinds, ridges, cell } = grid;
  const ponds = findPonds(levels, flood(levels, cols, rows, kinds, ridges), cell);
  const pondOf = new Map(ponds.flatMap(({ cells }, k) => cells.map((at): [number, number] => [at, k])));
  const own = inlets.map(({ cells }) => [...new Set(cells.flatMap((at) => pondOf.get(at) ?? []))]);
  const lowest = new Map<number, number>();
  own.forEach((in_, k) => {
    for (const pond of in_) {
      const known = lowest.get(pond);
      if (known === undefined || inlets[k]!.rim < inlets[known]!.rim) lowest.set(pond, k);
    }
  });
  return inlets.map(({ cells }, k) => {
    if (cells.length === 0 || own[k]!.some((pond) => lowest.get(pond) !== k)) return null;
    const about = own[k]!.map((pond) => ponds[pond]!);
    return {
      cells: [...new Set([...cells, ...about.flatMap((pond) => pond.cells)])],
      brim: Math.min(...about.map(({ spillLevel }) => spillLevel), about.length > 0 ? Infinity : -Infinity),
    };
  });
}
