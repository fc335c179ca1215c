/** How quantities of works are typed that nothing else has: a count, a volume of water, what sinks into the ground. */
import { decimals, showVolume, text, type UnitSystem } from '@katabasis/core';
import type { Entry } from './entry';

/** A number with its unit written behind it or not; a comma may part its decimals. */
function plainEntry(unit: string, factor: number, low: number, high: number, sentence: string, places: number): Entry {
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
  plainEntry('', 1, low, high, `A number between ${low} and ${high}.`, 2);

/** A whole number between two. */
export const countEntry = (low: number, high: number): Entry => {
  const entry = plainEntry('', 1, low, high, `A whole number between ${low} and ${high}.`, 0);
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
    ? plainEntry('gal', GALLON, 1e-6, 1000, 'A volume is in gallons, such as 55.', 0)
    : plainEntry('L', LITRE, 1e-6, 1000, 'A volume is in litres, such as 200.', 0)),
  show: (value) => text(showVolume(value, units)),
});

const DAY = 86_400;

/** What sinks into ground in a day: kept in m/s. */
export const sinksEntry = (units: UnitSystem): Entry =>
  units === 'us'
    ? plainEntry('in/day', 0.0254 / DAY, 1e-10, 1e-5, 'So many inches a day, such as 0.4.', 2)
    : plainEntry('mm/day', 0.001 / DAY, 1e-10, 1e-5, 'So many mm a day, such as 10.', 1);

const HOUR = 3600;

/** What soil takes when it is wet, by a test: kept in m/s. */
export const soakEntry = (units: UnitSystem): Entry =>
  units === 'us'
    ? plainEntry('in/h', 0.0254 / HOUR, 0, 0.1, 'Soil takes so many inches an hour, such as 0.5.', 3)
    : plainEntry('mm/h', 0.001 / HOUR, 0, 0.1, 'Soil takes so many mm an hour, such as 12.', 2);
