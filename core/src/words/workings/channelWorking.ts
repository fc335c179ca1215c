/** Workings of a channel drain: its profile, what it takes brimful, the hole at its outlet, where it overtops. */
import { shapeOf } from '../../hydraulics/channelSection';
import { frictionlessFlow } from '../../hydraulics/gutterRun';
import { gutterOutletFlows } from '../../hydraulics/leader';
import { channelCapacity, holeOf, type ChannelPlan } from '../../inlets';
import type { Channel } from '../../job/kinds';
import { decimals, METRES_PER_FOOT, showFlow, showLength, showSmall, text, type UnitSystem } from '../../units';
import { sumsIn, type Sums, type Working } from './working';

const PROFILE = 'dy/dx = (S0 − Sf − 2 Q q / (g A²)) / (1 − Q² T / (g A³))';
const CHOW = 'Chow, Open-Channel Hydraulics (1959), eq. 12-30; fourth-order Runge–Kutta from the outlet.';

const sizeLine = ({ drain }: ChannelPlan, sum: Sums): string =>
  `${sum.length(drain.width)} wide${drain.section === 'round' ? ' on a half round' : ''}, ${sum.length(drain.length)} long, S0 = ${decimals(drain.slope * 100, 2)}%, n = ${drain.roughness}`;

export function channelDepth(inlet: ChannelPlan, units: UnitSystem): Working {
  const sum = sumsIn(units);
  const { drain, profile, outletFlow } = inlet;
  const critical = shapeOf(drain.section ?? 'flat', drain.width).critical(outletFlow);
  return {
    title: 'Water in the channel',
    says: 'Flow grows all along the channel; its profile is worked from each outlet up, and where two outlets share it, to where both sides stand equally high.',
    formula: PROFILE,
    numbers: [
      ...(inlet.through > 0
        ? [`${sum.flow(inlet.through)} comes in by a pipe at its upper end and runs all of it`]
        : []),
      `q = ${sum.flow(inlet.taken - inlet.through)} over ${sum.length(drain.length)}, ${sizeLine(inlet, sum)}`,
      ...(profile.outlets.length > 1
        ? [`out at ${profile.outlets.map(({ at, flow }) => `${sum.length(at)}: ${sum.flow(flow)}`).join(', ')}`]
        : []),
      `critical depth of ${sum.flow(outletFlow)} at its outlet, ${drain.section === 'round' ? 'from Q² T = g A³' : '(Q² / (g b²))^⅓'} = ${sum.length(critical)}`,
      ...(inlet.holeDepth === null
        ? ['no pipe leaves it: it falls free']
        : [`its hole takes that under ${sum.length(inlet.holeDepth)} of water, from where the profile starts`]),
      `deepest ${sum.length(profile.maxDepth)} in a channel of ${sum.length(drain.depth)}${(drain.ownFall ?? 0) > 0 ? ' at its outlet' : ''}; ${profile.over > 0 ? `${sum.length(profile.over)} over its top` : `${sum.length(-profile.over)} to spare where it is least`}`,
    ],
    result: showSmall(profile.maxDepth, units),
    source: CHOW,
  };
}

export function channelFull(channel: Channel, inlet: ChannelPlan, units: UnitSystem): Working {
  const sum = sumsIn(units);
  const { drain } = inlet;
  const capacity = channelCapacity(channel);
  return {
    title: 'What the channel takes, brimful',
    says: 'The inflow all along at which its water just touches its top somewhere, its outlets falling free.',
    formula: PROFILE,
    numbers: [
      sizeLine(inlet, sum),
      `level, flat, with one outlet at its end and without friction it would take b √g (d/√3)^1.5 = ${sum.flow(frictionlessFlow(drain))}`,
      `found: ${sum.flow(capacity)}, ${sum.flow((capacity / drain.length) * (units === 'us' ? METRES_PER_FOOT : 1))} ${units === 'us' ? 'a foot' : 'a metre'}; ${text(showFlow(inlet.taken, units))} comes`,
    ],
    result: showFlow(capacity, units),
    source: CHOW,
  };
}

export function channelHole(channel: Channel, inlet: ChannelPlan, diameter: number, units: UnitSystem): Working {
  const sum = sumsIn(units);
  const hole = holeOf(channel, diameter);
  const { rim, weir, orifice } = gutterOutletFlows(hole);
  return {
    title: 'What its outlet takes',
    says: 'The hole from the channel to its pipe, with the channel brimful over it.',
    formula: `orifice  Q = 0.6 A √(2 g d);  weir  Q = ${sum.weir} P d^1.5;  the lesser`,
    numbers: [
      `hole ${text(showSmall(diameter, units))}: A = ${sum.area(hole.openArea, 5)}, P = ${sum.length(rim)}, in its ${channel.hole ?? 'floor'}, under ${text(showSmall(hole.depth, units))} of water`,
      `orifice: ${sum.flow(orifice)};  weir: ${sum.flow(weir)}`,
      `most that comes to ${inlet.profile.outlets.length > 1 ? 'one of them' : 'it'}: ${text(showFlow(inlet.outletFlow, units))}`,
    ],
    result: showFlow(inlet.outletCapacity ?? 0, units),
    source: 'Sharp-edged orifice and weir.',
  };
}

export function channelOver(inlet: ChannelPlan, units: UnitSystem): Working {
  const { profile, drain } = inlet;
  return {
    title: 'Overtops along',
    says: 'The length over which its water would stand above its top.',
    formula: 'y > depth − own fall × distance to the outlet',
    numbers: [
      `highest over its top: ${text(showSmall(Math.max(0, profile.over), units))}`,
      `${text(showLength(profile.overLength, units))} of ${text(showLength(drain.length, units))}, by its profile`,
    ],
    result: showLength(profile.overLength, units),
    source: CHOW,
  };
}
