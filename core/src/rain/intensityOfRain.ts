/** The rain of a job at every duration. */
import type { RainElement } from '../job/kinds';
import { intensityOf, type IntensityTable } from './intensity';

/** Roofs answer at once: they are sized by the 5-minute rain, and no shorter one is measured, s. */
export const ROOF_DURATION = 300;

/**
 * Intensities (m/s) of a job's rain by duration (s): its table scaled so that its 5 minutes are the job's own word, and the table only
 * says how it weakens after that; the same at all times without a table; none without a rain.
 */
export function rainTable(rain: RainElement | undefined): IntensityTable {
  const uniform = rain?.intensity ?? 0;
  if (!rain?.table) return { durations: [0], intensities: [uniform] };
  const { durations, intensities } = rain.table;
  const tabled = intensityOf(rain.table, ROOF_DURATION);
  const scale = tabled > 0 ? uniform / tabled : 0;
  return { durations, intensities: intensities.map((intensity) => scale * intensity) };
}
