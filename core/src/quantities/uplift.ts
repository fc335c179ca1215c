/** Whether an empty pipe floats in a wet trench. */
import { GRAVITY } from '../units/constants';

const WATER = 1000;

/**
 * Uplift of an empty pipe under water, N a metre; positive floats. ρ g π Do²/4 less its own weight (N/m) and the soil over it:
 * γ' (cover Do + Do² (½ − π/8)), the prism above its crown with the corners beside it.
 */
export function pipeUplift({
  outsideDiameter,
  weight,
  cover,
  submergedWeight,
}: {
  /** m, and m over its crown. */
  outsideDiameter: number;
  weight: number;
  cover: number;
  /** Of the soil, N/m³. */
  submergedWeight: number;
}): number {
  const lift = (WATER * GRAVITY * Math.PI * outsideDiameter ** 2) / 4;
  const soil = submergedWeight * (cover * outsideDiameter + outsideDiameter ** 2 * (0.5 - Math.PI / 8));
  return lift - weight - soil;
}
