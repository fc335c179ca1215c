/** How each quantity is typed and shown in a field. What is shown parses back to the same value within its rounding. */
import {
  parseArea,
  parseFlow,
  parseLength,
  parsePitch,
  parseRain,
  parseRoofPitch,
  parseShare,
  METRES_PER_FOOT,
  METRES_PER_INCH,
  showArea,
  showFlow,
  showLength,
  showLevel,
  showPitch,
  showRain,
  showSmall,
  text,
  decimals,
  type Parsed,
  type UnitSystem,
} from '@katabasis/core';

export interface Entry<T = number> {
  show: (value: T) => string;
  parse: (typed: string) => Parsed<T>;
  /** What a bare number is read as. */
  unit?: string;
  /** The keypad that has all its signs. */
  inputMode?: 'decimal' | 'text';
  /** Of a value that is shown in another unit than a bare number is read in: how it is read beside that. */
  beside?: (value: T) => Pick<Entry<T>, 'parse' | 'unit'> | null;
}

/** Refuses what parses but cannot be. */
function within(
  parse: (typed: string) => Parsed,
  right: (value: number) => boolean,
  sentence: string,
): (typed: string) => Parsed {
  return (typed) => {
    const parsed = parse(typed);
    return parsed.ok && !right(parsed.value) ? { ok: false, sentence } : parsed;
  };
}

/** A greatest length in round figures, never more than it is. */
function limit(metres: number, units: UnitSystem): string {
  if (units === 'metric') return metres >= 1 ? `${decimals(metres, 0)} m` : text(showSmall(metres, units));
  const feet = Math.floor(metres / METRES_PER_FOOT);
  return feet >= 2 ? `${decimals(feet, 0)} ft` : `${Math.floor(metres / METRES_PER_INCH)} in`;
}

/** Feet are typed with marks and spaces, which a keypad of figures has not. */
const keypad = (units: UnitSystem): 'decimal' | 'text' => (units === 'us' ? 'text' : 'decimal');
const longUnit = (units: UnitSystem): string => (units === 'us' ? 'ft' : 'm');
const shortUnit = (units: UnitSystem): string => (units === 'us' ? 'in' : 'mm');

export const lengthEntry = (units: UnitSystem): Entry => ({
  show: (value) => text(showLength(value, units)),
  unit: longUnit(units),
  inputMode: keypad(units),
  parse: within(
    (typed) => parseLength(typed, units),
    (value) => value > 0 && value <= 10_000,
    'A length is more than zero.',
  ),
});

export const distanceEntry = (units: UnitSystem): Entry => ({
  show: (value) => text(showLength(value, units)),
  unit: longUnit(units),
  inputMode: keypad(units),
  parse: within(
    (typed) => parseLength(typed, units),
    (value) => value >= 0 && value <= 10_000,
    'A distance is zero or more.',
  ),
});

/** A distance up to `most` m, as `what` says: `A foundation is`. */
export const distanceUpTo = (units: UnitSystem, most: number, what: string): Entry => ({
  ...distanceEntry(units),
  parse: within(
    (typed) => parseLength(typed, units),
    (value) => value >= 0 && value <= most,
    `${what} between 0 and ${limit(most, units)}.`,
  ),
});

/** Several distances, with commas between; where a comma may part decimals, with a space after it or a semicolon. */
export const distancesEntry = (units: UnitSystem): Entry<readonly number[]> => {
  const { show, parse } = distanceEntry(units);
  const between = units === 'us' ? /[,;]/ : /;|,\s+/;
  return {
    show: (values) => values.map(show).join(', '),
    inputMode: 'text',
    parse: (typed) => {
      const read = typed.split(between).map((part) => parse(part.trim()));
      const bad = read.find((each) => !each.ok);
      return bad && !bad.ok ? bad : { ok: true, value: read.flatMap((each) => (each.ok ? [each.value] : [])) };
    },
  };
};

export const levelEntry = (units: UnitSystem): Entry => ({
  show: (value) => text(showLevel(value, units)),
  unit: longUnit(units),
  // A keypad of figures has no minus on every phone.
  inputMode: 'text',
  parse: within(
    (typed) => parseLength(typed, units),
    (value) => value >= -500 && value <= 9000,
    units === 'us'
      ? 'A level is between 1,640 ft below the job’s zero and 29,527 ft above it.'
      : 'A level is between 500 m below the job’s zero and 9,000 m above it.',
  ),
});

/** m of a small dimension's unit: inches or millimetres. */
export const smallUnit = (units: UnitSystem): number => (units === 'us' ? METRES_PER_INCH : 0.001);

/** A small dimension between two, m, as `what` says: `A sump is`. */
export const smallEntry = (units: UnitSystem, low: number, high: number, what: string): Entry => {
  const read = (bare: 'long' | 'short') =>
    within(
      (typed) => parseLength(typed, units, bare),
      (value) => value >= low && value <= high,
      `${what} between ${low > 0 ? text(showSmall(low, units)) : '0'} and ${limit(high, units)}.`,
    );
  return {
    show: (value) => text(showSmall(value, units)),
    unit: shortUnit(units),
    inputMode: keypad(units),
    parse: read('short'),
    // From two feet on it is shown in feet, and so a bare number beside it is feet.
    beside: (value) =>
      units === 'us' && text(showSmall(value, units)).includes('′')
        ? { parse: read('long'), unit: longUnit(units) }
        : null,
  };
};

