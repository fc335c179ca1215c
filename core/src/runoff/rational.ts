/** The rational method, Q = C Cf i A (Kuichling 1889; frequency factors as in the FHWA's HEC-22, table 3-2). */

/** Storms rarer than a decade find the ground wetter: factor on C by return period, years. */
const FREQUENCY_FACTORS: readonly { from: number; factor: number }[] = [
  { from: 100, factor: 1.25 },
  { from: 50, factor: 1.2 },
  { from: 25, factor: 1.1 },
];

export function frequencyFactor(returnPeriod: number): number {
  return FREQUENCY_FACTORS.find(({ from }) => returnPeriod >= from)?.factor ?? 1;
}

/** C·Cf, never more than all of the rain. */
export const runoffCoefficient = (c: number, factor: number): number => Math.min(1, c * factor);

/** Flow (m³/s) off areas (m²) with coefficients under a rain (m/s). */
export function rationalFlow({
  areas,
  intensity,
  frequencyFactor: factor = 1,
}: {
  areas: readonly { area: number; c: number }[];
  intensity: number;
  frequencyFactor?: number | undefined;
}): number {
  return areas.reduce((sum, { area, c }) => sum + runoffCoefficient(c, factor) * area, 0) * intensity;
}
