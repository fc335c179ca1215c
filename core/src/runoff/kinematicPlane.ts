/** Sheet flow off a plane under steady rain, by the kinematic wave: exact, for the foot of the plane. */
import { rootBetween } from '../numeric/root';

export interface WettedPlane {
  /** m, m/m, and Manning's n of its surface. */
  length: number;
  slope: number;
  roughness: number;
  /** Rain that runs off, m/s, and how long it falls, s. */
  intensity: number;
  duration: number;
}

/** q = α y^m with m = 5/3 for turbulent sheets (Manning on a wide plane). */
const M = 5 / 3;

const alphaOf = ({ slope, roughness }: WettedPlane): number => Math.sqrt(slope) / roughness;

/** Time until the whole plane gives to its foot, s: (L / (α i^(m−1)))^(1/m) (Henderson & Wooding 1964). */
export const equilibriumTime = (plane: WettedPlane): number =>
  (plane.length / (alphaOf(plane) * plane.intensity ** (M - 1))) ** (1 / M);

/**
 * Flow at the foot so long (s) after the rain began, m³/s a metre of width: it rises as the rain gathers, stands at i L once the plane is in
 * equilibrium or at what had gathered when the rain ended, and falls as what lies furthest up arrives: L = α y^m / i + α m y^(m−1) (t − T)
 * along the characteristic of depth y (Eagleson 1970).
 */
export function flowAtFoot(plane: WettedPlane, time: number): number {
  const { length, intensity: i, duration } = plane;
  if (time <= 0 || i === 0) return 0;
  const alpha = alphaOf(plane);
  const gathered = alpha * (i * Math.min(time, duration, equilibriumTime(plane))) ** M;
  const most = Math.min(gathered, i * length);
  if (time <= duration) return most;
  const since = time - duration;
  // What is left of the sheet at its foot: the depth whose place and way since make the whole length; deeper ones have passed.
  const full = (most / alpha) ** (1 / M);
  const reach = (depth: number): number => (alpha * depth ** M) / i + alpha * M * depth ** (M - 1) * since - length;
  return reach(full) <= 0 ? most : alpha * rootBetween(0, full, reach) ** M;
}
