/** From a frequency table to a job's rain: the design rain, and the rarer one that openings are checked by. */
import type { RainElement } from '../job/kinds';
import { intensityOf } from './intensity';
import { ROOF_DURATION } from './intensityOfRain';

/** Intensities (m/s) by return period (years) and duration (s): `intensities[returnPeriod][duration]`. */
export interface FrequencyRows {
  returnPeriods: readonly number[];
  durations: readonly number[];
  intensities: readonly (readonly number[])[];
}

/** Doors and window wells are commonly checked by this, years. */
const OPENINGS_BY = 100;

function rowOf(
  { returnPeriods, durations, intensities }: FrequencyRows,
  years: number,
): { intensity: number; table: { durations: number[]; intensities: number[] } } {
  const table = { durations: [...durations], intensities: [...intensities[returnPeriods.indexOf(years)]!] };
  return { intensity: intensityOf(table, ROOF_DURATION), table };
}

/** Return periods of a table that are rarer than the design rain's. */
export const rarerThan = ({ returnPeriods }: FrequencyRows, years: number): number[] =>
  returnPeriods.filter((each) => each > years);

/** The rarer rain of a table for openings, of one of its return periods. */
export const openingRain = (rows: FrequencyRows, years: number): NonNullable<RainElement['openings']> => ({
  returnPeriod: years,
  ...rowOf(rows, years),
});

/** What of a station a job's rain remembers. */
interface Station extends FrequencyRows {
  id: string;
  place: string;
}

/** A job's rain from the rain office: a station's design rain of a return period, by what falls on roofs. */
export const officeRain = (station: Station, returnPeriod: number): RainElement => ({
  id: 'rain',
  kind: 'rain',
  ...designRain(station, returnPeriod),
  source: { type: 'office', station: station.id, place: station.place, returnPeriod, duration: ROOF_DURATION },
});

/** The design rain of one of a table's return periods, with the rain for openings: the 100-year one, or the rarest that the table has. */
export function designRain(rows: FrequencyRows, years: number): Pick<RainElement, 'intensity' | 'table' | 'openings'> {
  const rarer = rarerThan(rows, years);
  const openings = rarer.includes(OPENINGS_BY) ? OPENINGS_BY : rarer.at(-1);
  return { ...rowOf(rows, years), ...(openings === undefined ? {} : { openings: openingRain(rows, openings) }) };
}
