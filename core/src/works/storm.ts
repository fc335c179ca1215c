/** The storm that what stores water is tried with: a day of the job's own table, its worst five minutes in the middle. */
import type { RainElement } from '../job/kinds';
import { Kept, step } from '../numeric/kept';
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

const NONE: Storm = { step: STEP, intensities: [0, 0] };

const storm = step('design storm', ({ rain }: { rain: RainElement }): Storm => {
  const table = rainTable(rain);
  const longest = rain.table ? Math.min(DAY, Math.max(HOUR, table.durations.at(-1)!)) : HOUR;
  const half = Math.floor(longest / STEP / 2);
  return { step: STEP, intensities: alternatingBlock(table, STEP, 2 * half + 1) };
});

/** The design storm of a rain. */
export const stormOf = (rain: RainElement | undefined, kept = new Kept()): Storm =>
  rain ? kept.ask(storm, { rain }) : NONE;

/** Flows (m³/s) at even times, a step before the storm to a step after it, that a C·A (m²) and a steady flow (m³/s) make of it; each block's flow holds through its middle. */
export const inflowsOf = ({ intensities }: Storm, area: number, fixed: number): number[] => [
  fixed,
  ...intensities.map((intensity) => intensity * area + fixed),
  fixed,
];

/** Volume of what comes in a storm so told, m³: straight between the times, as it is routed. */
export const volumeOf = (inflows: readonly number[], step: number): number =>
  inflows.slice(1).reduce((sum, flow, k) => sum + ((flow + inflows[k]!) / 2) * step, 0);
