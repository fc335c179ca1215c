/** A supplier's catalogue as a table: what each part costs there. What is read replaces the usual rate of that part in a job; the key names the part. */
import { headOf, type Job } from '../job/job';
import { partRate, pricesOf } from '../price/book';
import type { TakeOff } from '../quantities/takeOff';
import { partLabel } from '../quantities/partLabel';
import { leastUnits, rateUnit } from '../price/words';

export const CATALOGUE_COLUMNS = ['key', 'part', 'unit', 'price', 'currency'] as const;

/** Largest price that is believed, of one unit. */
const MAX_PRICE = 1e6;
const MAX_ROWS = 5000;

/** Every part of a take-off with its price as it stands, for a supplier to fill in. */
export function catalogueTable(job: Job, { parts }: TakeOff): string[][] {
  const { units } = headOf(job);
  const { currency, rates } = pricesOf(job);
  const cents = leastUnits(currency);
  const places = Math.round(Math.log10(cents));
  const rows = parts
    .filter(({ group, item }) => group !== 'ground' || partRate(item) > 0)
    .map(({ key, item, unit }) => {
      const { per, said } = rateUnit(unit, units);
      return [
        key,
        partLabel(item, units),
        said,
        (((rates[key] ?? partRate(item)) * per) / cents).toFixed(places),
        currency,
      ];
    });
  return [[...CATALOGUE_COLUMNS], ...rows];
}

export interface ReadCatalogue {
  /** Least units of the currency for one SI unit, by the part's key. */
  rates: Record<string, number>;
  refused: { row: number; sentence: string }[];
}

/** A figure of money as it is typed in a table; null for anything else. */
function priceIn(said: string): number | null {
  const bare = said.trim().replace(/^[^\d.,=+@-]+/, '');
  if (!/^\d{1,3}(,\d{3})*(\.\d+)?$|^\d+([.,]\d+)?$/.test(bare)) return null;
  const plain = /,\d{3}(,|\.|$)/.test(bare) ? bare.replaceAll(',', '') : bare.replace(',', '.');
  return Number(plain);
}

/** Reads the rows of a catalogue against a take-off. Every row that cannot be taken is named with why; the others are taken. */
export function readCatalogue(
  job: Job,
  { parts }: TakeOff,
  rows: readonly (readonly string[])[],
): ReadCatalogue | { sentence: string } {
  const { units } = headOf(job);
  const { currency } = pricesOf(job);
  const cents = leastUnits(currency);
  const [head = [], ...body] = rows;
  const titles = head.map((title) => title.trim().toLowerCase());
  const [key, price, said] = ['key', 'price', 'currency'].map((title) => titles.indexOf(title));
  if (key! < 0 || price! < 0)
    return {
      sentence:
        'A catalogue has a column “key” and a column “price”. Save the table of this job first, and fill that in.',
    };
  if (body.length > MAX_ROWS)
    return {
      sentence: `It has ${body.length.toLocaleString('en-US')} rows; at most ${MAX_ROWS.toLocaleString('en-US')} are read.`,
    };
  const known = new Map(parts.map((part) => [part.key, part]));
  const read: ReadCatalogue = { rates: {}, refused: [] };
  const seen = new Map<string, number>();
  body.forEach((cells, k) => {
    const row = k + 2;
    const code = (cells[key!] ?? '').trim();
    if (cells.every((cell) => cell.trim() === '')) return;
    const refuse = (sentence: string): void => void read.refused.push({ row, sentence });
    const part = known.get(code);
    if (!part) return refuse(code === '' ? 'has no key.' : `“${code.slice(0, 60)}” is no part of this job.`);
    const before = seen.get(code);
    if (before !== undefined) return refuse(`has the key of row ${before} again; the first one stands.`);
    seen.set(code, row);
    const own = said! >= 0 ? (cells[said!] ?? '').trim().toUpperCase() : '';
    if (own !== '' && own !== currency) return refuse(`is in ${own.slice(0, 10)}; this job is priced in ${currency}.`);
    const typed = (cells[price!] ?? '').trim();
    if (/^[=+@]/.test(typed)) return refuse('has a formula for a price; write the figure.');
    if (typed.startsWith('-') || typed.startsWith('−')) return refuse('has a price below nothing.');
    const value = priceIn(typed);
    if (value === null) return refuse(typed === '' ? 'has no price.' : `has “${typed.slice(0, 40)}” for a price.`);
    if (value > MAX_PRICE) return refuse('has a price that nobody pays.');
    if (cents === 1 && !Number.isInteger(value))
      return refuse(`has a fraction of a ${currency}, which has no smaller coin.`);
    const { per } = rateUnit(part.unit, units);
    read.rates[code] = (value * cents) / per;
  });
  return read;
}
