/** How a figure came about, on one screen: the formula, the job's own numbers in it, the result and the source. */
import {
  CUBIC_METRES_PER_SECOND_PER_GPM,
  decimals,
  METRES_PER_FOOT,
  METRES_PER_SECOND_PER_INCH_PER_HOUR,
  METRES_PER_SECOND_PER_MILLIMETRE_PER_HOUR,
  PASCALS_PER_POUND_PER_SQUARE_FOOT,
  SQUARE_METRES_PER_SQUARE_FOOT,
  type Shown,
  type UnitSystem,
} from '../../units';

export interface Working {
  title: string;
  /** What the figure is, in a crew lead's words. */
  says: string;
  formula: string;
  /** The formula with this job's numbers, in the units that the job is worked in. */
  numbers: string[];
  result: Shown;
  source: string;
  /** The same in metric units, for a job in feet. */
  metric?: Working;
}

/** Numbers of a sum in one system of units, and the constants of the formulas that have units of their own. */
export interface Sums {
  /** A length (m), in m or ft. */
  length(value: number, places?: number): string;
  /** The same without its unit, for where a formula takes it. */
  plain(value: number, places?: number): string;
  /** An area (m²), in m² or ft². */
  area(value: number, places?: number): string;
  plainArea(value: number, places?: number): string;
  /** A flow (m³/s), in L/s or gpm. */
  flow(value: number): string;
  /** The same as a formula gives it: cubic feet first, where it is worked in feet. */
  cubic(value: number): string;
  /** The same without its unit, in m³/s or ft³/s. */
  plainFlow(value: number): string;
  /** A rain (m/s), in mm/h or in/h. */
  rain(value: number): string;
  /** A drag on the bed (Pa), in Pa or lb/ft². */
  drag(value: number): string;
  /** Gravity, m/s² or ft/s². */
  g: string;
  /** What Manning's formula is multiplied by: 1 in metres, 1.486 in feet. */
  manning: string;
  /** Coefficients of a sharp-edged weir of 1.66 and a broad one of 1.7, metric. */
  weir: string;
  broadWeir: string;
  /** Weight of water, as what drags takes it. */
  weight: string;
  /** Drag that moves a grain of d mm: this × d^0.277. */
  critical: string;
}

const CUBIC_FOOT = METRES_PER_FOOT ** 3;

const METRIC: Sums = {
  length: (value, places = 3) => `${decimals(value, places)} m`,
  plain: (value, places = 4) => decimals(value, places),
  area: (value, places = 2) => `${decimals(value, places)} m²`,
  plainArea: (value, places = 4) => decimals(value, places),
  flow: (value) => `${decimals(value * 1000, 2)} L/s`,
  cubic: (value) => `${decimals(value * 1000, 2)} L/s`,
  plainFlow: (value) => decimals(value, 5),
  rain: (value) => `${decimals(value / METRES_PER_SECOND_PER_MILLIMETRE_PER_HOUR, 1)} mm/h`,
  drag: (value) => `${decimals(value, 2)} Pa`,
  g: '9.807',
  manning: '',
  weir: '1.66',
  broadWeir: '1.7',
  weight: '1000 × 9.807',
  critical: '0.867',
};

const gallons = (value: number): string =>
  `${decimals(value / CUBIC_METRES_PER_SECOND_PER_GPM, Math.abs(value) < 10 * CUBIC_METRES_PER_SECOND_PER_GPM ? 2 : 1)} gpm`;

const US: Sums = {
  length: (value, places = 3) => `${decimals(value / METRES_PER_FOOT, places)} ft`,
  plain: (value, places = 4) => decimals(value / METRES_PER_FOOT, places),
  area: (value, places = 1) => `${decimals(value / SQUARE_METRES_PER_SQUARE_FOOT, places)} ft²`,
  plainArea: (value, places = 4) => decimals(value / SQUARE_METRES_PER_SQUARE_FOOT, places),
  flow: gallons,
  cubic: (value) => `${decimals(value / CUBIC_FOOT, 4)} ft³/s = ${gallons(value)}`,
  plainFlow: (value) => decimals(value / CUBIC_FOOT, 4),
  rain: (value) => `${decimals(value / METRES_PER_SECOND_PER_INCH_PER_HOUR, 3)} in/h`,
  drag: (value) => `${decimals(value / PASCALS_PER_POUND_PER_SQUARE_FOOT, 4)} lb/ft²`,
  g: '32.17',
  manning: '1.486 × ',
  weir: '3.01',
  broadWeir: '3.08',
  weight: '62.43',
  critical: '0.0181',
};

/** Sums as a job in these units is worked. */
export const sumsIn = (units: UnitSystem): Sums => (units === 'us' ? US : METRIC);

/** A working in the job's units, with the same in metric where the job is in feet. */
export function inBoth<W extends Working | null>(units: UnitSystem, build: (units: UnitSystem) => W): W {
  const own = build(units);
  if (own === null || units === 'metric') return own;
  const metric = build('metric');
  return metric === null ? own : { ...own, metric };
}
