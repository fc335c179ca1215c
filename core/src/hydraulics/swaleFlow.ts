/** Steady uniform flow in a swale of a V, a flat floor or a parabola: Manning's formula (Chow 1959, §6-6). */
import type { SwaleSection } from '../catalogue/swales';
import { GRAVITY, WATER_DENSITY } from '../units/constants';
import { depthCarrying } from './openSection';

export interface SwaleShape {
  section: SwaleSection;
  /** m; of a trapezoid. */
  bottomWidth: number;
  /** Run over rise; of a parabola, half its width at the bank over its depth. */
  sideSlope: number;
  /** From bank to floor, m. */
  depth: number;
}

export interface SwaleFlow {
  /** m, m/s, Pa, m */
  depth: number;
  velocity: number;
  shear: number;
  topWidth: number;
}

interface Wet {
  area: number;
  perimeter: number;
  topWidth: number;
}

/** What of a swale is wet at a depth (m); beyond its bank the same shape goes on. */
export function wetAt({ section, bottomWidth, sideSlope, depth: bank }: SwaleShape, depth: number): Wet {
  if (section === 'parabola') {
    const topWidth = 2 * sideSlope * Math.sqrt(bank * depth);
    const x = (4 * depth) / topWidth;
    // Length of a parabola's arc; for a flat one ln(x + √(1 + x²))/x keeps its digits as asinh.
    return {
      area: (2 / 3) * topWidth * depth,
      perimeter: (topWidth / 2) * (Math.hypot(1, x) + Math.asinh(x) / x),
      topWidth,
    };
  }
  const floor = section === 'v' ? 0 : bottomWidth;
  return {
    area: depth * (floor + sideSlope * depth),
    perimeter: floor + 2 * depth * Math.hypot(1, sideSlope),
    topWidth: floor + 2 * sideSlope * depth,
  };
}

/** Flow (m³/s) at a depth (m) on a slope (m/m). */
export function swaleCapacity(shape: SwaleShape, depth: number, slope: number, roughness: number): number {
  if (depth <= 0 || slope <= 0) return 0;
  const { area, perimeter } = wetAt(shape, depth);
  return (area * Math.cbrt((area / perimeter) ** 2) * Math.sqrt(slope)) / roughness;
}

/** Normal depth of a flow (m³/s, ≥ 0) on a slope (m/m) of more than 0. */
export function swaleFlow(shape: SwaleShape, flow: number, slope: number, roughness: number): SwaleFlow {
  if (flow <= 0)
    return { depth: 0, velocity: 0, shear: 0, topWidth: shape.section === 'trapezoid' ? shape.bottomWidth : 0 };
  const depth = depthCarrying(flow, (at) => swaleCapacity(shape, at, slope, roughness));
  const { area, perimeter, topWidth } = wetAt(shape, depth);
  return {
    depth,
    velocity: flow / area,
    shear: (WATER_DENSITY * GRAVITY * slope * area) / perimeter,
    topWidth,
  };
}
