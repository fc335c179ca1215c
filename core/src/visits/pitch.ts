/** A pipe's pitch read stick by stick, from its foot up, against what the plan asks. */

/** What a spirit level tells of a pitch, m/m: half a sixteenth of an inch over two feet, and what a pipe's ribs make of it. */
const BUBBLE = 0.0025;

export interface PitchRead {
  /** Mean of all sticks, m/m. */
  mean: number;
  /** Sticks that fall back, by their place from the foot, 0 the first; and those flatter than the plan by more than a bubble tells. */
  back: readonly number[];
  flat: readonly number[];
  /** Whether the mean is the planned pitch, as well as it can be read. */
  asPlanned: boolean;
}

/** Judges sticks of pitches (m/m) against a planned pitch. The mean is told the better the more of them there are. */
export function readPitch(planned: number, pitches: readonly number[]): PitchRead {
  const mean = pitches.reduce((sum, each) => sum + each, 0) / pitches.length;
  const spread = Math.max(BUBBLE / 2, BUBBLE / Math.sqrt(pitches.length));
  const places = (is: (pitch: number) => boolean): number[] => pitches.flatMap((pitch, k) => (is(pitch) ? [k] : []));
  const back = places((pitch) => pitch < -BUBBLE / 2);
  const flat = places((pitch) => pitch >= -BUBBLE / 2 && pitch < planned - 2 * BUBBLE);
  return { mean, back, flat, asPlanned: back.length === 0 && mean >= planned - 2 * spread };
}
