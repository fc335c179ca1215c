/** A downspout in a rain: what of the roof's water it takes, and what its gutter spills. */
import { DOWNSPOUT_OPENINGS } from '../catalogue/downspouts';
import { GUTTER_FACTS, type Gutter } from '../catalogue/gutters';
import { gutterRunCapacity } from '../hydraulics/gutterRun';
import { gutterOutletCapacity, LEADER_FILLED, leaderCapacity } from '../hydraulics/leader';
import type { Downspout } from '../job/kinds';
import { Kept, step } from '../numeric/kept';
import { METRES_PER_INCH } from '../units/constants';
import type { Offered } from './inlet';

export interface DownspoutPlan extends Offered {
  kind: 'downspout';
  /** What it takes whatever comes, m³/s. */
  capacity: number;
  /** What its gutter cannot take, and spills into the yard there, m³/s: at the valley, or over the downspout. */
  overshoot: number;
  /** Which of the two limits it. */
  control: 'outlet' | 'leader';
  gutter: Gutter;
  /** What comes down a valley, and what the gutter carries of that to its outlet, m³/s; null without a valley. */
  valley: { offered: number; capacity: number; gutterRun: number } | null;
}

/** What comes to a downspout, m³/s; of that, down a valley into its gutter, so far (m of gutter) from it. */
export interface RoofWater {
  offered: number;
  valley?: { offered: number; gutterRun: number };
}

/** n of a sheet-metal gutter with its seams and a little grit. */
const GUTTER_ROUGHNESS = 0.012;

interface GutterRun {
  gutter: Gutter;
  /** m */
  length: number;
}

/** What a gutter carries so far to its outlet, m³/s: it does not hang on the rain. */
const carriedBy = step('what a gutter carries', ({ gutter, length }: GutterRun): number => {
  const { width, depth } = GUTTER_FACTS[gutter];
  return gutterRunCapacity({ width, depth, length, roughness: GUTTER_ROUGHNESS });
});

/**
 * Lesser of what the gutter's outlet lets in and what falls quietly down the leader, a rectangle as the circle of equal area; and
 * before that, of what comes down a valley, no more than the gutter carries to its outlet. `gutterDepth`: water over the outlet where
 * no gutter is named, m.
 */
export function downspoutPlan(
  downspout: Pick<Downspout, 'size' | 'gutter'>,
  { offered, valley }: RoofWater,
  { gutterDepth }: { gutterDepth: number },
  kept = new Kept(),
): DownspoutPlan {
  const openArea = DOWNSPOUT_OPENINGS[downspout.size] * METRES_PER_INCH ** 2;
  const gutter = downspout.gutter ?? 'gutter5';
  const { depth } = GUTTER_FACTS[gutter];
  const outlet = gutterOutletCapacity({ openArea, depth: downspout.gutter ? depth : gutterDepth });
  const leader = leaderCapacity({ diameter: Math.sqrt((4 * openArea) / Math.PI), filled: LEADER_FILLED });
  const capacity = Math.min(outlet, leader);
  const carried = valley
    ? kept.ask(carriedBy, { gutter, length: valley.gutterRun }, `${gutter} ${valley.gutterRun}`)
    : 0;
  const atValley = valley ? Math.max(0, valley.offered - carried) : 0;
  const overshoot = atValley + Math.max(0, offered - atValley - capacity);
  return {
    kind: 'downspout',
    offered,
    taken: offered - overshoot,
    passedOn: overshoot,
    capacity,
    overshoot,
    control: outlet < leader ? 'outlet' : 'leader',
    gutter,
    valley: valley ? { offered: valley.offered, capacity: carried, gutterRun: valley.gutterRun } : null,
  };
}
