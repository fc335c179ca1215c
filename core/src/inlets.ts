/** Inlets at the design rain: what reaches each, how deep the water stands over it, and what it cannot take. */
import { DOWNSPOUT_OPENINGS } from './catalogue/downspouts';
import { GRATE_FACTS } from './catalogue/grates';
import { GUTTER_FACTS, type Gutter } from './catalogue/gutters';
import type { Settings } from './defaults';
import type { ChannelDrain } from './hydraulics/channelDrain';
import { manyCapacity, manyProfile, type ManyProfile, type Outlets } from './hydraulics/channelOutlets';
import { gutterRunCapacity } from './hydraulics/gutterRun';
import { gutterOutletCapacity, LEADER_FILLED, leaderCapacity } from './hydraulics/leader';
import { sagCapacity, sagDepth, type InletControl, type SagInlet } from './hydraulics/sagInlet';
import type { Basin, Channel, Downspout } from './job/elements';
import { METRES_PER_INCH } from './units/constants';

interface Offered {
  /** Water that reaches it, m³/s; what of that it takes, and what runs on or spills. */
  offered: number;
  taken: number;
  passedOn: number;
  /** What it takes within its limit, m³/s. */
  capacity: number;
}

export interface BasinPlan extends Offered {
  kind: 'basin';
  /** Over the grate, m; whatever the pipe below does. */
  ponding: number;
  control: InletControl;
  inlet: SagInlet;
  /** Highest water, from ponding or from the pipe, or as high as it runs off over the ground, below the sill it protects, m; null where none is said. */
  freeboard: number | null;
  /** How much grit its sump holds, m³; null without one. */
  sump: number | null;
}

export interface ChannelPlan extends Offered {
  kind: 'channel';
  drain: ChannelDrain & { outlets: Outlets };
  profile: ManyProfile;
  /** What the hole to its pipe takes with the channel brimful, m³/s; null with no pipe. With several, each. */
  outletCapacity: number | null;
  /** Most that goes out at one of its outlets, m³/s. */
  outletFlow: number;
  freeboard: number | null;
}

export interface DownspoutPlan extends Offered {
  kind: 'downspout';
  /** What its gutter cannot take, and spills into the yard there, m³/s: at the valley, or over the downspout. */
  overshoot: number;
  /** Which of the two holds it back. */
  control: 'outlet' | 'leader';
  gutter: Gutter;
  /** What comes down a valley, and what the gutter carries of that to its outlet, m³/s; null without a valley. */
  valley: { offered: number; capacity: number; gutterRun: number } | null;
}

export type InletPlan = BasinPlan | ChannelPlan | DownspoutPlan;

/** n of a channel drain of polymer concrete or plastic: the middle of 0.010–0.012. */
export const CHANNEL_ROUGHNESS = 0.011;

/** All grates of a basin as one inlet. */
export function inletOf({ grate, count = 1, clogging, walled = 0 }: Basin): SagInlet {
  const facts = GRATE_FACTS[grate];
  return {
    weirLength: facts.weirLength * (1 - walled) * count,
    openArea: facts.openArea * count,
    clogging: clogging ?? facts.clogging,
  };
}

/** Deeper than this over a sill no water stands in the open: it has run off somewhere, and the door is flooded anyhow. 6 in, m. */
export const MOST_OVER_SILL = 6 * METRES_PER_INCH;

/** What is left to the sill when water would stand at `highest` (m) but for running off over the ground; null without a sill. */
function freeboardOf(
  { groundLevel, sillLevel, spillLevel = Number.POSITIVE_INFINITY }: Basin | Channel,
  highest: number,
): number | null {
  return sillLevel === undefined
    ? null
    : Math.max(-MOST_OVER_SILL, sillLevel - Math.min(highest, Math.max(groundLevel, spillLevel)));
}

/** `waterLevel` is the water line at the basin, m; `passedOn` what of the water that came runs past, m³/s. */
export function basinPlan(
  basin: Basin,
  taken: number,
  waterLevel: number | null,
  { ponding: allowed }: Settings,
  passedOn = 0,
): BasinPlan {
  const inlet = inletOf(basin);
  const { depth: ponding, control } = sagDepth({ ...inlet, flow: taken });
  const highest = Math.max(basin.groundLevel + ponding, waterLevel ?? Number.NEGATIVE_INFINITY);
  // Square in plan, as wide as the grate's rim is long.
  const side = GRATE_FACTS[basin.grate].weirLength / 4;
  return {
    kind: 'basin',
    offered: taken + passedOn,
    taken,
    passedOn,
    capacity: sagCapacity({ ...inlet, depth: allowed }).flow,
    ponding,
    control,
    inlet,
    freeboard: freeboardOf(basin, highest),
    sump: basin.sumpDepth === undefined ? null : side * side * basin.sumpDepth,
  };
}

