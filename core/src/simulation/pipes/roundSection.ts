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

/** Pieces of a depth that a section is told by where it is asked for many times a step: an arc's sines cost more than all else there. */
const PIECES = 1024;

const tableOf = (of: (depth: number) => number): Float64Array =>
  Float64Array.from({ length: PIECES + 1 }, (_, k) => of(k / PIECES));

/** Near its crown a pipe carries less the fuller it is: what is read off as a line must not fall. */
function rising(table: Float64Array): Float64Array {
  for (let k = 1; k < table.length; k++) table[k] = Math.max(table[k]!, table[k - 1]!);
  return table;
}

/** Of a pipe 1 m wide its area, and its hydraulic radius to 4/3, by pieces of its depth; straight between, which keeps volume and its slope true to one another. */
const AREAS = tableOf((depth) => areaAt(1, depth));
const FRICTIONS = tableOf((depth) => Math.cbrt(radiusAt(1, depth)) ** 4);
/** Of the same A R^(2/3), which uniform flow goes by, as far as it rises; and A √(A/T), which critical flow goes by. */
const CONVEYS = rising(tableOf((depth) => areaAt(1, depth) * Math.cbrt(radiusAt(1, depth)) ** 2));
const CRITICALS = tableOf((depth) => Math.sqrt(areaAt(1, depth) ** 3 / widthAt(1, Math.max(depth, 1 / PIECES))));

/** Slope of the area by the table over a share of the depth, of a pipe 1 m wide; times diameter it is the width of the water's surface, m. */
export function widthBy(share: number): number {
  if (share <= 0) return 0;
  if (share >= 1) return SLOT;
  const piece = Math.floor(share * PIECES);
  return PIECES * (AREAS[piece + 1]! - AREAS[piece]!);
}

/** Wetted area by the table, m², to a millionth of the full one; `share`: depth over diameter. */
export function areaBy(diameter: number, share: number): number {
  if (share <= 0) return 0;
  const square = diameter * diameter;
  if (share >= 1) return square * (AREAS[PIECES]! + SLOT * (share - 1));
  const at = share * PIECES;
  const piece = Math.floor(at);
  return square * (AREAS[piece]! + (at - piece) * (AREAS[piece + 1]! - AREAS[piece]!));
}

/** Hydraulic radius to 4/3 by the table, over that of a pipe 1 m wide: times diameter to 4/3 it is that of this one. */
export const frictionBy = (share: number): number => read(FRICTIONS, share);

/** What uniform flow in a pipe 1 m wide goes by, and critical flow there: times √S/n d^(8/3), and √g d^(5/2), they are this one's, m³/s. */
export const conveysBy = (share: number): number => read(CONVEYS, share);
export const criticalBy = (share: number): number => read(CRITICALS, share);

function read(table: Float64Array, share: number): number {
  if (share >= 1) return table[PIECES]!;
  const at = Math.max(0, share) * PIECES;
  const piece = Math.floor(at);
  return table[piece]! + (at - piece) * (table[piece + 1]! - table[piece]!);
}
