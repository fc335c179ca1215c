/** What all inlets tell, and what those in the ground are told. */

export interface Offered {
  /** Water that reaches it, m³/s; what of that it takes, and what runs on or spills. */
  offered: number;
  taken: number;
  passedOn: number;
}

/** An inlet in the ground, in a rain. */
export interface AtInlet {
  /** Of the water that reaches it what goes in, and what runs past it, m³/s. */
  taken: number;
  passedOn?: number | undefined;
  /** Water line of its pipe there, m; null with no pipe. */
  waterLevel: number | null;
  /** All that passes it in its line, m³/s; what it takes when absent. */
  passing?: number | undefined;
  /** Of what goes in, what a pipe brings that comes in at its upper end, m³/s; none when absent. */
  through?: number | undefined;
}
