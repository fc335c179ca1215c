/** A round pipe's section at a depth of water, with the narrow slot over its crown that stands for pressure (Preissmann). */

/** Width of the slot, as a share of the diameter: what a pipe holds more under pressure is as good as nothing, and is counted all the same. */
const SLOT = 1e-3;

/** Wetted area at a depth, m²: none below the invert; over the crown the whole with what stands in the slot. */
export function areaAt(diameter: number, depth: number): number {
  if (depth <= 0) return 0;
  const radius = diameter / 2;
  if (depth >= diameter) return Math.PI * radius * radius + SLOT * diameter * (depth - diameter);
  const from = radius - depth;
  return radius * radius * Math.acos(from / radius) - from * Math.sqrt(depth * (diameter - depth));
}

/** Width of the water's surface at a depth, m; of the slot over the crown. */
export function widthAt(diameter: number, depth: number): number {
  if (depth <= 0) return 0;
  const open = depth >= diameter ? 0 : 2 * Math.sqrt(depth * (diameter - depth));
  return Math.max(open, SLOT * diameter);
}

/** Hydraulic radius at a depth, m; a quarter of the diameter when full. */
export function radiusAt(diameter: number, depth: number): number {
  if (depth <= 0) return 0;
  if (depth >= diameter) return diameter / 4;
  const wetted = 2 * Math.acos(1 - (2 * depth) / diameter) * (diameter / 2);
  return areaAt(diameter, depth) / wetted;
}
