/**
 * Stone for an apron where a pipe comes out: d50 = 0.2 D (Q / (√g D^2.5))^(4/3) (D / TW), from the FHWA's energy dissipator manual
 * (HEC-14, 3rd ed. 2006, eq. 10.4). It was found for culverts that run near full; a little water that shoots out of a wide pipe asks for
 * more than it says, by its speed.
 */
import { GRAVITY, METRES_PER_INCH } from '../units/constants';

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

/** Weight of stone over that of water; and how well it lies in water that boils, as behind a pipe's end (Isbash 1936; USACE Hydraulic Design Criteria 712-1). */
const STONE_DENSITY = 2.65;
const TURBULENT = 0.86;

/** Median size of the stone that water of this speed (m/s) does not carry off, m: V = 0.86 √(2 g (s − 1) d50), by Isbash. */
export const isbashSize = ({ velocity }: { velocity: number }): number =>
  velocity ** 2 / (2 * GRAVITY * TURBULENT ** 2 * (STONE_DENSITY - 1));

/** Smallest that is sold for it, m: 3 in, by its middling size. */
export const LEAST_APRON_STONE = 3 * METRES_PER_INCH;

/** Median stone of an apron, m: by what leaves the pipe and by how fast that is, and never less than is sold for it. */
export const apronStone = ({ velocity, ...leaving }: Parameters<typeof riprapSize>[0] & { velocity: number }): number =>
  Math.max(LEAST_APRON_STONE, riprapSize(leaving), isbashSize({ velocity }));
