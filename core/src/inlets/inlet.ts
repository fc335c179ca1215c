/** What all inlets tell. */

export interface Offered {
  /** Water that reaches it, m³/s; what of that it takes, and what runs on or spills. */
  offered: number;
  taken: number;
  passedOn: number;
}
