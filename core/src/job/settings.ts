/**
 * Every number that is a choice and not a law: its usual value, unit and where it comes from. A job's own `settings`
 * override these one by one; `resolveSettings()` gives the whole set.
 */
import { METRES_PER_FOOT, METRES_PER_INCH, METRES_PER_SECOND_PER_INCH_PER_HOUR } from '../units/constants';

export interface Settings {
  /** Cover planned over the crown, m. Trade habit: 12 in under turf. */
  cover: number;
  /** Least cover accepted under turf, m. Trade habit: 6 in. */
  leastCover: number;
  /** Least cover over a pipe in or right under a slab that is only walked on, m: 1 in of concrete, as round a sleeve or a channel's end. */
  leastCoverInSlab: number;
  /** Least pitch of pipe, m/m. 1 %, near the eighth-inch-a-foot of plumbing codes for building drains. */
  leastPitch: number;
  /** Least pitch of smooth pipe from 6 in up, m/m. */
  leastPitchLarge: number;
  /** Nominal size from which `leastPitchLarge` holds, m. */
  largeFrom: number;
  /** Least distance of a discharge from any building, m. Commonly 10 ft; the local rule governs. */
  buildingClearance: number;
  /** How far a pop-up's lid must lift to pass water, m. */
  popupLift: number;
  /** Grit that an ordinary rain should move, m. Roof shingles shed 1–2 mm. */
  gritSize: number;
  /** Rain that should keep a line clean, m/s: 1 in/h. */
  ordinaryRain: number;
  /** Least velocity at the design rain, m/s: 2 ft/s, the usual rule for keeping storm pipe clean. */
  leastVelocity: number;
  /** Velocity from which plastic pipe and its joints wear, m/s: 10 ft/s. */
  highVelocity: number;
  /** Velocity at which no pipe is laid, m/s: 15 ft/s. */
  stopVelocity: number;
  /** Water that a gutter can hold over its outlets, m. A 5 in gutter, brimful but for half an inch. */
  gutterDepth: number;
  /** Water allowed to stand over a grate in the design rain, m: 2 in. */
  ponding: number;
  /** Edge over which water runs off clear of a sill, m, where nobody has measured it: 10 ft. */
  spillLength: number;
  /** Last stretch before daylight in which the pipe may lie shallower than the least cover, m: 10 ft. */
  outcrop: number;
  /** How far below the sill of a door or window well water should stay, m: 3 in. */
  openingMargin: number;
  /** Farthest between places to get a rod or hose in, m: 100 ft. */
  cleanoutSpacing: number;
  /** Pitch at which the bubble touches the line on the user's level, m/m. ¼ in/ft is a usual marking. */
  levelLinePitch: number;
}

export const DEFAULTS: Settings = {
  cover: 12 * METRES_PER_INCH,
  leastCover: 6 * METRES_PER_INCH,
  leastCoverInSlab: 1 * METRES_PER_INCH,
  leastPitch: 0.01,
  leastPitchLarge: 0.005,
  largeFrom: 6 * METRES_PER_INCH,
  buildingClearance: 10 * METRES_PER_FOOT,
  popupLift: 1 * METRES_PER_INCH,
  gritSize: 0.0015,
  ordinaryRain: METRES_PER_SECOND_PER_INCH_PER_HOUR,
  leastVelocity: 2 * METRES_PER_FOOT,
  highVelocity: 10 * METRES_PER_FOOT,
  stopVelocity: 15 * METRES_PER_FOOT,
  gutterDepth: 3 * METRES_PER_INCH,
  ponding: 2 * METRES_PER_INCH,
  spillLength: 10 * METRES_PER_FOOT,
  outcrop: 10 * METRES_PER_FOOT,
  openingMargin: 3 * METRES_PER_INCH,
  cleanoutSpacing: 100 * METRES_PER_FOOT,
  levelLinePitch: 1 / 48,
};

/** The defaults with a job's own choices laid over them. */
export const resolveSettings = (own: Partial<Settings> | undefined): Settings =>
  own === undefined ? DEFAULTS : { ...DEFAULTS, ...own };
