/**
 * SI numbers shown in the job's units. Everything gives `{ value, unit }`, so that a screen can set the number large
 * and the unit small; `text()` joins them for sentences.
 */
import {
  CUBIC_METRES_PER_SECOND_PER_GPM,
  METRES_PER_FOOT,
  METRES_PER_INCH,
  METRES_PER_SECOND_PER_INCH_PER_HOUR,
  METRES_PER_SECOND_PER_MILLIMETRE_PER_HOUR,
  PASCALS_PER_POUND_PER_SQUARE_FOOT,
  SQUARE_METRES_PER_SQUARE_FOOT,
  type UnitSystem,
} from './constants';

export interface Shown {
  value: string;
  unit: string;
}

const MINUS = '−';
/** Between a whole and its fraction, never broken: anything narrower reads as one number in the sun. */
const GAP = '\u00a0';

/** A fixed number of decimals with a true minus sign, thousands parted, and no "−0". */
export function decimals(value: number, places: number): string {
  const rounded = Math.abs(value).toFixed(places);
  const [whole, part] = rounded.split('.');
  const grouped = whole!.replace(/\B(?=(\d{3})+$)/g, ',');
  const sign = value < 0 && Number(rounded) !== 0 ? MINUS : '';
  return `${sign}${grouped}${part ? `.${part}` : ''}`;
}

/** Enough places for `figures` significant figures, at most `most`. */
function significant(value: number, figures: number, most: number): string {
  // Of the rounded number: 99.96 has three figures as 100, not as 100.0.
  const rounded = Math.abs(Number(value.toPrecision(figures)));
  const magnitude = rounded === 0 ? 0 : Math.floor(Math.log10(rounded));
  return decimals(value, Math.min(most, Math.max(0, figures - 1 - magnitude)));
}

/** Three figures with at most `most` places, and as many places as a figure needs that would else read as none. */
function smallToo(value: number, most: number): string {
  const size = Math.abs(value);
  if (size === 0 || size >= 0.95 / 10 ** most) return significant(value, 3, most);
  return size < 1e-6 ? decimals(0, most) : significant(value, 1, 6);
}

const EIGHTHS = ['', '1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8'];

/** Inches to the nearest eighth, as `4 5/8`: in plain digits, which every typeface has. The sign is the caller's. */
function eighths(count: number): string {
  const whole = Math.floor(count / 8);
  const part = EIGHTHS[count % 8]!;
  if (part === '') return `${whole}`;
  return whole === 0 ? part : `${whole}${GAP}${part}`;
}

/** Feet and inches to the nearest eighth (`12′ 6 1/2″`) or nearest inch. */
function feetInches(metres: number, toEighth: boolean): string {
  const step = toEighth ? 8 : 1;
  const total = Math.round((Math.abs(metres) / METRES_PER_INCH) * step);
  const feet = Math.floor(total / (12 * step));
  const rest = total % (12 * step);
  const inches = toEighth ? eighths(rest) : `${rest}`;
  const sign = metres < 0 && total > 0 ? MINUS : '';
  if (total === 0) return '0′';
  if (feet === 0) return `${sign}${inches}″`;
  return rest === 0 ? `${sign}${feet}′` : `${sign}${feet}′${GAP}${inches}″`;
}

/** A distance along the ground. */
export function showLength(metres: number, units: UnitSystem): Shown {
  return units === 'us' ? { value: feetInches(metres, false), unit: '' } : { value: decimals(metres, 2), unit: 'm' };
}

/** A level above the job's datum, always signed unless it is the datum. */
export function showLevel(metres: number, units: UnitSystem): Shown {
  const plus = metres > 0.0005 ? '+' : '';
  return units === 'us'
    ? { value: `${plus}${feetInches(metres, true)}`, unit: '' }
    : { value: `${plus}${decimals(metres, 3)}`, unit: 'm' };
}

/** A small dimension: depth, cover, drop, margin. */
export function showSmall(metres: number, units: UnitSystem): Shown {
  if (units === 'metric') return { value: decimals(metres * 1000, 0), unit: 'mm' };
  if (Math.abs(metres) >= 2 * METRES_PER_FOOT) return { value: feetInches(metres, true), unit: '' };
  const count = Math.round((Math.abs(metres) / METRES_PER_INCH) * 8);
  return { value: `${metres < 0 && count > 0 ? MINUS : ''}${eighths(count)}`, unit: 'in' };
}

/** A pipe's nominal size, kept in m. Inch sizes are sold by round millimetres: 4 in as 100 mm. */
export function showNominal(metres: number, units: UnitSystem): Shown {
  const inches = metres / METRES_PER_INCH;
  if (units === 'us') return { value: significant(inches, 2, 1).replace(/\.0$/, ''), unit: 'in' };
  const inchSize = Math.abs(inches - Math.round(inches)) < 0.01;
  return { value: decimals(inchSize ? Math.round(inches) * 25 : metres * 1000, 0), unit: 'mm' };
}

