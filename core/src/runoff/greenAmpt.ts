/** Water that soft ground takes in under steady rain: Green and Ampt with ponding (Mein and Larson 1973). */
import { rootBetween } from '../numeric/root';

export interface Soak {
  /** Saturated conductivity, m/s. */
  conductivity: number;
  /** Suction at the wetting front, m. */
  suction: number;
  /** Room in its pores before the rain, share of volume. */
  deficit: number;
  /** Rain, m/s, and how long it falls, s. */
  intensity: number;
  duration: number;
}

export interface Soaked {
  /** Time from which water stands on it, s; null where it never does while the rain lasts. */
  pondingTime: number | null;
  /** Depths of water taken in and left over, m. */
  infiltrated: number;
  runoff: number;
}

/**
 * f = K (1 + ψ Δθ / F), f ≤ i. Water stands from F = K ψ Δθ / (i − K) on, and from then F − ψ Δθ ln(F + ψ Δθ) grows by K a second
 * (Chow, Maidment & Mays 1988, eq. 4.3.8 and 4.4.2).
 */
export function greenAmpt({ conductivity: K, suction, deficit, intensity: i, duration }: Soak): Soaked {
  const fallen = i * duration;
  const drawn = suction * deficit;
  const dry: Soaked = { pondingTime: null, infiltrated: fallen, runoff: 0 };
  if (i <= K) return dry;
  const atPonding = (K * drawn) / (i - K);
  const pondingTime = atPonding / i;
  if (pondingTime >= duration) return dry;
  const takenBy = (depth: number): number =>
    depth - atPonding - (drawn > 0 ? drawn * Math.log((depth + drawn) / (atPonding + drawn)) : 0);
  const given = K * (duration - pondingTime);
  const infiltrated =
    drawn > 0 ? rootBetween(atPonding, fallen, (depth) => takenBy(depth) - given) : Math.min(fallen, K * duration);
  return { pondingTime, infiltrated, runoff: fallen - infiltrated };
}
