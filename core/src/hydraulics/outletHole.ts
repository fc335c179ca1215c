/**
 * The hole by which a channel drain lets go into its pipe. In the floor it is a weir round its rim until it is covered, then an orifice
 * under the water over it. In the end it lets go as a round pipe does at its inlet: critical while part full, then an orifice under the
 * water over its middle. With the line standing over it, what drives the orifice is the difference.
 */
import { flowArea } from './backwater';
import { criticalDepth } from './criticalDepth';
import { SHARP_ORIFICE } from './leader';
import { WEIR_COEFFICIENT } from './sagInlet';
import { GRAVITY } from '../units/constants';

export interface OutletHole {
  /** Diameter, m. */
  across: number;
  where: 'floor' | 'end';
}

/** Depth of water (m) over the channel's floor that takes `flow` (m³/s) through a hole, with the line standing `drowned` m over that floor. */
export function depthForHole({ across, where }: OutletHole, flow: number, drowned = 0): number {
  if (flow <= 0) return Math.max(0, drowned);
  const area = (Math.PI * across * across) / 4;
  const head = (flow / (SHARP_ORIFICE * area)) ** 2 / (2 * GRAVITY);
  if (where === 'floor') {
    const weir = Math.cbrt((flow / (WEIR_COEFFICIENT * Math.PI * across)) ** 2);
    return Math.max(weir, Math.max(0, drowned) + head);
  }
  const critical = criticalDepth({ diameter: across, flow });
  const energy = critical + (flow / flowArea(critical, across)) ** 2 / (2 * GRAVITY);
  const free = energy <= across ? energy : Math.max(across, across / 2 + head);
  // In proportion to how far the line covers it.
  return Math.max(free, Math.max(0, drowned) + head * Math.min(1, Math.max(0, drowned) / across));
}
