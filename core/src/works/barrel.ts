/** A barrel under a downspout: how long the design rain takes to fill it. */
import type { Barrel } from '../job/kinds';
import { showFlow, showLevel, showSmall, showVolume } from '../units';
import { METRES_PER_INCH } from '../units/constants';
import { lasts } from './facts';
import { work } from './work';

export interface BarrelPlan {
  kind: 'barrel';
  /** m³ that it holds, and m³/s that comes to it. */
  volume: number;
  flow: number;
  /** s; null where nothing comes. */
  fillTime: number | null;
  /** Level that its overflow leaves at, m, and of its valve over the ground, m. */
  overflowLevel: number;
  valve: number;
}

/** Usual height of what it stands on, so that a can goes under its valve, and of its overflow over that, m: 12 and 33 in. */
export const BARREL_USUAL = { stand: 12 * METRES_PER_INCH, outletHeight: 33 * METRES_PER_INCH };

/** How high over the ground its overflow leaves, m. */
export const overflowOver = ({
  stand = BARREL_USUAL.stand,
  outletHeight = BARREL_USUAL.outletHeight,
}: Pick<Barrel, 'stand' | 'outletHeight'>): number => stand + outletHeight;

export const barrelWork = work<Barrel, BarrelPlan>({
  of: 'barrel',
  inRain: {
    turn: 'landing',
    plan: (barrel, here) => {
      const { id, volume, groundLevel, stand = BARREL_USUAL.stand } = barrel;
      const { passing: flow } = here.at(id);
      return {
        kind: 'barrel',
        volume,
        flow,
        fillTime: flow > 0 ? volume / flow : null,
        overflowLevel: groundLevel + overflowOver(barrel),
        valve: stand,
      };
    },
  },
  dug: false,
  count: ({ volume, stand = BARREL_USUAL.stand }) => [
    { item: { type: 'barrel', volume } },
    { item: { type: 'barrelStand' }, quantity: stand > 0 ? 1 : 0 },
    { item: { type: 'barrelValve' } },
    { item: { type: 'barrelUnion' } },
    { item: { type: 'barrelOverflow' } },
  ],
  facts: (plan, units) => [
    { label: 'Holds', shown: showVolume(plan.volume, units) },
    { label: 'Comes to it', shown: showFlow(plan.flow, units) },
    { label: 'Full after', shown: lasts(plan.fillTime) },
    { label: 'Overflow leaves at', shown: showLevel(plan.overflowLevel, units) },
    { label: 'Valve over the ground', shown: showSmall(plan.valve, units) },
  ],
  layer: 'inlets',
});
