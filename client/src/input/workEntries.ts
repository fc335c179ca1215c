/** How quantities of works are typed that nothing else has: a count, a volume of water, what sinks into the ground. */
import { decimals, showVolume, text, type UnitSystem } from '@katabasis/core';
import type { Entry } from './entry';

interface Plain {
  unit?: string;
  /** SI of one unit. */
  factor?: number;
  low: number;
  high: number;
  places: number;
}

/** A number with its unit written behind it or not; a comma may part its decimals. `sentence` says what is wanted. */
function plainEntry(sentence: string, { unit = '', factor = 1, low, high, places }: Plain): Entry {
  return {
    show: (value) =>
      `${decimals(value / factor, places)
        .replace(/(\.\d*?)0+$/, '$1')
        .replace(/\.$/, '')}${unit && ` ${unit}`}`,
    ...(unit ? { unit } : {}),
    inputMode: 'decimal',
    parse: (typed) => {
      const bare = typed
        .trim()
        .replace(',', '.')
        .replace(/\s*[a-zA-Z/³]+$/, '');
      const value = Number(bare) * factor;
      return bare !== '' && value >= low * (1 - 1e-9) && value <= high * (1 + 1e-9)
        ? { ok: true, value }
        : { ok: false, sentence };
    },
  };
}

/** A bare number between two: of pieces, or of so much to one. */
export const timesEntry = (low: number, high: number): Entry =>
  plainEntry(`A number between ${low} and ${high}.`, { low, high, places: 2 });

/** A whole number between two. */
export const countEntry = (low: number, high: number): Entry => {
  const entry = plainEntry(`A whole number between ${low} and ${high}.`, { low, high, places: 0 });
  return {
    ...entry,
    parse: (typed) => {
      const parsed = entry.parse(typed);
      return parsed.ok && !Number.isInteger(parsed.value)
        ? { ok: false, sentence: `A whole number between ${low} and ${high}.` }
        : parsed;
    },
  };
};

const LITRE = 0.001;
const GALLON = 0.003785411784;

/** A volume of water. */
export const volumeEntry = (units: UnitSystem): Entry => ({
  ...(units === 'us'
    ? plainEntry('A volume is in gallons, such as 55.', {
        unit: 'gal',
        factor: GALLON,
        low: 1e-6,
        high: 1000,
        places: 0,
      })
    : plainEntry('A volume is in litres, such as 200.', {
        unit: 'L',
        factor: LITRE,
        low: 1e-6,
        high: 1000,
        places: 0,
      })),
  show: (value) => text(showVolume(value, units)),
});

const DAY = 86_400;

/** What sinks into ground in a day: kept in m/s. */
export const sinksEntry = (units: UnitSystem): Entry =>
  units === 'us'
    ? plainEntry('So many inches a day, such as 0.4.', {
        unit: 'in/day',
        factor: 0.0254 / DAY,
        low: 1e-10,
        high: 1e-5,
        places: 2,
      })
    : plainEntry('So many mm a day, such as 10.', {
        unit: 'mm/day',
        factor: 0.001 / DAY,
        low: 1e-10,
        high: 1e-5,
        places: 1,
      });

const HOUR = 3600;

/** What soil takes when it is wet, by a test: kept in m/s. */
export const soakEntry = (units: UnitSystem): Entry =>
  units === 'us'
    ? plainEntry('Soil takes so many inches an hour, such as 0.5.', {
        unit: 'in/h',
        factor: 0.0254 / HOUR,
        low: 0,
        high: 0.1,
        places: 3,
      })
    : plainEntry('Soil takes so many mm an hour, such as 12.', {
        unit: 'mm/h',
        factor: 0.001 / HOUR,
        low: 0,
        high: 0.1,
        places: 2,
      });

/** A crew's own pace beside the usual one. */
export const paceEntry: Entry = {
  show: (value) => decimals(value, 2).replace(/\.?0+$/, ''),
  inputMode: 'decimal',
  parse: (typed) => {
    const value = Number(typed.trim().replace(',', '.'));
    return typed.trim() !== '' && value >= 0.1 && value <= 10
      ? { ok: true, value }
      : { ok: false, sentence: 'A pace is between 0.1 and 10, such as 1.5.' };
  },
};
