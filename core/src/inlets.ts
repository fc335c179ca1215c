/** Inlets at the design rain: what reaches each, how deep the water stands over it, and what it cannot take. */
import { DOWNSPOUT_OPENINGS } from './catalogue/downspouts';
import { GRATE_FACTS } from './catalogue/grates';
import type { Settings } from './defaults';
import { channelCapacity, channelProfile, type ChannelDrain, type ChannelProfile } from './hydraulics/channelDrain';
import { gutterOutletCapacity, LEADER_FILLED, leaderCapacity } from './hydraulics/leader';
import { sagCapacity, sagDepth, type InletControl, type SagInlet } from './hydraulics/sagInlet';
import type { Basin, Channel, Downspout } from './job/elements';
import { METRES_PER_INCH } from './units/constants';

interface Offered {
  /** Surface water that reaches it, m³/s. */
  offered: number;
  /** What it takes within its limit, m³/s. */
  capacity: number;
}

export interface BasinPlan extends Offered {
  kind: 'basin';
  /** Over the grate, m; whatever the pipe below does. */
  ponding: number;
  control: InletControl;
  inlet: SagInlet;
  /** Highest water over the grate, from ponding or from the pipe, below the sill it protects, m; null where none is said. */
  freeboard: number | null;
  /** How much grit its sump holds, m³; null without one. */
  sump: number | null;
}

export interface ChannelPlan extends Offered {
  kind: 'channel';
  /** The length that falls one way: half of it where the outlet is in the middle. */
  drain: ChannelDrain;
  profile: ChannelProfile;
  /** Length of it that overtops, m. */
  overtopLength: number;
  /** What the hole to its pipe takes with the channel brimful, m³/s; null with no pipe. */
  outletCapacity: number | null;
  freeboard: number | null;
}

export interface DownspoutPlan extends Offered {
  kind: 'downspout';
  /** What its gutter cannot take, and spills into the yard there, m³/s. */
  overshoot: number;
  /** Which of the two holds it back. */
  control: 'outlet' | 'leader';
}

export type InletPlan = BasinPlan | ChannelPlan | DownspoutPlan;

/** n of a channel drain of polymer concrete or plastic: the middle of 0.010–0.012. */
export const CHANNEL_ROUGHNESS = 0.011;

/** All grates of a basin as one inlet. */
export function inletOf({ grate, count = 1, clogging, walled = 0 }: Basin): SagInlet {
  const facts = GRATE_FACTS[grate];
  return { weirLength: facts.weirLength * (1 - walled) * count, openArea: facts.openArea * count, clogging: clogging ?? facts.clogging };
}

/** `waterLevel` is the water line at the basin, m. */
export function basinPlan(basin: Basin, offered: number, waterLevel: number | null, { ponding: allowed }: Settings): BasinPlan {
  const inlet = inletOf(basin);
  const { depth: ponding, control } = sagDepth({ ...inlet, flow: offered });
  const highest = Math.max(basin.groundLevel + ponding, waterLevel ?? Number.NEGATIVE_INFINITY);
  // Square in plan, as wide as the grate's rim is long.
  const side = GRATE_FACTS[basin.grate].weirLength / 4;
  return {
    kind: 'basin', offered, capacity: sagCapacity({ ...inlet, depth: allowed }).flow, ponding, control, inlet,
    freeboard: basin.sillLevel === undefined ? null : basin.sillLevel - highest,
    sump: basin.sumpDepth === undefined ? null : side * side * basin.sumpDepth,
  };
}

/** How many stretches fall toward the outlet. */
const halves = ({ outlet }: Channel): number => (outlet === 'middle' ? 2 : 1);

export const drainOf = (channel: Channel): ChannelDrain => ({ width: channel.width, depth: channel.depth, length: channel.length / halves(channel), slope: channel.slope, roughness: CHANNEL_ROUGHNESS });

/** `outletDiameter`: inside, of the pipe that leaves it, m; null with none. */
export function channelPlan(channel: Channel, offered: number, waterLevel: number | null, outletDiameter: number | null): ChannelPlan {
  const drain = drainOf(channel);
  const bed = channel.groundLevel - channel.depth;
  const profile = channelProfile({ ...drain, lateralInflow: offered / channel.length, outletDepth: Math.max(0, (waterLevel ?? bed) - bed) });
  const over = Math.max(0, profile.maxDepth - channel.depth);
  return {
    kind: 'channel', offered, drain, profile,
    overtopLength: (profile.depths.filter((depth) => depth > drain.depth).length / profile.depths.length) * channel.length,
    outletCapacity: outletDiameter === null ? null : gutterOutletCapacity({ openArea: (Math.PI * outletDiameter ** 2) / 4, depth: channel.depth }),
    // Asked for by what is shown, and slow beside the rest.
    get capacity() {
      return channelCapacity(drain).flow * halves(channel);
    },
    freeboard: channel.sillLevel === undefined ? null : channel.sillLevel - (channel.groundLevel + over),
  };
}

/** Lesser of what the gutter's outlet lets in and what falls quietly down the leader, a rectangle as the circle of equal area. */
export function downspoutPlan(downspout: Downspout, offered: number, { gutterDepth }: Settings): DownspoutPlan {
  const openArea = DOWNSPOUT_OPENINGS[downspout.size] * METRES_PER_INCH ** 2;
  const outlet = gutterOutletCapacity({ openArea, depth: gutterDepth });
  const leader = leaderCapacity({ diameter: Math.sqrt((4 * openArea) / Math.PI), filled: LEADER_FILLED });
  const capacity = Math.min(outlet, leader);
  return { kind: 'downspout', offered, capacity, overshoot: Math.max(0, offered - capacity), control: outlet < leader ? 'outlet' : 'leader' };
}
