/** A barrel under a downspout: how long the design rain takes to fill it. */
import type { Barrel } from '../job/kinds';
import { showFlow, showVolume } from '../units';
import { lasts } from './facts';
import { work } from './work';

export interface BarrelPlan {
  kind: 'barrel';
  /** m³ that it holds, and m³/s that comes to it. */
  volume: number;
  flow: number;
  /** s; null where nothing comes. */
  fillTime: number | null;
}

export const barrelWork = work<Barrel, BarrelPlan>({
  of: 'barrel',
  inRain: {
    turn: 'landing',
    plan: ({ id, volume }, here) => {
      const { passing: flow } = here.at(id);
      return { kind: 'barrel', volume, flow, fillTime: flow > 0 ? volume / flow : null };
    },
  },
  dug: false,
  count: ({ volume }) => [
    { item: { type: 'barrel', volume } },
    { item: { type: 'barrelStand' } },
    { item: { type: 'barrelValve' } },
    { item: { type: 'barrelUnion' } },
    { item: { type: 'barrelOverflow' } },
  ],
  facts: (plan, units) => [
    { label: 'Holds', shown: showVolume(plan.volume, units) },
    { label: 'Comes to it', shown: showFlow(plan.flow, units) },
    { label: 'Full after', shown: lasts(plan.fillTime) },
  ],
  storm: null,
  layer: 'inlets',
});
