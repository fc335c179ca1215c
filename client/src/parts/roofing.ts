/** Start of the address of a roof that is to be put on a building. */
export const ROOF = 'roof~';
