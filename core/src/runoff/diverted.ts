/** Water that does not go in where it comes to, as something fails or is too small: tried case by case, never in the plan itself. */

export interface Diverted {
  /** Of what comes there, what still goes in. */
  share: number;
  /** What takes the rest, by id; null where that runs off unled. */
  to: string | null;
}

export interface Overflow {
  /** By landing. */
  diverted: ReadonlyMap<string, Diverted>;
  /** Whether what a gutter spills leaves its downspout also where nobody has said where it runs: the pipes are sized for it all the same. */
  spillsLeave: boolean;
}

export const NO_OVERFLOW: Overflow = { diverted: new Map(), spillsLeave: false };
