/** How a figure came about, on one screen: the formula, the job's own numbers in it, the result and the source. */
import { decimals, type Shown } from '../../units';

export interface Working {
  title: string;
  /** What the figure is, in a crew lead's words. */
  says: string;
  formula: string;
  /** The formula with this job's numbers, SI as computed. */
  numbers: string[];
  result: Shown;
  source: string;
}

/** A number in SI, as computed, for the numbers of a working. */
export const si = (value: number, places: number, unit: string): string => `${decimals(value, places)} ${unit}`;
export const litres = (flow: number): string => `${decimals(flow * 1000, 2)} L/s`;
export const metres = (value: number): string => `${decimals(value, 3)} m`;
