/** What is measured on a visit, as somebody says it: a time on a watch, what goes into a bucket. */
import { parseWithUnit, tidy, type Parsed } from './parse';
import type { UnitSystem } from './constants';

const GALLON = 0.003785411784;
const CUP = GALLON / 16;
const LITRE = 0.001;

/** A time (s) from `42`, `42 s`, `1:30`, `2 min 10`, `1 h 5 min`. More than nothing. */
export function parseWatch(typed: string): Parsed {
  const body = tidy(typed);
  const no: Parsed = { ok: false, sentence: 'Write a time such as 42, 1:30 or 2 min 10 s.' };
  const clock = /^(?:(\d{1,3}):)?(\d{1,3}):([0-5]\d(?:[.,]\d+)?)$/.exec(body);
  const words =
    /^(?:(\d+(?:\.\d+)?) ?h(?:ours?)?)? ?(?:(\d+(?:\.\d+)?) ?m(?:in(?:utes?)?)?)? ?(?:(\d+(?:[.,]\d+)?) ?s?(?:ec(?:onds?)?)?)?$/.exec(
      body,
    );
  const found = body === '' ? null : (clock ?? words);
  if (!found) return no;
  const [hours, minutes, seconds] = found.slice(1).map((part) => Number((part ?? '0').replace(',', '.'))) as [
    number,
    number,
    number,
  ];
  const value = hours * 3600 + minutes * 60 + seconds;
  return value > 0 ? { ok: true, value } : { ok: false, sentence: 'A test takes longer than no time at all.' };
}

/** A volume (m³) from `5`, `5 gal`, `20 L`, `3 cups`; a bare number is gallons, or litres. */
export function parseVolume(typed: string, units: UnitSystem, bare: 'bucket' | 'scoop' = 'bucket'): Parsed {
  const us = bare === 'bucket' ? GALLON : CUP;
  return parseWithUnit(
    typed,
    units === 'us' ? us : LITRE,
    [
      { pattern: 'gal(?:lons?)?|g', factor: GALLON },
      { pattern: 'qts?|quarts?', factor: GALLON / 4 },
      { pattern: 'cups?|c', factor: CUP },
      { pattern: 'l|lit(?:re|er)s?', factor: LITRE },
    ],
    bare === 'bucket'
      ? units === 'us'
        ? 'Write what goes into the bucket, such as 5 or 5 gal.'
        : 'Write what goes into the bucket, such as 10 or 10 L.'
      : units === 'us'
        ? 'Write what was scooped out, such as 3 cups or 1 gal.'
        : 'Write what was scooped out, such as 0.5 or 0.5 L.',
  );
}
