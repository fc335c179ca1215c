/** Words of a section on paper: under each landing upright, in rows so that none lies over another, and over what is crossed. */
import type { Paper } from './paper';

/** Least size that is read at arm's length in a trench, points. */
export const READ = 8;
const LINE_HEIGHT = 10;
/** Two words of a row lie no nearer than this. */
const APART = 6;
/** Rows of words under a section: what has no room in these is left to the tables. */
const ROWS = 4;

export interface Tag {
  /** Where it belongs along the paper, points from the left. */
  at: number;
  lines: readonly string[];
}

export interface PlacedTag extends Tag {
  left: number;
  width: number;
  row: number;
}

/** Places words side by side in as few rows as hold them, each within the page; the first come first. */
export function inRows(
  paper: Paper,
  tags: readonly Tag[],
  { left, right }: { left: number; right: number },
): PlacedTag[] {
  const taken: [from: number, to: number][][] = [];
  return tags.flatMap((tag): PlacedTag[] => {
    const width = Math.max(...tag.lines.map((line) => paper.widthOf(line, { size: READ })));
    const from = Math.max(left, Math.min(right - width, tag.at - width / 2));
    const to = from + width;
    const row = Array.from({ length: ROWS }, (_, k) => k).find((k) =>
      (taken[k] ??= []).every(([a, b]) => to + APART <= a || from >= b + APART),
    );
    if (row === undefined) return [];
    taken[row]!.push([from, to]);
    return [{ ...tag, left: from, width, row }];
  });
}

/** How high some rows of words stand, points. */
export const heightOfRows = (placed: readonly PlacedTag[]): number =>
  placed.length === 0
    ? 0
    : (1 + Math.max(...placed.map(({ row }) => row))) * rowHeight(Math.max(...placed.map(({ lines }) => lines.length)));

export const rowHeight = (lines: number): number => lines * LINE_HEIGHT + 3;

/** Writes words where they were placed, from a level down. */
export function putTags(paper: Paper, placed: readonly PlacedTag[], top: number): void {
  const most = Math.max(1, ...placed.map(({ lines }) => lines.length));
  for (const { lines, left, width, row } of placed)
    lines.forEach((line, k) =>
      paper.say(line, left, top + row * rowHeight(most) + k * LINE_HEIGHT, {
        size: READ,
        width: width + 1,
        align: 'center',
      }),
    );
}

/** A name that goes into so much, its end left off where it does not: the schedule has it whole. */
export function shortened(paper: Paper, name: string, room: number): string {
  if (paper.widthOf(name, { size: READ }) <= room) return name;
  let cut = name.length;
  while (cut > 1 && paper.widthOf(`${name.slice(0, cut)}…`, { size: READ }) > room) cut--;
  return `${name.slice(0, cut)}…`;
}
