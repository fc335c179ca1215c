/** How long water takes to arrive: sheet flow by the kinematic wave, then shallow flow in rills. */
import { intensityOf, type IntensityTable } from '../rain/intensity';
import { rootBetween } from '../numeric/root';
import { METRES_PER_FOOT, METRES_PER_SECOND_PER_INCH_PER_HOUR } from '../units/constants';

export interface Sheet {
  /** m; sheets break into rills within some 30 m. */
  length: number;
  /** Overland n. */
  roughness: number;
  /** m/m */
  slope: number;
}

const MINUTE = 60;

/**
 * Time (s) of sheet flow under the rain of that same duration (m/s): t = 0.94 (n L)^0.6 / (i^0.4 S^0.3), minutes, feet and inches an
 * hour (Ragan 1971; HEC-22 eq. 3-2), solved together with the table.
 */
export function sheetTime(
  { length, roughness, slope }: Sheet,
  table: IntensityTable,
): { time: number; intensity: number } {
  const part = (0.94 * MINUTE * ((roughness * length) / METRES_PER_FOOT) ** 0.6) / slope ** 0.3;
  const timeUnder = (intensity: number): number => part / (intensity / METRES_PER_SECOND_PER_INCH_PER_HOUR) ** 0.4;
  // Longer rains are weaker, and weaker rain is slower, by less than in proportion: the two curves cross once.
  const shortest = timeUnder(Math.max(...table.intensities)) / 2;
  const longest = timeUnder(Math.min(...table.intensities)) * 2;
  const time = Math.exp(
    rootBetween(
      Math.log(shortest),
      Math.log(longest),
      (at) => at - Math.log(timeUnder(intensityOf(table, Math.exp(at)))),
    ),
  );
  return { time, intensity: intensityOf(table, time) };
}

/** Time (s) of shallow flow: V = 16.13 √S ft/s over turf, 20.33 √S over paving (NRCS TR-55, app. F). */
export function shallowTime({ length, slope, paved }: { length: number; slope: number; paved: boolean }): number {
  return length / ((paved ? 20.33 : 16.13) * METRES_PER_FOOT * Math.sqrt(slope));
}
