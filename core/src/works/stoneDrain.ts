/** An open stone drain along a slab: what goes in through its stone, and how deep the water stands on the slab. */
import { STONE_FACTS } from '../catalogue/stone';
import { broadWeirHead } from '../hydraulics/broadWeir';
import type { StoneDrain } from '../job/kinds';
import { lengthOf } from './measures';

export interface StoneDrainPlan {
  kind: 'stoneDrain';
  length: number;
  /** m³/s: what comes, what its stone takes, and what runs on over it. */
  flow: number;
  capacity: number;
  over: number;
  /** Water on the slab as it comes to the stone, m. */
  depthOnSlab: number;
  /** Water on the far side of the stone, where the door is, m: none over the stone while that takes all. */
  waterLevel: number;
  /** Top of its stone below the slab, m; null where the slab's level is not said. */
  below: number | null;
  /** Sill over the water, m; null without a sill. */
  freeboard: number | null;
  /** Water that its stone holds, m³. */
  room: number;
}

/** Share of its top that leaves take, where nobody says otherwise. */
const CLOGGED = 0.3;

export function stoneDrainPlan(drain: StoneDrain, flow: number): StoneDrainPlan {
  const length = lengthOf(drain);
  const stone = STONE_FACTS[drain.stone ?? 'round'];
  const clogging = drain.clogging ?? CLOGGED;
  const capacity = stone.through * drain.width * length * (1 - clogging);
  const slab = drain.slabLevel ?? drain.groundLevel;
  const over = Math.max(0, flow - capacity);
  const head = (crossing: number): number => (length > 0 && crossing > 0 ? broadWeirHead(crossing, length) : 0);
  // What the stone does not take crosses it as high as it stands on the slab's edge.
  const waterLevel = over > 0 ? slab + head(over) : drain.groundLevel;
  return {
    kind: 'stoneDrain',
    length,
    flow,
    capacity,
    over,
    depthOnSlab: head(flow),
    waterLevel,
    below: drain.slabLevel === undefined ? null : drain.slabLevel - drain.groundLevel,
    freeboard: drain.sillLevel === undefined ? null : drain.sillLevel - waterLevel,
    room: drain.width * drain.depth * length * stone.voids,
  };
}
