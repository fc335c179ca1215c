/** A table over as many pages as it takes, its head on each. */
import type { Table } from '@katabasis/core';
import { INK, LINE, SOFT, type Paper, type SayOptions } from './paper';

const SIZE = 8.5;
const GAP = 8;
/** Narrower than this no cell is pressed, points. */
const LEAST = 44;

/** Width of every column: what is widest in it, and what is left over to those that may break their lines. */
function widthsOf(paper: Paper, { columns, rows }: Table): number[] {
  const natural = columns.map(({ title }, k) =>
    rows.reduce(
      (most, row) => Math.max(most, paper.widthOf(row[k] ?? '', { size: SIZE })),
      paper.widthOf(title, { size: SIZE, weight: 'strong' }),
    ),
  );
  const room = paper.width - GAP * (columns.length - 1);
  const total = natural.reduce((sum, width) => sum + width, 0);
  if (total <= room) {
    // Spare room goes where words are.
    const wide = columns.filter(({ wide }) => wide).length || columns.length;
    const spare = (room - total) / wide;
    return natural.map((width, k) => width + (columns[k]!.wide || wide === columns.length ? spare : 0));
  }
  let short = total - room;
  const widths = [...natural];
  // The widest gives way first, down to what the next is; words before figures.
  for (const group of [true, false])
    while (short > 0.5) {
      const able = widths.flatMap((width, k) => (Boolean(columns[k]!.wide) === group && width > LEAST ? [k] : []));
      if (able.length === 0) break;
      const widest = able.reduce((a, b) => (widths[b]! > widths[a]! ? b : a));
      const cut = Math.min(short, Math.max(4, widths[widest]! * 0.1), widths[widest]! - LEAST);
      widths[widest]! -= cut;
      short -= cut;
    }
  return widths;
}

const heightOfRow = (paper: Paper, cells: readonly string[], widths: readonly number[], options: SayOptions): number =>
  Math.max(
    ...cells.map((cell, k) => (cell === '' ? 0 : paper.heightOf(cell, { ...options, width: widths[k]! + 0.5 }))),
    SIZE,
  ) + 6;

/** How high a table stands where it is not parted, points. */
export function heightOfTable(paper: Paper, table: Table): number {
  const widths = widthsOf(paper, table);
  return [table.columns.map(({ title }) => title), ...table.rows].reduce(
    (sum, cells) => sum + heightOfRow(paper, cells, widths, { size: SIZE }),
    8,
  );
}

export function putTable(paper: Paper, table: Table): void {
  const widths = widthsOf(paper, table);
  const { doc } = paper;
  const row = (cells: readonly string[], head: boolean): void => {
    const options = { size: SIZE, ...(head ? { weight: 'strong' as const, colour: SOFT } : { colour: INK }) };
    const height = heightOfRow(paper, cells, widths, options);
    if (!head && paper.y + height > paper.floor) {
      paper.page(paper.title, paper.layout);
      row(
        table.columns.map(({ title }) => title),
        true,
      );
    }
    let x = paper.left;
    cells.forEach((cell, k) => {
      if (cell !== '')
        paper.say(cell, x, paper.y + 3, {
          ...options,
          width: widths[k]! + 0.5,
          align: table.columns[k]!.right ? 'right' : 'left',
        });
      x += widths[k]! + GAP;
    });
    paper.y += height;
    doc
      .moveTo(paper.left, paper.y)
      .lineTo(paper.left + paper.width, paper.y)
      .lineWidth(head ? 1 : 0.4)
      .strokeColor(LINE)
      .stroke();
  };
  row(
    table.columns.map(({ title }) => title),
    true,
  );
  for (const cells of table.rows) row(cells, false);
  paper.y += 8;
}