export function showFlow(cubicMetresPerSecond: number, units: UnitSystem): Shown {
  return units === 'us'
    ? { value: smallToo(cubicMetresPerSecond / CUBIC_METRES_PER_SECOND_PER_GPM, 1), unit: 'gpm' }
    : { value: smallToo(cubicMetresPerSecond * 1000, 2), unit: 'L/s' };
}

export function showVelocity(metresPerSecond: number, units: UnitSystem): Shown {
  return units === 'us'
    ? { value: decimals(metresPerSecond / METRES_PER_FOOT, 1), unit: 'ft/s' }
    : { value: decimals(metresPerSecond, 2), unit: 'm/s' };
}

export function showArea(squareMetres: number, units: UnitSystem): Shown {
  return units === 'us'
    ? { value: decimals(squareMetres / SQUARE_METRES_PER_SQUARE_FOOT, 0), unit: 'ft²' }
    : { value: decimals(squareMetres, 1), unit: 'm²' };
}

export function showRain(metresPerSecond: number, units: UnitSystem): Shown {
  return units === 'us'
    ? { value: decimals(metresPerSecond / METRES_PER_SECOND_PER_INCH_PER_HOUR, 2), unit: 'in/h' }
    : { value: decimals(metresPerSecond / METRES_PER_SECOND_PER_MILLIMETRE_PER_HOUR, 0), unit: 'mm/h' };
}

/** A pitch in per cent; both unit systems read it. */
export function showPitch(pitch: number): Shown {
  return { value: decimals(pitch * 100, 2), unit: '%' };
}

/** The same pitch the way a level or a laser is set: inches a foot, or millimetres a metre. */
export function showPitchTrade(pitch: number, units: UnitSystem): Shown {
  if (units === 'metric') return { value: decimals(pitch * 1000, 1), unit: 'mm/m' };
  return { value: decimals(pitch * 12, 3).replace(/(\.\d\d)0$/, '$1'), unit: 'in/ft' };
}

/** A drag on the bed. */
export function showShear(pascals: number, units: UnitSystem): Shown {
  return units === 'us'
    ? { value: decimals(pascals / PASCALS_PER_POUND_PER_SQUARE_FOOT, 3), unit: 'lb/ft²' }
    : { value: decimals(pascals, 2), unit: 'Pa' };
}

const LITRES_PER_GALLON = 3.785411784;

/** So many of a thing: `1 wye`, `2 wyes`. */
export const many = (count: number, one: string): string => `${count} ${count === 1 ? one : `${one}s`}`;

/** A volume of water (m³). */
export function showVolume(cubicMetres: number, units: UnitSystem): Shown {
  const litres = cubicMetres * 1000;
  return units === 'us'
    ? { value: decimals(litres / LITRES_PER_GALLON, 1), unit: 'gal' }
    : { value: decimals(litres, 0), unit: 'L' };
}

/** What a sump (m³) holds. */
export function showSump(cubicMetres: number, units: UnitSystem): Shown {
  const { value, unit } = showVolume(cubicMetres, units);
  return { value, unit: `${unit} of grit` };
}

/** How long something lasts, as somebody on site says it: minutes, hours, then days. */
export function showDuration(seconds: number): Shown {
  const [minutes, hours] = [seconds / 60, seconds / 3600];
  const many = (count: number, unit: string): Shown => ({
    value: decimals(count, 0),
    unit: `${unit}${Math.round(count) === 1 ? '' : 's'}`,
  });
  if (minutes < 99.5) return minutes < 9.5 ? { value: decimals(minutes, 1), unit: 'minutes' } : many(minutes, 'minute');
  return hours < 71.5 ? many(hours, 'hour') : many(hours / 24, 'day');
}

/** A time, s: to a tenth where it is short. */
export function showSeconds(seconds: number): Shown {
  return { value: decimals(seconds, seconds < 10 ? 1 : 0), unit: 's' };
}

export function showPercent(share: number): Shown {
  return { value: decimals(share * 100, 0), unit: '%' };
}

/** Value and unit for a sentence. */
export function text(shown: Shown): string {
  if (shown.unit === '') return shown.value;
  return shown.unit === '%' ? `${shown.value}%` : `${shown.value}\u00a0${shown.unit}`;
}

/** A time from some beginning on (s), in hours and minutes, as 0:41. */
export const showClock = (seconds: number): string => {
  const minutes = Math.round(seconds / 60);
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
};
