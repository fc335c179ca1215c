/**
 * Whether a line keeps itself clean: the shear of an ordinary rain against what starts the grit moving, and the
 * velocity of the design rain against the usual least.
 * Critical shear τc = 0.867 d^0.277 Pa (d in mm): fit for granular grit in sewers used in ASCE's tractive-force design (2007).
 */

/** Shear that moves grit of `gritSize` m, Pa. */
export function criticalShear(gritSize: number): number {
  return 0.867 * (gritSize * 1000) ** 0.277;
}
