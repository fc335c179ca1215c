/** How a job is built, where crews differ: usual ways, which a job's own `ways` override one by one. */

import type { Digger } from '../catalogue/diggers';
import type { Material } from '../catalogue/pipes';
import type { Place } from '../site/place';
import { METRES_PER_FOOT } from '../units/constants';

export const BASIN_FLOORS = ['weep', 'sealed'] as const;
export const SODS = ['kept', 'new', 'seed'] as const;
export const EARTHS = ['used', 'hauled'] as const;
export const OPENINGS = ['whole', 'stretch'] as const;
export const OFFCUTS = ['paid', 'kept'] as const;

/** Ground that is raised with what is left over: a low spot, grade at the foundation. Area m², depth m; on the plan within an outline, to a level, m. */
export interface RaisedGround {
  name: string;
  area: number;
  depth: number;
  outline?: Place[] | undefined;
  level?: number | undefined;
}

export interface BuildWays {
  /** Holes in a basin's floor that its last water soaks away by; by soil and how near a building it stands, when absent. */
  basinFloor?: (typeof BASIN_FLOORS)[number] | undefined;
  /** Turf over what is dug: cut, kept and laid back, bought new, or sown under a blanket; by how much it is and by the season, when absent. */
  sod?: (typeof SODS)[number] | undefined;
  /** What is dug out goes to where fill is wanted, or all of it is hauled and fill is brought. */
  earth: (typeof EARTHS)[number];
  /** A line is dug whole and filled once water has run through it, or opened and closed 10 to 20 ft at a time, so that no trench stands open over night. */
  opening: (typeof OPENINGS)[number];
  /** What trenches are dug by, where their width and depth let it. */
  digger: Digger;
  /** Ground raised with what is left over. */
  raised: RaisedGround[];
  /** Whole sticks and rolls are paid by this job, or only what it uses of them, the rest kept for the next. */
  offcuts: (typeof OFFCUTS)[number];
  /** At the foot of a downspout an adapter with a vent, which lets the line be looked into and overflow above ground. */
  ventedFeet: boolean;
  /** Make of pipe that is drawn anew; as the last one drawn when absent. */
  make?: Material | undefined;
  /** Joints of smooth pipe are glued, or pushed together dry; those of corrugated pipe taped or not. */
  gluedJoints: boolean;
  tapedJoints: boolean;
  /** Where a pipe leaves a drain or open stone its end is pushed against the stone’s own pipe and wrapped, in place of a fitting. */
  buttedInStone: boolean;
  /** Corrugated pipe of recycled plastic, or of virgin. */
  recycled: boolean;
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
  earth: 'used',
  opening: 'whole',
  digger: 'excavator',
  raised: [],
  offcuts: 'paid',
  ventedFeet: false,
  gluedJoints: true,
  tapedJoints: true,
  buttedInStone: false,
  recycled: false,
  markingTape: true,
  tracer: false,
  leafFilters: false,
  copperWrap: false,
  shareWithin: 2 * METRES_PER_FOOT,
  leastLoad: 0.25,
};

/** The usual ways with a job's own laid over them. */
export const waysOf = (own: Partial<BuildWays> | undefined): BuildWays => ({ ...USUAL, ...own });

/** More turf than so does not wait beside a trench to be laid back, m²: some 1,000 ft². */
const KEPT = 93;
/** Months that seed takes in. */
const SOWN = new Set(['03', '04', '05', '08', '09', '10']);

/** What becomes of so much turf (m²): as was said; a little is cut and kept, much is sown in its season, and bought out of it or where no day is set. */
export const sodFor = ({ sod }: BuildWays, area: number, startsOn: string | undefined): (typeof SODS)[number] =>
  sod ?? (area <= KEPT ? 'kept' : startsOn && SOWN.has(startsOn.slice(5, 7)) ? 'seed' : 'new');
