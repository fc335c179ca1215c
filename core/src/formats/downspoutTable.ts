/**
 * Downspouts with their roofs from a table that is typed or pasted: name, roof seen from above, size, ground at the foot, where it leads and
 * how far. Columns are known by their headings, or stand in that order.
 */
import { DOWNSPOUT_SIZES, type DownspoutSize } from '../catalogue/downspouts';
import { freeOf, newRun } from '../job/edits/insert';
import { freshId } from '../job/ids';
import { headOf, nameOf, type Job } from '../job/job';
import { CREATIONS, isLanding, type Downspout, type Element, type RoofFace } from '../job/kinds';
import { METRES_PER_FOOT } from '../units/constants';
import { parseArea, parseLength, type Parsed } from '../units';
import type { RefusedRow } from './levelsCsv';

type Column = 'name' | 'roof' | 'size' | 'ground' | 'to' | 'pipe';

const USUAL_ORDER: readonly Column[] = ['name', 'roof', 'size', 'ground', 'to', 'pipe'];
const HEADINGS: readonly [RegExp, Column][] = [
  [/^(leads?|runs?) ?to|^(in)?to$/i, 'to'],
  [/pipe|length|trench|distance/i, 'pipe'],
  [/roof|area/i, 'roof'],
  [/size|opening/i, 'size'],
  [/ground|level|foot/i, 'ground'],
  [/name|downspout|no\.?$/i, 'name'],
];

/** More than any house has. */
export const MOST_DOWNSPOUTS = 200;
/** Letters of a name, as a job takes them, and of one that may yet be numbered. */
const MOST_NAME = 120;
const LONGEST = 100;
/** To what it leads to where nobody has said how far, m: 10 ft. */
const USUAL_PIPE = 10 * METRES_PER_FOOT;

export interface DownspoutRow {
  /** From 1, as the table counts. */
  row: number;
  spout: Downspout;
  face: RoofFace;
  /** What it leads to, by its name, and how far, m; null where it leads nowhere yet. */
  leads: { to: string; length: number; assumed: boolean } | null;
}

export interface ReadDownspouts {
  rows: readonly DownspoutRow[];
  refused: readonly RefusedRow[];
}

/** Nominal sizes in whole inches of what is written in millimetres. */
const inchesOf = (number: number): number => (number >= 25 ? Math.round(number / 25.4) : number);

/** A downspout's size as a tradesman writes it: `3x4`, `3 × 4 in`, `4 in round`, `100 mm`; null where none is meant. */
export function parseDownspoutSize(text: string): DownspoutSize | null {
  const [a, b] = [...text.matchAll(/\d+(?:\.\d+)?/g)].map(([digits]) => inchesOf(Number(digits)));
  if (a === undefined) return null;
  const size = b === undefined ? `round${a}` : `rect${Math.min(a, b)}x${Math.max(a, b)}`;
  return DOWNSPOUT_SIZES.find((each) => each === size) ?? null;
}

/** What each column holds, and how many rows stand above the first downspout. */
function columnsOf(rows: readonly (readonly string[])[]): { columns: (Column | null)[]; heads: number } {
  const head = rows[0] ?? [];
  // No cell of a heading begins with a figure, as `Roof ft2` does not.
  if (head.some((cell) => /^\s*[-+]?\d/.test(cell)) || head.length === 0)
    return { columns: [...USUAL_ORDER], heads: 0 };
  const columns = head.map((cell) => HEADINGS.find(([pattern]) => pattern.test(cell.trim()))?.[1] ?? null);
  return columns.includes('roof') ? { columns, heads: 1 } : { columns: [...USUAL_ORDER], heads: 0 };
}

const isEmpty = (cells: readonly string[]): boolean => cells.every((cell) => cell.trim() === '');

