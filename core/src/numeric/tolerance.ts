/** How near is near enough. */
import { METRES_PER_INCH } from '../units/constants';

/** Rounding of levels in a job is far below this; nothing on site is set finer. m */
export const LEVEL_TOLERANCE = 0.0005;

/** A shortfall of fall that no rod reads and no crew lays: half of the eighth of an inch that levels are told to, m. */
export const LEAST_SHORT = METRES_PER_INCH / 16;
