/**
 * Stone for an apron where a pipe comes out: d50 = 0.2 D (Q / (√g D^2.5))^(4/3) (D / TW), from the FHWA's energy dissipator manual
 * (HEC-14, 3rd ed. 2006, eq. 10.4).
 */
import { GRAVITY } from '../units/constants';

/** Tailwater taken when nobody knows it, as a share of the diameter. */
const UNKNOWN_TAILWATER = 0.4;

/** The formula was found for tailwater between this and a whole diameter; less is taken as this, more as the diameter. */
const clampTailwater = (tailwater: number, diameter: number): number =>
  Math.min(diameter, Math.max(UNKNOWN_TAILWATER * diameter, tailwater));

/** Median stone size, m. `tailwater` is the depth over the pipe's invert, m. */
export function riprapSize({
  diameter,
  flow,
  tailwater = UNKNOWN_TAILWATER * diameter,
}: {
  diameter: number;
  flow: number;
  tailwater?: number | undefined;
}): number {
  const strength = flow / (Math.sqrt(GRAVITY) * diameter ** 2.5);
  return 0.2 * diameter * Math.cbrt(strength ** 4) * (diameter / clampTailwater(tailwater, diameter));
}
