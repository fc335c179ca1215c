/**
 * How fast a crew works where nobody says otherwise: two or three people with a mini excavator and a sod cutter, unhurried. Set so that seven
 * inlets with their pipe along two sides of a house come to about four hours, and a basin with a splice into a main to half a day with the way
 * there. A company's own pace is a factor on all of it, and each step's own hours replace them.
 */

/** Steps of the work, in the order in which they are done. */
export const STEP_KINDS = [
  'setOut',
  'strip',
  'grade',
  'line',
  'boxes',
  'works',
  'test',
  'inspect',
  'backfill',
  'slab',
  'turf',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];

/** m³ a machine digs in an hour, and m³ one person puts back in an hour, rammed by machine in lifts. */
export const DIG = 10;
export const RAM = 5;
/** m of trench that a chain cuts in an hour. */
export const CHAINED = 30;
/** Hours that one person digs by spade for a metre of trench beside services. */
export const SPADE = 1;
/** m of pipe one person beds and lays to its pitch in an hour. */
export const LAY = 20;
/** Hours of one person: a box or an end set; a fitting cut into a line that was here; a metre of channel set in its concrete. */
export const SET = 0.4;
export const SPLICE = 1;
export const CHANNEL = 1;
/** m² one person strips, lays new turf on, lays kept turf back on or sows in an hour; m² of slab made good; m sawn; m driven through. */
export const STRIP = 40;
export const TURF = 20;
export const SOD = 25;
export const SOW = 80;
export const SLAB = 1;
export const SAW = 6;
export const BORE = 1;
/** Hours of the whole crew: to come and set out, and to run water through and look. */
export const COME = 0.5;
export const TEST = 0.25;
/** Days that concrete stands before anything is rammed or laid over it, and before wheels pass. */
export const CHANNEL_CURES = { work: 1, wheels: 7 } as const;
export const SLAB_CURES = { work: 0, wheels: 7 } as const;
/** mm of rain in a day from which nobody digs, and °C under which nothing sown or laid takes. */
export const WET = 5;
export const FROST = 0;
/** Days without frost that turf or seed wants after it is laid. */
export const FROST_FREE = 3;
