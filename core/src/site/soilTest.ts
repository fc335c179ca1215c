/** What the ground takes: from a hole filled with water, a ribbon of soil, or a jar that has settled. */
import type { Soil } from '../catalogue/soils';

/**
 * Saturated conductivity, m/s, of a hole that empties into unsaturated ground: K = (r/2) · fall of ln(h + r/2) with time, by least
 * squares (inverse auger hole, Porchet). Radius m, times s, depths of water m. Negative where the water rose.
 */
export function inverseAugerHole(radius: number, times: readonly number[], depths: readonly number[]): number {
  const logs = depths.map((depth) => Math.log(depth + radius / 2));
  const meanTime = times.reduce((sum, t) => sum + t, 0) / times.length;
  const meanLog = logs.reduce((sum, l) => sum + l, 0) / logs.length;
  let product = 0;
  let square = 0;
  times.forEach((time, k) => {
    product += (time - meanTime) * (logs[k]! - meanLog);
    square += (time - meanTime) ** 2;
  });
  return (-radius / 2) * (product / square);
}

/** Soil by how long a ribbon it makes between thumb and finger, m: under 1 in sand to loam, to 2 in clay loam, over that clay. */
export function soilByRibbon(ribbon: number): Soil {
  if (ribbon < 0.006) return 'sandyLoam';
  if (ribbon < 0.0254) return 'loam';
  return ribbon <= 0.0508 ? 'clayLoam' : 'clay';
}

/** Soil by its layers in a jar, shares by height; the usual triangle of textures, made coarse. */
export function soilByJar(sand: number, silt: number, clay: number): Soil {
  const whole = sand + silt + clay;
  const [s, i, c] = [sand / whole, silt / whole, clay / whole];
  if (c >= 0.4) return 'clay';
  if (c >= 0.27) return 'clayLoam';
  if (s >= 0.85) return 'sand';
  if (s >= 0.7) return 'loamySand';
  if (i >= 0.5) return 'siltLoam';
  return s >= 0.52 ? 'sandyLoam' : 'loam';
}