export const coverEntry = (units: UnitSystem): Entry => smallEntry(units, 0, 5, 'Cover is');

/** Inside a pipe or an adapter's throat. */
export const boreEntry = (units: UnitSystem): Entry => smallEntry(units, 0.02, 3, 'A pipe is');

export const areaEntry = (units: UnitSystem): Entry => ({
  show: (value) => text(showArea(value, units)),
  unit: units === 'us' ? 'ft²' : 'm²',
  inputMode: 'text',
  parse: within(
    (typed) => parseArea(typed, units),
    (value) => value > 0 && value <= 1e6,
    'An area is more than zero.',
  ),
});

/** An area up to `most` m². */
export const areaUpTo = (units: UnitSystem, most: number, what: string): Entry => ({
  ...areaEntry(units),
  parse: within(
    (typed) => parseArea(typed, units),
    (value) => value > 0 && value <= most,
    `${what} more than zero, and at most ${text(showArea(most, units))}.`,
  ),
});

export const flowEntry = (units: UnitSystem): Entry => ({
  show: (value) => text(showFlow(value, units)),
  unit: units === 'us' ? 'gpm' : 'L/s',
  inputMode: 'decimal',
  parse: within(
    (typed) => parseFlow(typed, units),
    (value) => value > 0 && value <= 10,
    `A flow is more than zero, and at most ${units === 'us' ? '158,000 gpm' : '10,000 L/s'}.`,
  ),
});

export const rainEntry = (units: UnitSystem): Entry => ({
  show: (value) => text(showRain(value, units)),
  unit: units === 'us' ? 'in/h' : 'mm/h',
  inputMode: 'decimal',
  parse: within(
    (typed) => parseRain(typed, units),
    (value) => value > 0 && value < 0.001,
    units === 'us' ? 'A rain is between 0 and 140 in/h.' : 'A rain is between 0 and 3,600 mm/h.',
  ),
});

/** A pitch up to `most`, as `what` says. */
export const pitchUpTo = (most: number, what: string, zero = false): Entry => ({
  show: (value) => text(showPitch(value)),
  unit: '%',
  inputMode: 'text',
  parse: within(
    parsePitch,
    (value) => (value > 0 || (zero && value === 0)) && value <= most,
    `${what}: ${zero ? '0%' : 'more than 0%'}, up to ${decimals(most * 100, 0)}%.`,
  ),
});

export const pitchEntry: Entry = pitchUpTo(1, 'A pitch falls');

export const roofPitchEntry: Entry = {
  show: (value) => `${decimals(value * 12, 1).replace(/\.0$/, '')}/12`,
  unit: 'in 12',
  inputMode: 'text',
  parse: within(parseRoofPitch, (value) => value >= 0 && value <= 12, 'A roof pitch is 0/12 or more.'),
};

/** A time in so many of a unit, s. */
const timeEntry = (unit: string, seconds: number, most: number, sentence: string): Entry => ({
  show: (value) => `${decimals(value / seconds, value % seconds === 0 ? 0 : 1)} ${unit}`,
  unit,
  inputMode: 'decimal',
  parse: (typed) => {
    const value =
      Number(
        typed
          .trim()
          .replace(/ ?(h|min|hours|minutes)$/i, '')
          .replace(',', '.'),
      ) * seconds;
    return typed.trim() !== '' && value >= 0 && value <= most ? { ok: true, value } : { ok: false, sentence };
  },
});

export const minutesEntry = timeEntry('min', 60, 1e7, 'A time is in minutes, such as 10.');

/** Hours as they are kept: not in seconds. */
export const hoursEntry: Entry = {
  ...timeEntry('h', 1, 10_000, 'A time is in hours, such as 24.'),
};

/** A bearing or a turn, rad, in degrees. */
export const degreesEntry: Entry = {
  show: (value) => `${decimals((value * 180) / Math.PI, 1).replace(/\.0$/, '')}°`,
  unit: '°',
  inputMode: 'decimal',
  parse: (typed) => {
    const value = Number(typed.trim().replace(/[°d]$/, '').replace(',', '.'));
    return typed.trim() !== '' && Math.abs(value) <= 360
      ? { ok: true, value: (value * Math.PI) / 180 }
      : { ok: false, sentence: 'An angle is in degrees, from -360 to 360.' };
  },
};

/** A share between two, as `what` says. */
export const shareBetween = (low: number, high: number, what: string): Entry => ({
  show: (value) => `${decimals(value * 100, 0)}%`,
  unit: '%',
  inputMode: 'decimal',
  parse: within(
    parseShare,
    (value) => value >= low && value <= high,
    `${what} between ${decimals(low * 100, 0)}% and ${decimals(high * 100, 0)}%.`,
  ),
});

export const shareEntry: Entry = {
  ...shareBetween(0, 1, 'A share is'),
  parse: within(parseShare, (value) => value > 0 && value <= 1, 'A share is more than 0% and at most 100%.'),
};

export const coefficientEntry: Entry = {
  show: (value) => decimals(value, 2),
  inputMode: 'decimal',
  parse: (typed) => {
    const value = Number(typed.trim().replace(',', '.'));
    return typed.trim() !== '' && value > 0 && value <= 1
      ? { ok: true, value }
      : { ok: false, sentence: 'A runoff coefficient is between 0 and 1, such as 0.95.' };
  },
};
