/**
 * Levels from a surveyor's or a level's own table: a point, north, east, level and what stands there, in whatever order. Rows come as
 * cells; which column holds what is guessed from its heading or its looks, and can be said otherwise.
 */
import { freshId } from '../job/ids';
import type { SpotLevel } from '../job/kinds';
import { METRES_PER_FOOT } from '../units/constants';
import { distance } from '../site/place';

export const COLUMNS = ['point', 'north', 'east', 'level', 'code', 'none'] as const;
export type Column = (typeof COLUMNS)[number];

export interface Mapping {
  /** What each column holds. */
  columns: Column[];
  /** Rows above the first level. */
  heads: number;
  unit: 'm' | 'ft';
}

export interface RefusedRow {
  /** From 1, as a table counts them. */
  row: number;
  why: string;
}

export interface ReadLevels {
  levels: SpotLevel[];
  refused: RefusedRow[];
}

/** More are more than a yard has, and more than a job takes. */
export const MOST_LEVELS = 10_000;
/** This far from every other level's height something is wrong with it, m: 50 ft. */
const FAR_OFF = 50 * METRES_PER_FOOT;
/** Nearer than this two points are one, m. */
const ONE_PLACE = 0.01;
const SAME_LEVEL = 0.005;

const HEADINGS: readonly [RegExp, Column][] = [
  [/^(p(oin)?t|id|no|nr|name|number|point ?id)\.?$/i, 'point'],
  [/^(n|north(ing)?|y)\b/i, 'north'],
  [/^(e|east(ing)?|x)\b/i, 'east'],
  [/^(z|level|elev(ation)?|height|h|rl)\b/i, 'level'],
  [/^(code|desc(ription)?|remark|note|d)\b/i, 'code'],
];

const numberOf = (cell: string): number => {
  const plain = cell.trim();
  return /^[-+]?(\d+([.,]\d*)?|[.,]\d+)(e[-+]?\d+)?$/i.test(plain) ? Number(plain.replace(',', '.')) : NaN;
};

/** What the columns of a table hold: by its heading, or in the order point, north, east, level, code that instruments write. */
export function guessMapping(rows: readonly (readonly string[])[], unit: Mapping['unit']): Mapping {
  const width = Math.max(0, ...rows.slice(0, 50).map((row) => row.length));
  const head = rows[0] ?? [];
  const named = Array.from(
    { length: width },
    (_, k): Column => HEADINGS.find(([pattern]) => pattern.test((head[k] ?? '').trim()))?.[1] ?? 'none',
  );
  const heading = ['north', 'east', 'level'].every((column) => named.includes(column as Column));
  const feet = /\bft|feet\b/i.test(head.join(' '));
  const metres = /\bm\b|met(re|er)s/i.test(head.join(' '));
  const told = feet ? 'ft' : metres ? 'm' : unit;
  if (heading) return { columns: named, heads: 1, unit: told };
  const usual: readonly Column[] =
    width <= 3 ? ['north', 'east', 'level'] : ['point', 'north', 'east', 'level', 'code'];
  return { columns: Array.from({ length: width }, (_, k) => usual[k] ?? 'none'), heads: 0, unit: told };
}

/** Why a table cannot be read as levels at all; null where it can. */
export function mappingFault({ columns }: Mapping): string | null {
  const missing = (['north', 'east', 'level'] as const).filter((column) => !columns.includes(column));
  if (missing.length > 0) return `Say which column holds ${missing.join(' and ')}.`;
  const twice = (['point', 'north', 'east', 'level'] as const).find(
    (column) => columns.filter((each) => each === column).length > 1,
  );
  return twice ? `Two columns are said to hold ${twice}.` : null;
}