/** Rows of a table as downspouts with their roofs; a row that cannot be read says why, and the others stand. */
export function readDownspouts(job: Job, table: readonly (readonly string[])[]): ReadDownspouts {
  const { columns, heads } = columnsOf(table);
  const { units } = headOf(job);
  const creation = CREATIONS.find(({ kind }) => kind === 'downspout')!;
  const taken = new Set(job.elements.all.map(({ id }) => nameOf(job, id)));
  const free = (name: string): string => {
    const found = freeOf(taken, name);
    taken.add(found);
    return found;
  };
  const rows: DownspoutRow[] = [];
  const refused: RefusedRow[] = [];
  table.forEach((cells, k) => {
    if (k < heads || isEmpty(cells)) return;
    const row = k + 1;
    const refuse = (why: string): void => void refused.push({ row, why });
    const cell = (column: Column): string => (cells[columns.indexOf(column)] ?? '').trim();
    const read = (column: Column, parse: (text: string) => Parsed): Parsed | null =>
      cell(column) === '' ? null : parse(cell(column));
    if (rows.length >= MOST_DOWNSPOUTS)
      return refuse(`A table of more than ${MOST_DOWNSPOUTS} downspouts is not read.`);
    const roof = read('roof', (text) => parseArea(text, units));
    if (roof === null) return refuse('How much roof it drains is missing.');
    if (!roof.ok) return refuse(roof.sentence);
    if (!(roof.value > 0 && roof.value <= 1e5)) return refuse('A roof is more than nothing.');
    if (cell('name').length > LONGEST) return refuse(`A name has at most ${LONGEST} letters.`);
    const size = cell('size') === '' ? undefined : parseDownspoutSize(cell('size'));
    if (size === null)
      return refuse(`“${cell('size')}” is no size of downspout: write 2x3, 3x4, 4x5, or 3, 4, 5, 6 in round.`);
    const ground = read('ground', (text) => parseLength(text, units));
    if (ground?.ok === false) return refuse(ground.sentence);
    const pipe = read('pipe', (text) => parseLength(text, units));
    if (pipe?.ok === false) return refuse(pipe.sentence);
    if (pipe?.ok && !(pipe.value > 0)) return refuse('A pipe is longer than nothing.');
    const built = creation.build({
      id: freshId('ds'),
      name: free(cell('name') || 'Downspout 1'),
      groundLevel: ground?.value ?? 0,
    }) as Downspout;
    const spout = size ? { ...built, size } : built;
    const face: RoofFace = {
      id: freshId('face'),
      kind: 'roofFace',
      name: free(`Roof of ${spout.name}`.slice(0, MOST_NAME)),
      storey: 1,
      shape: { type: 'area', area: roof.value },
      feeds: [{ to: spout.id, share: 1 }],
    };
    const leads =
      cell('to') === '' ? null : { to: cell('to'), length: pipe?.value ?? USUAL_PIPE, assumed: pipe === null };
    rows.push({ row, spout, face, leads });
  });
  return withEnds(job, rows, refused);
}

/** What landings are called, as somebody would type it. */
const called = (name: string): string => name.trim().toLowerCase();

/** What rows and a job's landings are called, with their ids: a row stands before a landing of its name. */
const endsOf = (job: Job, rows: readonly DownspoutRow[]): ReadonlyMap<string, string> =>
  new Map([
    ...job.elements.all.filter(isLanding).map(({ id }) => [called(nameOf(job, id)), id] as const),
    ...rows.map(({ spout }) => [called(spout.name), spout.id] as const),
  ]);

/** Rows that lead to something that is there, in the job or in the table; one that goes takes those with it that lead to it. */
function withEnds(job: Job, read: readonly DownspoutRow[], refused: RefusedRow[]): ReadDownspouts {
  let rows = read;
  for (;;) {
    const ends = endsOf(job, rows);
    const why = ({ spout, leads }: DownspoutRow): string | null => {
      if (leads === null) return null;
      const to = ends.get(called(leads.to));
      if (to === undefined) return `Nothing here is called “${leads.to}”.`;
      return to === spout.id ? 'A downspout cannot lead to itself.' : null;
    };
    const kept = rows.filter((row) => why(row) === null);
    for (const each of rows) {
      const said = why(each);
      if (said !== null) refused.push({ row: each.row, why: said });
    }
    if (kept.length === rows.length) break;
    rows = kept;
  }
  refused.sort((a, b) => a.row - b.row);
  return { rows, refused };
}

/** The elements of rows that were read, with a pipe from each that leads somewhere. */
export function downspoutElements(job: Job, rows: readonly DownspoutRow[]): Element[] {
  const ends = endsOf(job, rows);
  return rows.flatMap(({ spout, face, leads }): Element[] => {
    if (!leads) return [face, spout];
    const run = newRun(job, freshId('run'), spout.id, ends.get(called(leads.to))!, leads.length);
    return [face, spout, leads.assumed ? { ...run, assumed: true } : run];
  });
}
