/**
 * What a tradesman says, as SI numbers. Each parser gives `{ ok: true, value }` or `{ ok: false, sentence }`,
 * where the sentence says what would be right; nothing is thrown and nothing is guessed.
 */
import {
  CUBIC_METRES_PER_SECOND_PER_GPM,
  CUBIC_METRES_PER_SECOND_PER_LITRE_PER_SECOND,
  METRES_PER_FOOT,
  METRES_PER_INCH,
  METRES_PER_SECOND_PER_INCH_PER_HOUR,
  METRES_PER_SECOND_PER_MILLIMETRE_PER_HOUR,
  SQUARE_METRES_PER_SQUARE_FOOT,
  type UnitSystem,
} from './constants';

export type Parsed<T = number> = { ok: true; value: T } | { ok: false; sentence: string };

const no = (sentence: string): Parsed => ({ ok: false, sentence });
const yes = (value: number): Parsed => (Number.isFinite(value) ? { ok: true, value } : no('That number is too large.'));

const VULGAR: Record<string, string> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

/** Straightens quotes, minus signs and vulgar fractions, so that the grammar below stays small. */
export function tidy(text: string): string {
  return (
    text
      .trim()
      .toLowerCase()
      .replace(/[−–—]/g, '-')
      .replace(/[’′`]/g, "'")
      .replace(/''|[“”″]/g, '"')
      .replace(
        /(\d)?([½¼¾⅛⅜⅝⅞⅓⅔])/g,
        (_, digit: string | undefined, glyph: string) => `${digit ? `${digit} ` : ''}${VULGAR[glyph]}`,
      )
      // A comma before three digits parts thousands, unless nothing but a nought stands before it; any other parts decimals.
      .replace(/(?<=(?<!\d)[1-9]\d{0,2}(?:,\d{3})*),(?=\d{3}(?!\d))/g, '')
      .replace(/^([^.,]*\d?),(?=\d+[^.,]*$)/, '$1.')
      .replace(/\s+/g, ' ')
  );
}

const PLAIN = String.raw`\d+(?:\.\d*)?|\.\d+`;
const FRACTION = String.raw`\d+\/\d+`;
/** `5`, `5.25`, `5/8` or `4 5/8`. */
const MIXED = `(?:\\d+ ${FRACTION}|\\d+-${FRACTION}|${FRACTION}|${PLAIN})`;

/** The value of a mixed number; NaN for a zero denominator. */
function mixed(text: string): number {
  const parts = text.split(/[ -]/);
  let total = 0;
  for (const part of parts) {
    const [over, under] = part.split('/');
    if (under === undefined) total += Number(over);
    else total += Number(under) === 0 ? Number.NaN : Number(over) / Number(under);
  }
  return total;
}

const GLYPHED = /^[-−–—+]? ?\d*[½¼¾⅛⅜⅝⅞⅓⅔]$/;
const FEET = String.raw`(?:'|ft|feet|foot)`;
const INCHES = String.raw`(?:"|in|inch|inches)`;
const FEET_AND_INCHES = new RegExp(`^(${PLAIN}) ?${FEET} ?(${MIXED}) ?${INCHES}?$`);
const FEET_ONLY = new RegExp(`^(${MIXED}) ?${FEET}$`);
const INCHES_ONLY = new RegExp(`^(${MIXED}) ?${INCHES}$`);
const METRIC_LENGTH = new RegExp(`^(${PLAIN}) ?(mm|cm|m|metres?|meters?)$`);
const BARE_FEET_INCHES = new RegExp(`^(\\d+)[ -](\\d+(?:\\.\\d+)?|${FRACTION}|\\d+ ${FRACTION})$`);
const BARE = new RegExp(`^(${PLAIN})$`);
const METRIC_FACTOR: Record<string, number> = { mm: 0.001, cm: 0.01 };

/** What a bare number means in a length field. */
export type BareLength = 'long' | 'short';

const lengthHint = (units: UnitSystem, bare: BareLength): string =>
  units === 'us'
    ? bare === 'long'
      ? `Write a length such as 12'6", 12 6, 12.5 or 3.8m.`
      : `Write inches such as 4, 4 5/8 or 1/2, or 100mm.`
    : bare === 'long'
      ? 'Write a length such as 12.5, 3.8m or 650mm.'
      : 'Write millimetres such as 100, or 0.1m.';

/**
 * A length, m. A bare number is feet or metres in a `long` field, inches or millimetres in a `short` one;
 * `12 6` is twelve feet six in a US job. Signs are allowed; the field decides whether they make sense.
 */
export function parseLength(text: string, units: UnitSystem, bare: BareLength = 'long'): Parsed {
  const all = tidy(text);
  const negative = all.startsWith('-');
  const body = all.replace(/^[-+] ?/, '');
  // A fraction written as one sign belongs to its number: 12½ is twelve and a half feet, where "12 1/2" could be inches as well.
  const whole = units === 'us' && bare === 'long' && GLYPHED.test(text.trim());
  const metres = whole ? mixed(body) * METRES_PER_FOOT : unsignedLength(body, units, bare);
  if (metres === null || Number.isNaN(metres)) return no(lengthHint(units, bare));
  return yes(negative ? -metres : metres);
}

function unsignedLength(body: string, units: UnitSystem, bare: BareLength): number | null {
  let match = FEET_AND_INCHES.exec(body);
  if (match) return Number(match[1]) * METRES_PER_FOOT + mixed(match[2]!) * METRES_PER_INCH;
  match = FEET_ONLY.exec(body);
  if (match) return mixed(match[1]!) * METRES_PER_FOOT;
  match = INCHES_ONLY.exec(body);
  if (match) return mixed(match[1]!) * METRES_PER_INCH;
  match = METRIC_LENGTH.exec(body);
  if (match) return Number(match[1]) * (METRIC_FACTOR[match[2]!] ?? 1);
  if (units === 'us' && bare === 'short') {
    return new RegExp(`^${MIXED}$`).test(body) ? mixed(body) * METRES_PER_INCH : null;
  }
  if (units === 'us') {
    match = BARE_FEET_INCHES.exec(body);
    // "12 6" is 12 ft 6 in, and "4 5/8" in a long field is 4 5/8 ft only if it were said so: ask instead of guessing.
    if (match && !match[2]!.includes('/'))
      return Number(match[1]) * METRES_PER_FOOT + Number(match[2]) * METRES_PER_INCH;
  }
  match = BARE.exec(body);
  if (!match) return null;
  const perUnit = units === 'us' ? METRES_PER_FOOT : bare === 'long' ? 1 : 0.001;
  return Number(match[1]) * perUnit;
}

const PITCH_HINT = 'Write a pitch such as 2%, 1/4"/ft, 1:48 or 10mm/m.';

/** A bare number below this, as a pitch, may be per cent or fall over length: it is asked about. */
const LEAST_BARE_PITCH = 0.001;

/** A pitch, as fall over length (m/m). A bare number is per cent. */
export function parsePitch(text: string): Parsed {
  const all = tidy(text);
  const negative = all.startsWith('-');
  const body = all.replace(/^[-+] ?/, '');
  const value = unsignedPitch(body);
  if (BARE.test(body) && value !== null && value > 0 && value < LEAST_BARE_PITCH)
    return no(
      `Is that ${body}%, or a fall of ${body} in 1? Write ${body}% or ${Number((Number(body) * 100).toPrecision(6))}%.`,
    );
  if (value === null || Number.isNaN(value)) return no(PITCH_HINT);
  return yes(negative ? -value : value);
}

function unsignedPitch(body: string): number | null {
  let match = new RegExp(`^(${MIXED}) ?${INCHES}? ?(?:\\/|per|a) ?${FEET}$`).exec(body);
  if (match) return mixed(match[1]!) / 12;
  match = new RegExp(`^(${PLAIN}) ?mm ?(?:\\/|per) ?m$`).exec(body);
  if (match) return Number(match[1]) / 1000;
  match = new RegExp(`^(${PLAIN}) ?(?::|in) ?(${PLAIN})$`).exec(body);
  if (match) return Number(match[2]) === 0 ? null : Number(match[1]) / Number(match[2]);
  match = new RegExp(`^(${PLAIN}) ?%?$`).exec(body);
  return match ? Number(match[1]) / 100 : null;
}

/** A roof's pitch, as rise over run. A bare number is rise in 12: `6`, `6/12`, `6:12`; also `27°` or `50%`. */
export function parseRoofPitch(text: string): Parsed {
  const body = tidy(text);
  const hint = 'Write a roof pitch such as 6/12, 6 or 27°.';
  let match = new RegExp(`^(${PLAIN}) ?(?:\\/|:|in) ?12$|^(${PLAIN})$`).exec(body);
  if (match) return yes(Number(match[1] ?? match[2]) / 12);
  match = new RegExp(`^(${PLAIN}) ?(?:°|deg|degrees)$`).exec(body);
  if (match) return Number(match[1]) < 85 ? yes(Math.tan((Number(match[1]) * Math.PI) / 180)) : no(hint);
  match = new RegExp(`^(${PLAIN}) ?%$`).exec(body);
  return match ? yes(Number(match[1]) / 100) : no(hint);
}

interface Suffix {
  pattern: string;
  factor: number;
}

/** One number with an optional unit word; a bare number takes the first factor of the job's units. */
export function parseWithUnit(text: string, bare: number, suffixes: Suffix[], hint: string): Parsed {
  const body = tidy(text);
  const plain = new RegExp(`^(-?(?:${PLAIN}))$`).exec(body);
  if (plain) return yes(Number(plain[1]) * bare);
  for (const { pattern, factor } of suffixes) {
    const match = new RegExp(`^(-?(?:${PLAIN})) ?(?:${pattern})$`).exec(body);
    if (match) return yes(Number(match[1]) * factor);
  }
  return no(hint);
}

/** An area, m². Also `40 x 30` as two lengths. */
export function parseArea(text: string, units: UnitSystem): Parsed {
  const sides = text.split(/[x×*]/i);
  if (sides.length === 2) {
    const [a, b] = sides.map((side) => parseLength(side, units));
    if (a!.ok && b!.ok) return yes(a!.value * b!.value);
  }
  return parseWithUnit(
    text,
    units === 'us' ? SQUARE_METRES_PER_SQUARE_FOOT : 1,
    [
      { pattern: 'ft2|ft²|sq ?ft|sf|square feet', factor: SQUARE_METRES_PER_SQUARE_FOOT },
      { pattern: 'm2|m²|sq ?m', factor: 1 },
    ],
    units === 'us'
      ? 'Write an area such as 1200, 1,200 sq ft or 40 x 30.'
      : 'Write an area such as 110, 110 m² or 12 x 9.',
  );
}

/** A rain intensity, m/s. */
export function parseRain(text: string, units: UnitSystem): Parsed {
  return parseWithUnit(
    text,
    units === 'us' ? METRES_PER_SECOND_PER_INCH_PER_HOUR : METRES_PER_SECOND_PER_MILLIMETRE_PER_HOUR,
    [
      { pattern: 'in ?\\/ ?h|in ?\\/ ?hr|iph|"\\/h', factor: METRES_PER_SECOND_PER_INCH_PER_HOUR },
      { pattern: 'mm ?\\/ ?h|mm ?\\/ ?hr', factor: METRES_PER_SECOND_PER_MILLIMETRE_PER_HOUR },
    ],
    units === 'us' ? 'Write a rain such as 6.5 or 6.5 in/h.' : 'Write a rain such as 150 or 150 mm/h.',
  );
}

/** A flow, m³/s. */
export function parseFlow(text: string, units: UnitSystem): Parsed {
  return parseWithUnit(
    text,
    units === 'us' ? CUBIC_METRES_PER_SECOND_PER_GPM : CUBIC_METRES_PER_SECOND_PER_LITRE_PER_SECOND,
    [
      { pattern: 'gpm', factor: CUBIC_METRES_PER_SECOND_PER_GPM },
      { pattern: 'l ?\\/ ?s|lps', factor: CUBIC_METRES_PER_SECOND_PER_LITRE_PER_SECOND },
    ],
    units === 'us' ? 'Write a flow such as 60 or 60 gpm.' : 'Write a flow such as 3.5 or 3.5 l/s.',
  );
}

/** A share of something, 0–1, from `50`, `50%` or `1/2`. */
export function parseShare(text: string): Parsed {
  const body = tidy(text);
  const fraction = new RegExp(`^${FRACTION}$`).test(body);
  const value = fraction ? mixed(body) : Number(body.replace(/ ?%$/, '')) / 100;
  if (body === '' || !Number.isFinite(value)) return no('Write a share such as 50% or 1/2.');
  return yes(value);
}
