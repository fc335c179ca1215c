/**
 * A precipitation-frequency table as public atlases print it: notes, a line of return periods (years), then a line a duration, with
 * depths or intensities, in inches or millimetres. It comes as rows of cells.
 */
import { METRES_PER_INCH } from '../units/constants';
import type { Fault } from '../job/findings';

export interface FrequencyTable {
  /** years, rising */
  returnPeriods: number[];
  /** s, rising */
  durations: number[];
  /** m/s: `intensities[returnPeriod][duration]` */
  intensities: number[][];
  measure: 'depth' | 'intensity';
  unit: 'in' | 'mm';
}

export type ReadTable = { ok: true; table: FrequencyTable } | { ok: false; faults: Fault[] };

const UNITS: readonly [RegExp, number][] = [
  [/^(min|minutes?|m)$/, 60],
  [/^(hr?|hrs|hours?)$/, 3600],
  [/^(days?|d)$/, 86_400],
];

/** `5-min:`, `60 min`, `2-hr`, `24h` or `1 day`, as seconds; null for anything else. */
export function readDuration(text: string): number | null {
  const match = /^(\d+(?:\.\d+)?)[\s-]*([a-z]+)\.?:?$/i.exec(text.trim());
  const factor = match && UNITS.find(([pattern]) => pattern.test(match[2]!.toLowerCase()))?.[1];
  return match && factor ? Number(match[1]) * factor : null;
}

const rises = (values: readonly number[]): boolean => values.every((value, k) => k === 0 || value > values[k - 1]!);

function returnPeriodsOf(cells: readonly string[]): number[] | null {
  const numbers = cells
    .slice(1)
    .filter((cell) => cell !== '')
    .map((cell) => Number(cell.replace(/[\s-]*(years?|yrs?|a)$/i, '')));
  return numbers.length >= 1 &&
    numbers.every((value) => value >= 1 && Number.isFinite(value)) &&
    rises(numbers) &&
    readDuration(cells[0] ?? '') === null
    ? numbers
    : null;
}

/** Reads such a table. Names every line that cannot be read; durations longer than ten days are passed over. */
export function readFrequencyTable(
  table: readonly (readonly string[])[],
  known: Partial<Pick<FrequencyTable, 'measure' | 'unit'>> = {},
): ReadTable {
  const notes: string[] = [];
  const faults: Fault[] = [];
  let returnPeriods: number[] | null = null;
  const rows: { duration: number; values: number[] }[] = [];
  table.forEach((row, index) => {
    const cells = row.map((cell) => cell.trim());
    const duration = readDuration(cells[0] ?? '');
    if (duration === null) {
      // Once the rows have begun, what is not one is a note at the foot.
      const years = rows.length === 0 ? returnPeriodsOf(cells) : null;
      if (years) returnPeriods = years;
      notes.push(cells.join(' '));
      return;
    }
    if (!returnPeriods)
      return void faults.push({ path: `line ${index + 1}`, sentence: 'comes before a line with the return periods' });
    const values = cells.slice(1, 1 + returnPeriods.length).map(Number);
    if (values.length < returnPeriods.length || !values.every((value) => value > 0 && Number.isFinite(value))) {
      return void faults.push({
        path: `line ${index + 1}`,
        sentence: `must hold ${returnPeriods.length} numbers of more than 0`,
      });
    }
    if (duration <= 864_000) rows.push({ duration, values });
  });
  if (!returnPeriods)
    return {
      ok: false,
      faults: [
        { path: 'table', sentence: 'has no line of return periods, such as: duration, 1, 2, 5, 10, 25, 50, 100' },
      ],
    };
  if (rows.length < 2)
    faults.push({ path: 'table', sentence: 'needs two durations or more, such as 5-min and 10-min' });
  if (!rises(rows.map((row) => row.duration)))
    faults.push({ path: 'table', sentence: 'has durations that do not rise from line to line' });
  if (faults.length > 0) return { ok: false, faults };
  const heading = notes.join(' ').toLowerCase();
  const unit = known.unit ?? (/milli|\bmm\b/.test(heading) ? 'mm' : 'in');
  const measure = known.measure ?? (/intensit|\/\s?h/.test(heading) ? 'intensity' : 'depth');
  const metres = unit === 'in' ? METRES_PER_INCH : 0.001;
  return {
    ok: true,
    table: {
      returnPeriods,
      durations: rows.map((row) => row.duration),
      measure,
      unit,
      intensities: (returnPeriods as number[]).map((_, k) =>
        rows.map(({ duration, values }) => (values[k]! * metres) / (measure === 'depth' ? duration : 3600)),
      ),
    },
  };
}
