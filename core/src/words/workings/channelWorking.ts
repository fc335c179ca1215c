/** Workings of a channel drain: its profile, what it takes brimful, the hole at its outlet, where it overtops. */
import { shapeOf } from '../../hydraulics/channelSection';
import { frictionlessFlow } from '../../hydraulics/gutterRun';
import { gutterOutletFlows } from '../../hydraulics/leader';
import { channelCapacity, holeOf, type ChannelPlan } from '../../inlets';
import type { Channel } from '../../job/kinds';
import { decimals, showFlow, showLength, showSmall, text, type UnitSystem } from '../../units';
import { litres, metres, type Working } from './working';

const PROFILE = 'dy/dx = (S0 − Sf − 2 Q q / (g A²)) / (1 − Q² T / (g A³))';
const CHOW = 'Chow, Open-Channel Hydraulics (1959), eq. 12-30; fourth-order Runge–Kutta from the outlet.';

const sizeLine = ({ drain }: ChannelPlan): string =>
  `${metres(drain.width)} wide${drain.section === 'round' ? ' on a half round' : ''}, ${metres(drain.length)} long, S0 = ${decimals(drain.slope * 100, 2)}%, n = ${drain.roughness}`;

export function channelDepth(inlet: ChannelPlan, units: UnitSystem): Working {
  const { drain, profile, outletFlow } = inlet;
  const critical = shapeOf(drain.section ?? 'flat', drain.width).critical(outletFlow);
  return {
    title: 'Water in the channel',
    says: 'Flow grows all along the channel; its profile is worked from each outlet up, and where two outlets share it, to where both sides stand equally high.',
    formula: PROFILE,
    numbers: [
      `q = ${litres(inlet.taken)} over ${metres(drain.length)}, ${sizeLine(inlet)}`,
      ...(profile.outlets.length > 1
        ? [`out at ${profile.outlets.map(({ at, flow }) => `${metres(at)}: ${litres(flow)}`).join(', ')}`]
        : []),
      `critical depth of ${litres(outletFlow)} at its outlet, ${drain.section === 'round' ? 'from Q² T = g A³' : '(Q² / (g b²))^⅓'} = ${metres(critical)}`,
      ...(inlet.holeDepth === null
        ? ['no pipe leaves it: it falls free']
        : [`its hole takes that under ${metres(inlet.holeDepth)} of water, from where the profile starts`]),
      `deepest ${metres(profile.maxDepth)} in a channel of ${metres(drain.depth)}${(drain.ownFall ?? 0) > 0 ? ' at its outlet' : ''}; ${profile.over > 0 ? `${metres(profile.over)} over its top` : `${metres(-profile.over)} to spare where it is least`}`,
    ],
    result: showSmall(profile.maxDepth, units),
    source: CHOW,
  };
}

export function channelFull(channel: Channel, inlet: ChannelPlan, units: UnitSystem): Working {
  const { drain } = inlet;
  const capacity = channelCapacity(channel);
  return {
    title: 'What the channel takes, brimful',
    says: 'The inflow all along at which its water just touches its top somewhere, its outlets falling free.',
    formula: PROFILE,
    numbers: [
      sizeLine(inlet),
      `level, flat, with one outlet at its end and without friction it would take b √g (d/√3)^1.5 = ${litres(frictionlessFlow(drain))}`,
      `found: ${litres(capacity)}, ${decimals((capacity / drain.length) * 1000, 3)} L/s a metre; ${text(showFlow(inlet.taken, units))} comes`,
    ],
    result: showFlow(capacity, units),
    source: CHOW,
  };
}

export function channelHole(channel: Channel, inlet: ChannelPlan, diameter: number, units: UnitSystem): Working {
  const hole = holeOf(channel, diameter);
  const { rim, weir, orifice } = gutterOutletFlows(hole);
  return {
    title: 'What its outlet takes',
    says: 'The hole from the channel to its pipe, with the channel brimful over it.',
    formula: 'orifice  Q = 0.6 A √(2 g d);  weir  Q = 1.66 P d^1.5;  the lesser',
    numbers: [
      `hole ${text(showSmall(diameter, units))}: A = ${decimals(hole.openArea, 5)} m², P = ${metres(rim)}, in its ${channel.hole ?? 'floor'}, under ${text(showSmall(hole.depth, units))} of water`,
      `orifice: ${litres(orifice)};  weir: ${litres(weir)}`,
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
