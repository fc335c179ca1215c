/** A channel drain in a rain: its water profile, and what its outlets take. */
import type { ChannelDrain } from '../hydraulics/channelDrain';
import {
  multiOutletCapacity,
  multiOutletProfile,
  type MultiOutletProfile,
  type Outlets,
} from '../hydraulics/channelOutlets';
import { shapeOf } from '../hydraulics/channelSection';
import { gutterOutletCapacity } from '../hydraulics/leader';
import { depthForHole, type OutletHole } from '../hydraulics/outletHole';
import { channelHead, type Channel } from '../job/kinds';
import type { Settings } from '../job/settings';
import { Kept, step } from '../numeric/kept';
import type { Stands } from '../works/work';
import type { AtInlet, Offered } from './inlet';
import { freeboardOf, standsAt } from './sill';

export interface ChannelPlan extends Offered {
  kind: 'channel';
  drain: ChannelDrain & { outlets: Outlets };
  profile: MultiOutletProfile;
  /** What the hole to its pipe takes with the channel brimful, m³/s; null with no pipe. With several, each. */
  outletCapacity: number | null;
  /** Of what it takes, what a pipe brings that comes in at its upper end, m³/s. */
  through: number;
  /** Level of the water at its upper end, m. */
  headLevel: number;
  /** Greatest flow that goes out at one of its outlets, m³/s. */
  outletFlow: number;
  /** Depth of water over its floor with which the hole takes that, as the line stands, m; null with no pipe. With several, of that one. */
  holeDepth: number | null;
  /** Depth of water that stays in it after the rain, m: its pipe's invert above its floor. */
  holds: number;
  /** At the highest of its grate. */
  stands: Stands;
  /** As a basin's: to the highest of the channel's own water, m. */
  freeboard: number | null;
}

/** n of a channel drain of polymer concrete or plastic: the middle of 0.010–0.012. */
const CHANNEL_ROUGHNESS = 0.011;

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

/** What a channel takes all along, brimful and with its outlets falling free, m³/s. Some hundred profiles: asked for by what is shown. */
export const channelCapacity = (channel: Channel): number => multiOutletCapacity(drainOf(channel));

interface Profiled {
  channel: Channel;
  taken: number;
  through: number;
  /** Water in its line, m over its bed; and the hole to its pipe, m across and where, none where it falls free. */
  outletDepth: number;
  across: number | undefined;
  where: OutletHole['where'] | undefined;
}

/** Dragging one landing plans the job sixty times a second, and a profile takes milliseconds: it is kept for as long as what it reads stays. */
const profileOf = step('profile of a channel', ({ channel, taken, through, outletDepth, across, where }: Profiled) =>
  multiOutletProfile({
    ...drainOf(channel),
    lateralInflow: (taken - through) / channel.length,
    through,
    outletDepth,
    hole: across === undefined || where === undefined ? undefined : { across, where },
  }),
);

/** Water in the line (m over the bed) as far as it matters: below critical depth at a single outlet the channel falls free whatever it is. */
function felt({ outlets, section, width }: ChannelPlan['drain'], taken: number, outletDepth: number): number {
  const critical = taken > 0 ? shapeOf(section ?? 'flat', width).critical(taken) : 0;
  return outlets === 'end' && outletDepth <= critical ? 0 : outletDepth;
}

/** The hole to a channel's pipe, brimful: no higher than the channel, and in its end under the water over the hole's own middle. m², m */
export function holeOf(
  { depth, hole = 'floor' }: Channel,
  diameter: number,
): { across: number; openArea: number; depth: number } {
  const across = hole === 'end' ? Math.min(diameter, depth) : diameter;
  return { across, openArea: (Math.PI * across ** 2) / 4, depth: hole === 'end' ? depth - across / 2 : depth };
}

/** What the hole to a pipe of `diameter` (m) takes with the channel brimful, m³/s. */
export const holeCapacity = (channel: Channel, diameter: number): number =>
  gutterOutletCapacity(holeOf(channel, diameter));

/** The pipe that leaves a channel: inside diameter and invert at its head, m. */
export interface ChannelOutletPipe {
  diameter: number;
  invert: number;
}

/** A channel as it is told of a rain, with the pipe that leaves it; null with none, and then it falls free. */
export interface ChannelIn {
  channel: Channel;
  at: AtInlet;
  outlet: ChannelOutletPipe | null;
  settings: Settings;
}

/** A channel in a rain. */
export function channelPlan({ channel, at, outlet, settings }: ChannelIn, kept = new Kept()): ChannelPlan {
  const { taken, waterLevel, passedOn = 0 } = at;
  const through = Math.min(taken, at.through ?? 0);
  const drain = drainOf(channel);
  const bed = channel.groundLevel - channel.depth;
  const hole = outlet && { across: holeOf(channel, outlet.diameter).across, where: channel.hole ?? ('floor' as const) };
  const overBed = (waterLevel ?? bed) - bed;
  const waterAtOutlet = Math.max(0, overBed);
  const profile = kept.ask(profileOf, {
    channel,
    taken,
    through,
    // A hole wants its own depth over whatever stands in the line.
    outletDepth: hole ? waterAtOutlet : felt(drain, taken, waterAtOutlet),
    across: hole?.across,
    where: hole?.where,
  });
  const outletFlow = Math.max(...profile.outlets.map(({ flow }) => flow));
  // A door may stand anywhere beside it: against the highest of its grate.
  const highestGrate = channel.groundLevel + (channel.topSlope ?? 0) * channel.length;
  const stands = standsAt({ inlet: channel, at, highest: highestGrate + Math.max(0, profile.over) }, settings);
  return {
    kind: 'channel',
    offered: taken + passedOn,
    taken,
    passedOn,
    drain,
    profile,
    outletCapacity: outlet === null ? null : holeCapacity(channel, outlet.diameter),
    through,
    headLevel: channelHead(channel).bed + profile.depths[0]!,
    outletFlow,
    holeDepth: hole && depthForHole(hole, outletFlow, overBed),
    holds: outlet === null ? 0 : Math.min(channel.depth, Math.max(0, outlet.invert - bed)),
    stands,
    freeboard: freeboardOf(channel, stands.level),
  };
}
