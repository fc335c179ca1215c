/** How fast a crew works where nobody says otherwise: usual figures of a small crew with a mini excavator; each step's own hours replace them. */

/** m³ a machine digs in an hour, and m³ rammed back by one person in an hour, in lifts. */
export const DIG = 6;
export const RAM = 1.5;
/** Hours that one person digs by spade for a metre of trench beside services. */
export const SPADE = 1.2;
/** m of pipe one person beds and lays to its pitch in an hour. */
export const LAY = 8;
/** Hours of one person: a box or an end set, a metre of channel. */
export const SET = 1.5;
export const CHANNEL = 1;
/** m² one person strips, lays new turf on, lays kept turf back on or sows in an hour; m² of slab made good; m sawn. */
export const STRIP = 12;
export const TURF = 8;
export const SOD = 12;
export const SOW = 40;
export const SLAB = 1;
export const SAW = 6;
/** Hours of the whole crew: to come and set out, and to run water through and look. */
export const COME = 1;
export const TEST = 1;
/** mm of rain in a day from which nobody digs, and °C under which nothing sown or laid takes. */
export const WET = 5;
export const FROST = 0;
/** Days without frost that turf or seed wants after it is laid. */
export const FROST_FREE = 3;