/** The levels of a table; every row that cannot be one is named with why. Nothing of it is in a job yet. */
export function readLevels(rows: readonly (readonly string[])[], mapping: Mapping): ReadLevels {
  const refused: RefusedRow[] = [];
  const levels: SpotLevel[] = [];
  const rowOf: number[] = [];
  const at = (column: Column): number => mapping.columns.indexOf(column);
  const factor = mapping.unit === 'ft' ? METRES_PER_FOOT : 1;
  rows.forEach((row, k) => {
    if (k < mapping.heads || row.every((cell) => cell.trim() === '')) return;
    const no = (why: string): void => void refused.push({ row: k + 1, why });
    const cell = (column: Column): string => (at(column) === -1 ? '' : (row[at(column)] ?? '').trim());
    if (row.some((each) => /^\s*[=@]/.test(each) || /^\s*[+-].*[(!]/.test(each)))
      return no('holds a formula, which is not a level');
    for (const column of ['north', 'east', 'level'] as const) {
      const text = cell(column);
      if (text === '') return no(`has no ${column}`);
      const value = numberOf(text) * factor;
      if (!Number.isFinite(value)) return no(`has “${text.slice(0, 30)}” for its ${column}, which is no number`);
      const most = column === 'level' ? 9000 : 100_000;
      if (Math.abs(value) > most) return no(`has its ${column} ${text} further off than any yard reaches`);
    }
    if (levels.length >= MOST_LEVELS)
      return no(`is one too many: a job takes ${MOST_LEVELS.toLocaleString('en-US')} levels`);
    const level: SpotLevel = {
      id: freshId('level'),
      kind: 'spotLevel',
      name: cell('point').slice(0, 120) || `Row ${k + 1}`,
      place: { east: numberOf(cell('east')) * factor, north: numberOf(cell('north')) * factor },
      level: numberOf(cell('level')) * factor,
      ...(cell('code') === '' ? {} : { code: cell('code').slice(0, 60) }),
    };
    levels.push(level);
    rowOf.push(k + 1);
  });
  const beside = new Beside(levels, (other) => rowOf[other]!);
  const fit = levels
    .map((_, k) => k)
    .filter((k) => {
      const why = beside.odd(k);
      if (why !== null) refused.push({ row: rowOf[k]!, why });
      return why === null;
    });
  return { levels: fit.map((k) => levels[k]!), refused: refused.sort((a, b) => a.row - b.row) };
}

/** A cell that levels of about one place fall in, m. */
const CELL = 0.1;
const cellOf = (by: number): number => Math.floor(by / CELL);

/** Some levels beside one another: what is odd about each. */
class Beside {
  /** Heights, rising, and indices of levels by their cell. */
  private readonly sorted: readonly number[];
  private readonly cells = new Map<string, number[]>();

  constructor(
    private readonly levels: readonly SpotLevel[],
    private readonly rowOf: (k: number) => number,
  ) {
    this.sorted = levels.map(({ level }) => level!).sort((a, b) => a - b);
    for (const [k, { place }] of levels.entries()) {
      const key = `${cellOf(place!.east)} ${cellOf(place!.north)}`;
      const there = this.cells.get(key);
      if (there) there.push(k);
      else this.cells.set(key, [k]);
    }
  }

  /** What is odd about a level beside the others; null where nothing is. The first of two at one place stands. */
  odd(k: number): string | null {
    const { levels, sorted } = this;
    const own = levels[k]!;
    const middle = sorted[sorted.length >> 1]!;
    if (levels.length > 2 && Math.abs(own.level! - middle) > FAR_OFF) {
      const near = sorted.some((level) => level !== own.level && Math.abs(level - own.level!) <= FAR_OFF / 5);
      if (!near) return 'lies more than 50 ft above or below all others';
    }
    for (const other of this.near(own)) {
      if (other >= k || distance(levels[other]!.place!, own.place!) > ONE_PLACE) continue;
      if (Math.abs(levels[other]!.level! - own.level!) > SAME_LEVEL)
        return `stands where row ${this.rowOf(other)} does, at another level`;
      return `is row ${this.rowOf(other)} again`;
    }
    return null;
  }

  /** Levels of about the same place, in the order given. */
  private near({ place }: SpotLevel): number[] {
    const found: number[] = [];
    for (let e = -1; e <= 1; e++)
      for (let n = -1; n <= 1; n++)
        found.push(...(this.cells.get(`${cellOf(place!.east) + e} ${cellOf(place!.north) + n}`) ?? []));
    return found.sort((a, b) => a - b);
  }
}

/** Levels as a table, point, north, east, level, code; metres to the millimetre. */
export function levelsTable(
  levels: readonly { name: string; east: number; north: number; level: number; code?: string | undefined }[],
): string[][] {
  const mm = (value: number): string => value.toFixed(3);
  return [
    ['point', 'north (m)', 'east (m)', 'level (m)', 'code'],
    ...levels.map(({ name, east, north, level, code = '' }) => [name, mm(north), mm(east), mm(level), code]),
  ];
}

/** Text of a file by its first bytes: UTF-8 or UTF-16, with or without their marks. */
export function decodeText(bytes: Uint8Array): string {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  // Every other byte of plain figures is nothing in UTF-16.
  const nothing = (from: number): boolean => bytes.length > 8 && [0, 2, 4].every((k) => bytes[from + k] === 0);
  if (nothing(1)) return new TextDecoder('utf-16le').decode(bytes);
  if (nothing(0)) return new TextDecoder('utf-16be').decode(bytes);
  return new TextDecoder('utf-8').decode(bytes);
}
