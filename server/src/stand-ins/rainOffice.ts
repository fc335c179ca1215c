/**
 * A stand-in for a public rain-frequency service: invented places of different climates. Each table follows
 * i = a(T) / (t + b)^c with t in minutes, the usual three-constant fit, so that it is smooth and its return periods never cross.
 */
import { METRES_PER_SECOND_PER_INCH_PER_HOUR, type RainStation } from '@katabasis/core';

const DURATIONS = [5, 10, 15, 30, 60, 120, 180, 360, 720, 1440].map((minutes) => minutes * 60);
const RETURN_PERIODS = [1, 2, 5, 10, 25, 50, 100];
/** Intensity of each return period as a share of the 10-year one. */
const GROWTH = [0.52, 0.64, 0.84, 1, 1.22, 1.39, 1.57];

interface Climate {
  id: string;
  place: string;
  climate: string;
  /** 10-year 5-minute intensity, in/h. */
  peak: number;
  /** Constants of the fit, minutes and power. */
  b: number;
  c: number;
}

const CLIMATES: Climate[] = [
  { id: 'harrowmere', place: 'Harrowmere', climate: 'Rolling farm country, summer storms', peak: 6, b: 9.5, c: 0.82 },
  { id: 'saltmarren', place: 'Saltmarren', climate: 'Warm coast, sea storms', peak: 8.8, b: 12, c: 0.78 },
  { id: 'coldwick', place: 'Coldwick Fell', climate: 'Cool hills, long soft rain', peak: 3.2, b: 6, c: 0.7 },
  { id: 'drygate', place: 'Drygate Basin', climate: 'Dry plateau, short cloudbursts', peak: 4.4, b: 5.5, c: 0.9 },
];

function table({ id, place, climate, peak, b, c }: Climate): RainStation {
  const intensities = GROWTH.map((share) =>
    DURATIONS.map(
      (seconds) => peak * share * ((5 + b) / (seconds / 60 + b)) ** c * METRES_PER_SECOND_PER_INCH_PER_HOUR,
    ),
  );
  return { id, place, climate, durations: DURATIONS, returnPeriods: RETURN_PERIODS, intensities };
}

/** All stations. `intensities[returnPeriod][duration]`, m/s. */
export const STATIONS: readonly RainStation[] = CLIMATES.map(table);
