/** Ground that nobody has levelled yet: what a simulated rod reads, and what the sample's levels were taken from. m above a site's zero. */
import type { Place } from '../site/place';
import { METRES_PER_FOOT } from '../units/constants';

/** A hollow: where, how wide, how deep. */
interface Hollow extends Place {
  radius: number;
  depth: number;
}

const dip = ({ east, north, radius, depth }: Hollow, at: Place): number =>
  depth * Math.exp(-((at.east - east) ** 2 + (at.north - north) ** 2) / radius ** 2);

/** Any yard: it falls to the north-west, with one hollow south-east of its origin. */
export const someGround = (at: Place): number =>
  -0.012 * at.north + 0.015 * at.east - dip({ east: 8, north: -8, radius: 4, depth: 0.35 }, at);

const FOOT = METRES_PER_FOOT;
const smooth = (share: number): number => {
  const t = Math.min(1, Math.max(0, share));
  return t * t * (3 - 2 * t);
};

/** Quillfeather's lot, east and north of its north-west corner in ft; level in ft. */
function lot(x: number, y: number): number {
  // Away from the street wall, then gently on; to the west down to the bank of the road's swale.
  const north = y > 0 ? -0.06 * Math.min(y, 8) - 0.012 * Math.max(0, y - 8) : 0.006 * y;
  const west = x < 0 ? 0.014 * x : 0;
  const bank = x < -44 ? 0.55 * (Math.max(x, -46) + 44) : 0;
  const beyond = x < -46 ? 0.15 * (-46 - x) : 0;
  const base = -0.4 + 0.0021 * x + north + west + bank + beyond;
  // The parking stands higher at its far side and sheds to the kennel door.
  const parking = -0.55 + 0.015 * (22 - x) + 0.002 * (-y - 58);
  const here = smooth((-30 - y) / 8) * smooth((x + 24) / 10) * smooth((30 - x) / 4);
  return base * (1 - here) + parking * here;
}

/** Quillfeather: falling to the road at the north-west, the parking toward the kennel door, a hollow on the exercise lawn. */
export const quillfeatherGround = (at: Place): number =>
  lot(at.east / FOOT, at.north / FOOT) * FOOT -
  dip({ east: 74 * FOOT, north: -30 * FOOT, radius: 14 * FOOT, depth: 0.475 * FOOT }, at);
