/** The shallowest line under one run of ground: the rule of `levels.ts` for a single line, as a sum to be checked by itself. */

export interface GroundLine {
  /** m, rising. */
  stations: readonly number[];
  /** Ground at each, m; straight between. */
  ground: readonly number[];
  /** Over the crown, m. */
  cover: number;
  diameter: number;
  /** m/m */
  leastSlope: number;
  /** Lowest invert at the end, m. */
  outletInvert?: number | undefined;
}

export interface Shallowest {
  inverts: number[];
  /** Between ground and invert, seen from the side, m². */
  excavatedArea: number;
  /** Whether it ends at or above the outlet. */
  feasible: boolean;
  /** m of level missing at the end. */
  shortBy?: number;
}

/** Highest inverts that keep cover and least slope: z = min(ground − cover − D, z before − s Δx). */
export function shallowestLine({
  stations,
  ground,
  cover,
  diameter,
  leastSlope,
  outletInvert,
}: GroundLine): Shallowest {
  const inverts: number[] = [];
  let excavatedArea = 0;
  stations.forEach((station, k) => {
    const allowed = ground[k]! - cover - diameter;
    const before = stations[k - 1];
    inverts.push(before === undefined ? allowed : Math.min(allowed, inverts[k - 1]! - leastSlope * (station - before)));
    if (before !== undefined)
      excavatedArea += ((ground[k - 1]! - inverts[k - 1]! + ground[k]! - inverts[k]!) / 2) * (station - before);
  });
  const missing = outletInvert === undefined ? 0 : outletInvert - inverts[inverts.length - 1]!;
  return { inverts, excavatedArea, feasible: missing <= 1e-9, ...(missing > 1e-9 ? { shortBy: missing } : {}) };
}
