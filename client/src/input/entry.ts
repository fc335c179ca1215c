/** How each quantity is typed and shown in a field. What is shown parses back to the same value within its rounding. */
import {
  parseArea,
  parseFlow,
  parseLength,
  parsePitch,
  parseRain,
  parseRoofPitch,
  parseShare,
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

export const lengthEntry = (units: UnitSystem): Entry => ({
  show: (value) => text(showLength(value, units)),
  parse: within(
    (typed) => parseLength(typed, units),
    (value) => value > 0 && value <= 10_000,
    'A length is more than zero.',
  ),
});

export const distanceEntry = (units: UnitSystem): Entry => ({
  show: (value) => text(showLength(value, units)),
  parse: within(
    (typed) => parseLength(typed, units),
    (value) => value >= 0 && value <= 10_000,
    'A distance is zero or more.',
  ),
});

/** Several distances, with commas between. */
export const distancesEntry = (units: UnitSystem): Entry<readonly number[]> => {
  const { show, parse } = distanceEntry(units);
  return {
    show: (values) => values.map(show).join(', '),
    parse: (typed) => {
      const read = typed.split(/[,;]/).map((part) => parse(part.trim()));
      const bad = read.find((each) => !each.ok);
      return bad && !bad.ok ? bad : { ok: true, value: read.flatMap((each) => (each.ok ? [each.value] : [])) };
    },
  };
};

export const levelEntry = (units: UnitSystem): Entry => ({
  show: (value) => text(showLevel(value, units)),
  parse: within(
    (typed) => parseLength(typed, units),
    (value) => value > -1000 && value < 9000,
    'That level is off this earth.',
  ),
});

export const coverEntry = (units: UnitSystem): Entry => ({
  show: (value) => text(showSmall(value, units)),
  parse: within(
    (typed) => parseLength(typed, units, 'short'),
    (value) => value >= 0 && value <= 5,
    units === 'us' ? 'Cover is between 0 and 16 ft.' : 'Cover is between 0 and 5 m.',
  ),
});

/** Inside a pipe or an adapter's throat. */
export const boreEntry = (units: UnitSystem): Entry => ({
  show: (value) => text(showSmall(value, units)),
  parse: within(
    (typed) => parseLength(typed, units, 'short'),
    (value) => value >= 0.02 && value <= 3,
    'At least 3/4 in (20 mm), and at most 10 ft (3 m).',
  ),
});

export const areaEntry = (units: UnitSystem): Entry => ({
  show: (value) => text(showArea(value, units)),
  parse: within(
    (typed) => parseArea(typed, units),
    (value) => value > 0 && value <= 1e6,
    'An area is more than zero.',
  ),
});

export const flowEntry = (units: UnitSystem): Entry => ({
  show: (value) => text(showFlow(value, units)),
  parse: within(
    (typed) => parseFlow(typed, units),
    (value) => value > 0 && value <= 10,
    'A flow is more than zero.',
  ),
});

export const rainEntry = (units: UnitSystem): Entry => ({
  show: (value) => text(showRain(value, units)),
  parse: within(
    (typed) => parseRain(typed, units),
    (value) => value > 0 && value < 0.001,
    units === 'us' ? 'A rain between 0 and 140 in/h.' : 'A rain between 0 and 3,600 mm/h.',
  ),
});

export const pitchEntry: Entry = {
  show: (value) => text(showPitch(value)),
  parse: within(parsePitch, (value) => value > 0 && value <= 1, 'A pitch falls: more than 0%, up to 100%.'),
};

export const roofPitchEntry: Entry = {
  show: (value) => `${decimals(value * 12, 1).replace(/\.0$/, '')}/12`,
  parse: within(parseRoofPitch, (value) => value >= 0 && value <= 12, 'A roof pitch is 0/12 or more.'),
};

export const shareEntry: Entry = {
  show: (value) => `${decimals(value * 100, 0)}%`,
  parse: within(parseShare, (value) => value > 0 && value <= 1, 'A share is more than 0% and at most 100%.'),
};

export const coefficientEntry: Entry = {
  show: (value) => decimals(value, 2),
  parse: (typed) => {
    const value = Number(typed.trim());
    return typed.trim() !== '' && value > 0 && value <= 1
      ? { ok: true, value }
      : { ok: false, sentence: 'A runoff coefficient is between 0 and 1, such as 0.95.' };
  },
};
