/** Steady uniform flow in an open trapezoid, V or rectangle: Manning's formula (Chow 1959, §6-6). */
import { rootBetween } from '../numeric/root';
import { GRAVITY, WATER_DENSITY } from '../units/constants';

export interface OpenSection {
  /** m; 0 for a V. */
  bottomWidth: number;
  /** Run over rise of either side; both 0 for a rectangle. */
  sideSlopeLeft: number;
  sideSlopeRight: number;
  /** Fall over length, m/m; more than 0. */
  slope: number;
  /** Manning's n, s/m^(1/3). */
  roughness: number;
}

export interface OpenFlow {
  /** m */
  depth: number;
  /** m/s */
  velocity: number;
  /** On the mean depth A/T. */
  froude: number;
  /** Mean boundary shear ρ g R S, Pa. */
  shear: number;
  /** m */
  topWidth: number;
}

function shapeAt(
  { bottomWidth, sideSlopeLeft, sideSlopeRight }: OpenSection,
  depth: number,
): { area: number; perimeter: number; topWidth: number } {
  const sides = sideSlopeLeft + sideSlopeRight;
  return {
    area: depth * (bottomWidth + (sides * depth) / 2),
    perimeter: bottomWidth + depth * (Math.hypot(1, sideSlopeLeft) + Math.hypot(1, sideSlopeRight)),
    topWidth: bottomWidth + sides * depth,
  };
}

/** Flow at a depth, m³/s. */
export function openFlow(section: OpenSection, depth: number): number {
  const { area, perimeter } = shapeAt(section, depth);
  return (area * Math.cbrt((area / perimeter) ** 2) * Math.sqrt(section.slope)) / section.roughness;
}

/** Depth (m) at which an open section carries a flow (m³/s, more than 0), `flowAt` rising with depth. Found in ln y, where the curve is nearly straight between its two power laws. */
export function depthCarrying(flow: number, flowAt: (depth: number) => number): number {
  let low = Math.log(0.1);
  let high = low;
  while (flowAt(Math.exp(low)) > flow) low -= 2;
  while (flowAt(Math.exp(high)) < flow) high += 2;
  const wanted = Math.log(flow);
  return Math.exp(rootBetween(low, high, (at) => Math.log(flowAt(Math.exp(at))) - wanted));
}

/** Normal depth of a flow (m³/s, ≥ 0). */
export function openNormalDepth({ flow, ...section }: OpenSection & { flow: number }): OpenFlow {
  if (flow <= 0) return { depth: 0, velocity: 0, froude: 0, shear: 0, topWidth: section.bottomWidth };
  const depth = depthCarrying(flow, (at) => openFlow(section, at));
  const { area, perimeter, topWidth } = shapeAt(section, depth);
  const velocity = flow / area;
  return {
    depth,
    velocity,
    froude: velocity / Math.sqrt((GRAVITY * area) / topWidth),
    shear: (WATER_DENSITY * GRAVITY * section.slope * area) / perimeter,
    topWidth,
  };
}
