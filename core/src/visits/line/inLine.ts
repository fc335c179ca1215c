/** What may be wrong with a line under the ground, and what of it changes how water runs through. */

/** A place in a pipe: m from its head. */
interface At {
  run: string;
  along: number;
}

/**
 * `blocked`: dirt, roots or a crushed wall leave a share of the bore free over it, none where it is 1. `rough`: a pipe that is silted or full of hair roots all along, by so many times its roughness.
 * `sag`: a belly, m deep over m of pipe. `lifted`: a landing that lies so much too high, m. `open`: a joint that is not made, through which a share of what comes is lost.
 */
export type Fault =
  | ({ kind: 'blocked'; share: number } & At)
  | { kind: 'rough'; run: string; times: number }
  | ({ kind: 'sag'; depth: number; over: number } & At)
  | { kind: 'lifted'; landing: string; by: number }
  | ({ kind: 'open'; share: number } & At);

export type FaultKind = Fault['kind'];
export const FAULT_KINDS: readonly FaultKind[] = ['blocked', 'rough', 'sag', 'lifted', 'open'];

/** From this share of the bore on nothing comes through that anybody would call a flow. */
export const SHUT = 0.97;
