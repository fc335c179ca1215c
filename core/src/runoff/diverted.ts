/** Water that does not go in where it comes to, as something fails or is too small: tried case by case, never in the plan itself. */

export interface Diverted {
  /** Of what comes there, the share that goes in. */
  keeps: number;
  /** What takes what goes past it, by id; null where that runs off unled. */
  past: string | null;
  /** Of what goes in, the share that comes up again further down its line, and what takes that; null where none is led on. */
  rises: { to: string; share: number } | null;
}

/** What of all that comes to a diverted thing goes on to others, by id. */
export const goesOn = ({ keeps, past, rises }: Diverted): { to: string; share: number }[] => [
  ...(past === null ? [] : [{ to: past, share: 1 - keeps }]),
  ...(rises === null ? [] : [{ to: rises.to, share: keeps * rises.share }]),
];

export interface Overflow {
  /** By landing. */
  diverted: ReadonlyMap<string, Diverted>;
  /** Whether what a gutter spills leaves its downspout also where nobody has said where it runs: the pipes are sized for it all the same. */
  spillsLeave: boolean;
}

export const NO_OVERFLOW: Overflow = { diverted: new Map(), spillsLeave: false };
