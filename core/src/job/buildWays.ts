/** How a job is built, where crews differ: usual ways, which a job's own `ways` override one by one. */

import { METRES_PER_FOOT } from '../units/constants';

export const BASIN_FLOORS = ['weep', 'sealed'] as const;
export const SODS = ['kept', 'new', 'seed'] as const;
export const EARTHS = ['used', 'hauled'] as const;
export const OPENINGS = ['whole', 'stretch'] as const;

export interface BuildWays {
  /** Holes in a basin's floor that its last water soaks away by; by soil and how near a building it stands, when absent. */
  basinFloor?: (typeof BASIN_FLOORS)[number] | undefined;
  /** Turf over what is dug: cut, kept and laid back, bought new, or sown under a blanket. */
  sod: (typeof SODS)[number];
  /** What is dug out goes to where fill is wanted, or all of it is hauled and fill is brought. */
  earth: (typeof EARTHS)[number];
  /** A line is dug whole and filled once water has run through it, or opened and closed 10 to 20 ft at a time, so that no trench stands open over night. */
  opening: (typeof OPENINGS)[number];
  /** Tape over the pipe that warns the next one who digs, and wire by which it is found. */
  markingTape: boolean;
  tracer: boolean;
  /** Leaf filters on downspouts that lead into pipe. */
  leafFilters: boolean;
  /** Copper wrap round pipe within roots. */
  copperWrap: boolean;
  /** Runs drawn no further apart, middle to middle, are dug as one trench, m; naught digs each by itself. */
  shareWithin: number;
  /** Least share of a truck that a load is charged as. */
  leastLoad: number;
}

const USUAL: BuildWays = {
  sod: 'kept',
  earth: 'used',
  opening: 'whole',
  markingTape: true,
  tracer: false,
  leafFilters: false,
  copperWrap: false,
  shareWithin: 2 * METRES_PER_FOOT,
  leastLoad: 0.25,
};

/** The usual ways with a job's own laid over them. */
export const waysOf = (own: Partial<BuildWays> | undefined): BuildWays => ({ ...USUAL, ...own });
