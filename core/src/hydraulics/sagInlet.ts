/**
 * A grate at a low spot: a weir round its rim while shallow, an orifice through its slots when deep; the lesser governs at each
 * depth. Method and form as in the FHWA's Urban Drainage Design Manual (HEC-22, 3rd ed. 2009, eqs. 4-26 and 4-27).
 */
import { GRAVITY } from '../units/constants';

/** m^0.5/s: 3.0 in feet. */
export const WEIR_COEFFICIENT = 1.66;
export const ORIFICE_COEFFICIENT = 0.67;

export interface SagInlet {
  /** Rim that water comes over, m; an edge against a wall does not count. */
  weirLength: number;
  /** Clear slots, m². */
  openArea: number;
  /** Share of rim and slots that leaves take, 0 up to but not 1. */
  clogging: number;
}

export type InletControl = 'weir' | 'orifice';

/** Flow (m³/s) that the rim as a weir, and the slots as an orifice, let in with water `depth` m over the grate. */
export function sagFlows({
  weirLength,
  openArea,
  clogging,
  depth,
}: SagInlet & { depth: number }): Record<InletControl, number> {
  const clear = 1 - clogging;
  return {
    weir: WEIR_COEFFICIENT * weirLength * clear * depth ** 1.5,
    orifice: ORIFICE_COEFFICIENT * openArea * clear * Math.sqrt(2 * GRAVITY * depth),
  };
}

/** Flow taken (m³/s) with water `depth` m over the grate. */
export function sagCapacity(inlet: SagInlet & { depth: number }): { flow: number; control: InletControl } {
  const { weir, orifice } = sagFlows(inlet);
  return weir <= orifice ? { flow: weir, control: 'weir' } : { flow: orifice, control: 'orifice' };
}

/** Depth over the grate (m) that the weir, and the orifice, need for `flow` (m³/s). */
export function sagDepths({
  weirLength,
  openArea,
  clogging,
  flow,
}: SagInlet & { flow: number }): Record<InletControl, number> {
  const clear = 1 - clogging;
  return {
    weir: Math.cbrt((flow / (WEIR_COEFFICIENT * weirLength * clear)) ** 2),
    orifice: (flow / (ORIFICE_COEFFICIENT * openArea * clear)) ** 2 / (2 * GRAVITY),
  };
}

/** Depth over the grate (m) that takes `flow` (m³/s): the greater of what the weir and the orifice need. */
export function sagDepth(inlet: SagInlet & { flow: number }): { depth: number; control: InletControl } {
  const { weir, orifice } = sagDepths(inlet);
  return weir >= orifice ? { depth: weir, control: 'weir' } : { depth: orifice, control: 'orifice' };
}
