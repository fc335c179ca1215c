/** How a line that stands full empties after the rain: through a hole, and into the soil. */
import { GRAVITY } from '../units/constants';
import { SHARP_ORIFICE } from './leader';

/** Time (s) in which water of a volume (m³) standing at most `depth` m over a hole of `openArea` (m²) runs out of it: the tank's own formula, 2V / (Co A √(2gh)). */
export const throughHole = (volume: number, depth: number, openArea: number): number =>
  (2 * volume) / (SHARP_ORIFICE * openArea * Math.sqrt(2 * GRAVITY * depth));

/** Time (s) in which a volume (m³) sinks into so much wetted soil (m²) of a conductivity (m/s) at unit gradient. */
export const intoSoil = (volume: number, area: number, conductivity: number): number => volume / (conductivity * area);
