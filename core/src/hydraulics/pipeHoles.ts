/**
 * What goes into a perforated pipe through its holes, with water standing over it in open stone: a sharp orifice of all of them,
 * Q = Co A √(2 g h). Stone round a pipe lets in far more than its holes do, so that these set what a short drain under much water takes.
 */
import { GRAVITY } from '../units/constants';
import type { Perforations } from '../catalogue/stone';
import { SHARP_ORIFICE } from './leader';

/**
 * Opening of all holes a metre of pipe, m²: the least that AASHTO M 252 asks of corrugated pipe with slots. Two rows of ½ in holes 5 in apart
 * (ASTM D2729) come to the same.
 */
const OPENING = 20e-4;
/** Height of the holes over the invert, of the diameter: two rows 120° apart laid downward, or on average all round. */
const HEIGHT: Record<Perforations, number> = { rows: 0.25, slots: 0.5 };

interface PipeHoles {
  /** Of pipe, m, all pipes side by side together. */
  length: number;
  /** m */
  nominal: number;
  perforations: Perforations;
  /** Water over the invert, m. */
  depth: number;
  /** Share of the holes that silt and stone take. */
  clogging: number;
}

/** m³/s; 0 with no water over the holes. */
export function holesTake({ length, nominal, perforations, depth, clogging }: PipeHoles): number {
  const head = Math.max(0, depth - HEIGHT[perforations] * nominal);
  return SHARP_ORIFICE * OPENING * (1 - clogging) * length * Math.sqrt(2 * GRAVITY * head);
}
