/** Addresses, or starts of them, of what is done on the ground plan: a thing put down by a tap, a roof put on a building, a picture put to scale. */
export const PUT = 'put~';
export const ROOF = 'roof~';
export const SCALE = 'scale~';
/** Pipes that an outline is drawn round. */
export const ROUND = '~pipes';
