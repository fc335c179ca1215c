/** Formulas of laying out lines by search. */
import { z } from 'zod';
import { EXACT, leastTree } from '../layout/leastTree';
import { BadGiven, field, positive, sum, type Sum } from './sum';

const cellAt = z.tuple([z.int().min(0), z.int().min(0)]);
/** So many cells at most, and rows of them. */
const MOST = 40_000;

interface Given {
  costs: readonly (readonly (number | null)[])[];
  cell: number;
  root: readonly [number, number];
  ends: readonly (readonly [number, number])[];
}

function treeOf({ costs, cell, root, ends }: Given): { cost: number | null } {
  const [rows, cols] = [costs.length, costs[0]!.length];
  if (costs.some((row) => row.length !== cols))
    throw new BadGiven('costs', 'Every row has as many cells as the first.');
  if (rows * cols > MOST) throw new BadGiven('costs', `No more than ${MOST} cells are searched.`);
  const at = ([row, col]: readonly [number, number], name: string): number => {
    if (row >= rows || col >= cols) throw new BadGiven(name, 'It lies outside the cells.');
    return row * cols + col;
  };
  const grid = { cols, rows, cell, costs: Float64Array.from(costs.flat(), (cost) => cost ?? Infinity) };
  const tree = leastTree(
    grid,
    at(root, 'root'),
    ends.map((end) => at(end, 'ends')),
  );
  return { cost: tree?.cost ?? null };
}

export const layoutSums: readonly Sum[] = [
  sum(
    'layout.tree',
    'Least tree from some ends to one root over cells of unlike cost, by dynamic programming over subsets (Dreyfus & Wagner 1971; Erickson, Monma & Veinott 1987): eight neighbours, a step costs its length times the mean of its two cells, no corner is cut beside a barred one.',
    {
      costs: field(
        z
          .array(z.array(z.number().positive().max(1e9).nullable()).min(1).max(2000))
          .min(1)
          .max(2000),
        '1/m; null where barred',
      ),
      cell: field(positive, 'm'),
      root: field(cellAt, 'row, column'),
      ends: field(z.array(cellAt).min(1).max(EXACT), 'row, column'),
    },
    { cost: 'of the whole tree; null where an end cannot be reached' },
    treeOf,
  ),
];