/** n of a sheet-metal gutter with its seams and a little grit. */
const GUTTER_ROUGHNESS = 0.012;

/** Its bed falls by its own fall against its top, and by the top's. */
const drainOf = ({
  width,
  depth,
  length,
  slope,
  topSlope = 0,
  section,
  outlet = 'end',
}: Channel): ChannelPlan['drain'] => ({
  width,
  depth,
  length,
  slope: slope + topSlope,
  ownFall: slope,
  roughness: CHANNEL_ROUGHNESS,
  section,
  outlets: outlet,
});

const capacities = new WeakMap<Channel, number>();

function capacityOf(channel: Channel): number {
  const told = capacities.get(channel) ?? manyCapacity(drainOf(channel));
  capacities.set(channel, told);
  return told;
}

interface KnownProfile {
  taken: number;
  outletDepth: number;
  profile: ManyProfile;
}

/**
 * The last two profiles of each channel, in the design rain and in the rarer one: dragging one landing plans the job sixty times a
 * second, and a profile takes milliseconds.
 */
const known = new WeakMap<Channel, KnownProfile[]>();

function profileOf(channel: Channel, drain: ChannelPlan['drain'], taken: number, outletDepth: number): ManyProfile {
  const last = known.get(channel) ?? [];
  const same = last.find((each) => each.taken === taken && each.outletDepth === outletDepth);
  if (same) return same.profile;
  const profile = manyProfile({ ...drain, lateralInflow: taken / channel.length, outletDepth });
  known.set(channel, [{ taken, outletDepth, profile }, ...last.slice(0, 1)]);
  return profile;
}

/** The hole to a channel's pipe, brimful: no higher than the channel, and in its end under the water over the hole's own middle. */
export function holeOf({ depth, hole = 'floor' }: Channel, diameter: number): { openArea: number; depth: number } {
  const across = hole === 'end' ? Math.min(diameter, depth) : diameter;
  return { openArea: (Math.PI * across ** 2) / 4, depth: hole === 'end' ? depth - across / 2 : depth };
}

/** `outletDiameter`: inside, of the pipe that leaves it, m; null with none. */
export function channelPlan(
  channel: Channel,
  taken: number,
  waterLevel: number | null,
  outletDiameter: number | null,
  passedOn = 0,
): ChannelPlan {
  const drain = drainOf(channel);
  const bed = channel.groundLevel - channel.depth;
  const profile = profileOf(channel, drain, taken, Math.max(0, (waterLevel ?? bed) - bed));
  return {
    kind: 'channel',
    offered: taken + passedOn,
    taken,
    passedOn,
    drain,
    profile,
    outletCapacity: outletDiameter === null ? null : gutterOutletCapacity(holeOf(channel, outletDiameter)),
    outletFlow: Math.max(...profile.outlets.map(({ flow }) => flow)),
    // Asked for by what is shown, and slow beside the rest.
    get capacity() {
      return capacityOf(channel);
    },
    // A door may stand anywhere beside it: against the highest of its grate.
    freeboard: freeboardOf(
      channel,
      channel.groundLevel + (channel.topSlope ?? 0) * channel.length + Math.max(0, profile.over),
    ),
  };
}

/** What comes to a downspout, m³/s; of that, down a valley into its gutter, so far (m of gutter) from it. */
export interface RoofWater {
  offered: number;
  valley?: { offered: number; gutterRun: number };
}

/**
 * Lesser of what the gutter's outlet lets in and what falls quietly down the leader, a rectangle as the circle of equal area; and
 * before that, of what comes down a valley, no more than the gutter carries to its outlet.
 */
export function downspoutPlan(downspout: Downspout, { offered, valley }: RoofWater, settings: Settings): DownspoutPlan {
  const openArea = DOWNSPOUT_OPENINGS[downspout.size] * METRES_PER_INCH ** 2;
  const gutter = downspout.gutter ?? 'gutter5';
  const { width, depth } = GUTTER_FACTS[gutter];
  const outlet = gutterOutletCapacity({ openArea, depth: downspout.gutter ? depth : settings.gutterDepth });
  const leader = leaderCapacity({ diameter: Math.sqrt((4 * openArea) / Math.PI), filled: LEADER_FILLED });
  const capacity = Math.min(outlet, leader);
  const carried = valley
    ? gutterRunCapacity({ width, depth, length: valley.gutterRun, roughness: GUTTER_ROUGHNESS })
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
