/** Water that runs over a long edge of ground, a kerb or a slab: a broad weir, Q = 1.7 b h^1.5 (critical depth on its crest; Chow 1959, §14). */

/** m^0.5/s: (2/3)^1.5 √g. */
export const BROAD_WEIR = 1.7;

/** Head (m) over the edge that a flow (m³/s) needs to cross a length (m) of it. */
export const broadWeirHead = (flow: number, length: number): number => Math.cbrt((flow / (BROAD_WEIR * length)) ** 2);
