/**
 * The level and its rod, as a device that says what it reads. This one is simulated: it knows a ground that the job does not, and reads
 * it as a hand does, a millimetre or two off. A real receiver is another object of the same face.
 */
import type { Place } from '@katabasis/core';
import { quillfeatherGround, someGround } from '@katabasis/core/hidden-ground';

export interface Rod {
  /** What it is called, where it is asked for. */
  readonly name: string;
  /**
   * Rod reading at a place, m, from the set-up that read `back`; the back sight itself where there is none yet. Rejects where it cannot be read.
   */
  read(place: Place, back: { place: Place; rod: number } | null): Promise<number>;
}

/** Height of the instrument over the point that it is set up by, m. */
const OVER = 1.52;
const NOISE = 0.0015;

/** A number between −1 and 1 that a place always gives: a rod read twice in one place reads the same. */
const wobble = ({ east, north }: Place): number => {
  const turn = Math.sin(east * 127.1 + north * 311.7) * 43758.5453;
  return 2 * (turn - Math.floor(turn)) - 1;
};

/** A simulated rod over a ground. */
export const simulatedRod = (ground: (place: Place) => number): Rod => ({
  name: 'Simulated rod',
  read: (place, back) => {
    const level = back ? ground(back.place) + back.rod : ground(place) + OVER;
    const rod = level - ground(place) + NOISE * wobble(place);
    return Math.abs(rod) < 6
      ? Promise.resolve(Math.round(rod * 1000) / 1000)
      : Promise.reject(new Error('The rod is out of sight: move the instrument.'));
  },
});

/** The rod of a job: over the sample's own ground, or over some yard. */
export const rodOf = (job: string): Rod => simulatedRod(job === 'quillfeather' ? quillfeatherGround : someGround);
