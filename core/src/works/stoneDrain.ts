/** An open stone drain along a slab: what goes in through its stone, and how deep the water stands on the slab. */
import { LAP } from '../catalogue/supply';
import { STONE_FACTS } from '../catalogue/stone';
import { broadWeirHead } from '../hydraulics/broadWeir';
import { holesTake } from '../hydraulics/pipeHoles';
import type { StoneDrain } from '../job/kinds';
import { showFlow, showSmall, showVolume } from '../units';
import { toned } from './facts';
import { lengthOf } from './measures';
import { work, type Counted } from './work';

export interface StoneDrainPlan {
  kind: 'stoneDrain';
  length: number;
  /** m³/s: what comes, what its stone lets through, what the holes of its pipe take, the lesser of the two, and what runs on over it. */
  flow: number;
  through: number;
  holes: number;
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

/** Usual figures of its pipe, where nothing else is said. */
export const STONE_DRAIN_USUAL = {
  /** m: 4 in. */
  nominal: 0.1016,
  perforations: 'rows',
  pipes: 1,
} as const;

/** Share of its top that leaves take, and of its holes that silt does, where nobody says otherwise. */
const CLOGGED = 0.3;

export function stoneDrainPlan(drain: StoneDrain, flow: number): StoneDrainPlan {
  const length = lengthOf(drain);
  const stone = STONE_FACTS[drain.stone ?? 'round'];
  const clogging = drain.clogging ?? CLOGGED;
  const through = stone.through * drain.width * length * (1 - clogging);
  const { nominal, perforations, pipes } = { ...STONE_DRAIN_USUAL, ...drain };
  const holes = holesTake({ length: pipes * length, nominal, perforations, depth: drain.depth, clogging });
  const capacity = Math.min(through, holes);
  const slab = drain.slabLevel ?? drain.groundLevel;
  const over = Math.max(0, flow - capacity);
  const head = (crossing: number): number => (length > 0 && crossing > 0 ? broadWeirHead(crossing, length) : 0);
  // What it does not take crosses it, over the slab's edge or over its stone where that stands higher.
  const waterLevel = over > 0 ? Math.max(slab, drain.groundLevel) + head(over) : drain.groundLevel;
  return {
    kind: 'stoneDrain',
    length,
    flow,
    through,
    holes,
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
    const { nominal, pipes } = { ...STONE_DRAIN_USUAL, ...drain };
    const length = lengthOf(drain);
    if (length === 0) return ['noSize'];
    const volume = width * depth * length;
    const inPipe = (pipes * length * Math.PI * nominal ** 2) / 4;
    return [
      ...Array.from({ length: pipes }, (): Counted => ({
        item: { type: 'pipe', material: 'singleWall', nominal, perforated: drain.perforations ?? true },
        quantity: length,
      })),
      { item: { type: 'cap', material: 'singleWall', nominal }, quantity: pipes },
      { item: { type: 'dug' }, quantity: volume },
      { item: { type: 'spoil' }, quantity: volume },
      { item: { type: 'stone', stone }, quantity: stone === 'none' ? 0 : volume - inPipe },
      { item: { type: 'sock', nominal }, quantity: fabric === 'sock' ? pipes * length : 0 },
      // Round it, and lapped over its top: what lies on that is the last of its stone, and can be lifted off with the silt.
      { item: { type: 'fabric' }, quantity: fabric === 'wrapped' ? length * (2 * (width + depth) + LAP) : 0 },
    ];
  },
  facts: (plan, units) => [
    { label: 'Comes off the slab', shown: showFlow(plan.flow, units) },
    { label: 'Its stone lets in', shown: showFlow(plan.through, units), ...toned('fix', plan.flow > plan.through) },
    {
      label: 'The holes of its pipe take',
      shown: showFlow(plan.holes, units),
      ...toned('fix', plan.flow > plan.holes),
    },
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
  layer: 'works',
});
