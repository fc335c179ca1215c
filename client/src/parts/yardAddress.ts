/** Starts of addresses of what is done on the ground plan: a thing that is put down by a tap, a roof that is put on a building. */
export const PUT = 'put~';
export const ROOF = 'roof~';
