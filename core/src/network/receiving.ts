/** Water that stands where lines end, whatever each of them brings by itself. */
import { OUTFALLS } from '../catalogue/outfalls';
import { MATERIAL_FACTS, type Material } from '../catalogue/pipes';
import { fullFlow, normalDepth } from '../hydraulics/pipe';
import type { Discharge } from '../job/kinds';
import type { Settings } from '../job/settings';

/** An old main of which nobody knows more. */
const UNKNOWN_MAIN: Material = 'clay';

/** Section of an existing main; null where its size or its pitch is not known. */
export function mainOf({ form, mainDiameter, mainPitch, mainMaterial = UNKNOWN_MAIN }: Discharge) {
  if (!OUTFALLS[form].hasCapacity || mainDiameter === undefined || mainPitch === undefined) return null;
  return { diameter: mainDiameter, slope: mainPitch, roughness: MATERIAL_FACTS[mainMaterial].roughness };
}

/** What an existing main carries full, m³/s: what somebody has said, or what its size and pitch give; null where neither is known. */
export function mainCapacityOf(discharge: Discharge): number | null {
  if (!OUTFALLS[discharge.form].hasCapacity) return null;
  if (discharge.mainCapacity !== undefined) return discharge.mainCapacity;
  const main = mainOf(discharge);
  return main && fullFlow(main).flow;
}

/** Highest invert (m) with which a pipe still comes into an existing main itself, and not down a drop: at its crown, where its size is known. */
export const highestJoin = (discharge: Discharge, settings: Settings): number =>
  OUTFALLS[discharge.form].control(discharge, settings) + (discharge.mainDiameter ?? 0);

/**
 * Level at which water stands at a way out with `flow` (m³/s) let out there, m; −∞ where none does. What was typed goes before what is
 * worked out of a main: its normal depth, full where that is more than it holds.
 */
export function standingAt(discharge: Discharge, flow: number, settings: Settings): number {
  const outfall = OUTFALLS[discharge.form];
  const typed = outfall.standing(discharge, settings);
  const main = mainOf(discharge);
  if (typed > Number.NEGATIVE_INFINITY || !main) return typed;
  return outfall.control(discharge, settings) + normalDepth({ ...main, flow: flow + (discharge.mainUsed ?? 0) }).depth;
}
