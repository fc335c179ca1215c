/** The storm that what stores water is tried with: a day of the job's own table, its worst five minutes in the middle. */
import type { RainElement } from '../job/kinds';
import { alternatingBlock } from '../rain/alternatingBlock';
import { rainTable } from '../rain/intensityOfRain';

export interface Storm {
  /** s */
  step: number;
  /** m/s, one a step. */
  intensities: readonly number[];
}

const STEP = 300;
const DAY = 86_400;
/** Of a rain of which only one intensity is known: an hour of it. */
const HOUR = 3600;

const storms = new WeakMap<RainElement, Storm>();
const NONE: Storm = { step: STEP, intensities: [0, 0] };

/** The design storm of a rain; the same object for as long as the rain is. */
export function stormOf(rain: RainElement | undefined): Storm {
  if (!rain) return NONE;
  const known = storms.get(rain);
  if (known) return known;
  const table = rainTable(rain);
  const longest = rain.table ? Math.min(DAY, Math.max(HOUR, table.durations.at(-1)!)) : HOUR;
  const half = Math.floor(longest / STEP / 2);
  const made = { step: STEP, intensities: alternatingBlock(table, STEP, 2 * half + 1) };
  storms.set(rain, made);
  return made;
}

/** Flows (m³/s) at even times, a step before the storm to a step after it, that a C·A (m²) and a steady flow (m³/s) make of it; each block's flow holds through its middle. */
export const inflowsOf = ({ intensities }: Storm, area: number, fixed: number): number[] => [
  fixed,
  ...intensities.map((intensity) => intensity * area + fixed),
  fixed,
];

/** Volume of what comes in a storm so told, m³: straight between the times, as it is routed. */
export const volumeOf = (inflows: readonly number[], step: number): number =>
  inflows.slice(1).reduce((sum, flow, k) => sum + ((flow + inflows[k]!) / 2) * step, 0);
