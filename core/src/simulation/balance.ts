/** Where all the water of a storm has gone, m³, term by term. */
export interface Balance {
  /** Rain on all that is modelled, and what runs whatever the sky does. */
  fell: number;
  fixed: number;
  /** What wetted hard surfaces, and sank into soft ground, stores and beds. */
  wetted: number;
  soaked: number;
  /** Let out by ways out, lifted by pumps, and run off over the edge of the measured ground. */
  out: number;
  pumped: number;
  overEdge: number;
  /** Not led to anything; spilled over gutters or off a pipe; and run off where an inlet or a store spills. */
  unled: number;
  overGutters: number;
  ranOff: number;
  /** Still there: on roofs and ground, over inlets, in swales, and in pipes, basins and stores. */
  stored: number;
  /** In − out − stored over what came, as a share. */
  error: number;
}

export type BalanceTerm = Exclude<keyof Balance, 'error'>;

/** Closes a balance. */
export function closed(terms: Omit<Balance, 'error'>): Balance {
  const { fell, fixed, wetted, soaked, out, pumped, overEdge, unled, overGutters, ranOff, stored } = terms;
  const came = fell + fixed;
  const gone = wetted + soaked + out + pumped + overEdge + unled + overGutters + ranOff + stored;
  return { ...terms, error: came > 0 ? Math.abs(came - gone) / came : Math.abs(gone) };
}
