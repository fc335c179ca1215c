/** An open stone drain along a slab: what goes in through its stone, and how deep the water stands on the slab. */
import { STONE_FACTS } from '../catalogue/stone';
import { broadWeirHead } from '../hydraulics/broadWeir';
import type { StoneDrain } from '../job/kinds';
import { showFlow, showSmall, showVolume } from '../units';
import { toned } from './facts';
import { lengthOf } from './measures';
import { work } from './work';

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

/** Where its line stands higher than what crosses its stone, it comes up through that. */
function inLine(plan: StoneDrainPlan, { sillLevel }: StoneDrain, standing: number): StoneDrainPlan {
  if (standing <= plan.waterLevel) return plan;
  return { ...plan, waterLevel: standing, freeboard: sillLevel === undefined ? null : sillLevel - standing };
}

export const stoneDrainWork = work<StoneDrain, StoneDrainPlan>({
  of: 'stoneDrain',
  inRain: { turn: 'landing', plan: (drain, here) => stoneDrainPlan(drain, here.at(drain.id).entering) },
  inLine,
  inOpen: ({ flow, waterLevel, over }) => (flow > 0 ? { level: waterLevel, runs: over } : null),
  dug: true,
  count: (drain) => {
    const { width, depth, stone = 'round', fabric = 'wrapped' } = drain;
    const length = lengthOf(drain);
    if (length === 0) return ['noSize'];
    const volume = width * depth * length;
    return [
      { item: { type: 'dug' }, quantity: volume },
      { item: { type: 'spoil' }, quantity: volume },
      { item: { type: 'stone', stone }, quantity: stone === 'none' ? 0 : volume },
      // Wrapped below: its top is open.
      { item: { type: 'fabric' }, quantity: fabric === 'wrapped' ? length * (width + 2 * depth) : 0 },
    ];
  },
  facts: (plan, units) => [
    { label: 'Comes off the slab', shown: showFlow(plan.flow, units) },
    { label: 'Its stone takes', shown: showFlow(plan.capacity, units), ...toned('fix', plan.over > 0) },
    { label: 'Runs on', shown: showFlow(plan.over, units), ...toned('fix', plan.over > 0) },
    { label: 'Water on the slab', shown: showSmall(plan.depthOnSlab, units) },
    ...(plan.freeboard === null
      ? []
      : [
          {
            label: 'Under the sill',
            shown: showSmall(plan.freeboard, units),
            ...toned('stop', plan.freeboard < 0),
          },
        ]),
    ...(plan.below === null ? [] : [{ label: 'Stone below the slab', shown: showSmall(plan.below, units) }]),
    { label: 'Room in its stone', shown: showVolume(plan.room, units) },
  ],
  storm: {
    layer: 'grates',
    passes: ({ flow, over }) => ({ offered: flow, passed: over }),
    doors: (_, id, { freeboard }) => (freeboard === null ? [] : [{ opening: id, left: freeboard }]),
  },
  layer: 'works',
});
