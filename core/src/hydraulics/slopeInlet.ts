/**
 * An inlet on a slope: sheet flow comes on at its normal depth and must fall through the grate while it crosses it. A sheet of depth d
 * and velocity V has all gone through after V √(2 d / g); a shorter clear length lets the upper part of it carry over. What comes on
 * beside the grate passes by altogether. Free fall of the nappe, no splash: a bound for clean grates with bars along the flow.
 */
import { GRAVITY } from '../units/constants';

export interface Approach {
  /** m³/s over a width (m) of ground that falls `slope` (m/m) with overland n `roughness`. */
  flow: number;
  width: number;
  slope: number;
  roughness: number;
}

export interface Interception {
  /** Share taken, 0–1. */
  share: number;
  /** Of the sheet: m, m/s, and the clear length that it needs, m. */
  depth: number;
  velocity: number;
  needed: number;
}

/** `frontage`: width of the inlet across the flow, m. `clearLength`: open length along it, m. */
export function interception(
  { flow, width, slope, roughness }: Approach,
  frontage: number,
  clearLength: number,
): Interception {
  if (flow <= 0) return { share: 1, depth: 0, velocity: 0, needed: 0 };
  const unit = flow / width;
  // A wide sheet: q = d^(5/3) √S / n.
  const depth = ((unit * roughness) / Math.sqrt(slope)) ** 0.6;
  const velocity = unit / depth;
  const needed = velocity * Math.sqrt((2 * depth) / GRAVITY);
  return { share: Math.min(1, frontage / width) * Math.min(1, clearLength / needed), depth, velocity, needed };
}
