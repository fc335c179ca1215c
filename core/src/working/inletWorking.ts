/** Working of an inlet: a grate's depth of water, a channel's profile, a downspout's limit. */
import { GRATE_FACTS } from '../catalogue/grates';
import { DOWNSPOUT_LABELS, DOWNSPOUT_OPENINGS } from '../catalogue/downspouts';
import { GUTTER_FACTS } from '../catalogue/gutters';
import { shapeOf } from '../hydraulics/channelSection';
import type { BasinPlan, ChannelPlan, DownspoutPlan } from '../inlets';
import type { Basin, Channel, Downspout } from '../job/elements';
import { headOf, type Job } from '../job/job';
import type { Solution } from '../solve';
import { decimals, showFlow, showSmall, text, type UnitSystem } from '../units';
import type { Working } from './working';

const litres = (flow: number): string => `${decimals(flow * 1000, 2)} L/s`;
const metres = (value: number): string => `${decimals(value, 3)} m`;

function basinWorking(basin: Basin, inlet: BasinPlan, units: UnitSystem): Working {
  const { weirLength, openArea, clogging } = inlet.inlet;
  const clear = 1 - clogging;
  const weir = Math.cbrt((inlet.taken / (1.66 * weirLength * clear)) ** 2);
  const orifice = (inlet.taken / (0.67 * openArea * clear)) ** 2 / (2 * 9.80665);
  return {
    title: 'Water over the grate',
    says: 'How deep water must stand for the grate to take all that comes over the ground.',
    formula: 'weir  Q = 1.66 P d^1.5;  orifice  Q = 0.67 A √(2 g d);  the deeper of the two',
    numbers: [
      `${basin.count ?? 1} × ${GRATE_FACTS[basin.grate].label}: rim P = ${metres(weirLength)}, open A = ${decimals(openArea, 4)} m², ${decimals(clogging * 100, 0)}% clogged`,
      `Q = ${text(showFlow(inlet.taken, units))} = ${litres(inlet.taken)}`,
      `weir: d = (${decimals(inlet.taken, 5)} / (1.66 × ${decimals(weirLength * clear, 3)}))^⅔ = ${metres(weir)}`,
      `orifice: d = (${decimals(inlet.taken, 5)} / (0.67 × ${decimals(openArea * clear, 4)}))² / (2 × 9.807) = ${metres(orifice)}`,
    ],
    result: showSmall(inlet.ponding, units),
    source: 'FHWA HEC-22 (2009), §4.4.5, grates in a sag; the clogging is a usual design allowance.',
  };
}

function channelWorking(_channel: Channel, inlet: ChannelPlan, units: UnitSystem): Working {
  const { drain, profile, outletFlow } = inlet;
  const round = drain.section === 'round';
  const critical = shapeOf(drain.section ?? 'flat', drain.width).critical(outletFlow);
  return {
    title: 'Water in the channel',
    says: 'Flow grows all along the channel; its profile is worked from each outlet up, and where two outlets share it, to where both sides stand equally high.',
    formula: 'dy/dx = (S0 − Sf − 2 Q q / (g A²)) / (1 − Q² T / (g A³))',
    numbers: [
      `q = ${litres(inlet.taken)} over ${metres(drain.length)}, ${metres(drain.width)} wide${round ? ' on a half round' : ''}, S0 = ${decimals(drain.slope * 100, 2)}%, n = ${drain.roughness}`,
      ...(profile.outlets.length > 1 ? [`out at ${profile.outlets.map(({ at, flow }) => `${metres(at)}: ${litres(flow)}`).join(', ')}`] : []),
      `critical depth of ${litres(outletFlow)} at its outlet, ${round ? 'from Q² T = g A³' : '(Q² / (g b²))^⅓'} = ${metres(critical)}`,
      `deepest ${metres(profile.maxDepth)} in a channel of ${metres(drain.depth)}${(drain.ownFall ?? 0) > 0 ? ' at its outlet' : ''}; ${profile.over > 0 ? `${metres(profile.over)} over its top` : `${metres(-profile.over)} to spare where it is least`}`,
    ],
    result: showSmall(profile.maxDepth, units),
    source: 'Chow, Open-Channel Hydraulics (1959), eq. 12-30; fourth-order Runge–Kutta from the outlet.',
  };
}

function valleyNumbers({ gutter, valley }: DownspoutPlan, units: UnitSystem): string[] {
  if (!valley) return [];
  const { label, width, depth } = GUTTER_FACTS[gutter];
  const smooth = width * Math.sqrt(9.80665) * (depth / Math.sqrt(3)) ** 1.5;
  return [
    `${label} gutter, ${metres(width)} wide and ${metres(depth)} deep to its brim: b √g (d/√3)^1.5 = ${litres(smooth)} without friction`,
    `over ${metres(valley.gutterRun)} from the valley, with friction: ${text(showFlow(valley.capacity, units))} of the ${text(showFlow(valley.offered, units))} that comes down it`,
  ];
}

function downspoutWorking(downspout: Downspout, inlet: DownspoutPlan, gutterDepth: number, units: UnitSystem): Working {
  const area = DOWNSPOUT_OPENINGS[downspout.size];
  const diameter = Math.sqrt((4 * area) / Math.PI);
  return {
    title: 'What the downspout takes',
    says: inlet.valley ? 'The lesser of what the gutter’s outlet lets in and what falls quietly down the leader; and of a valley’s water, what the gutter carries to it.' : 'The lesser of what the gutter’s outlet lets in and what falls quietly down the leader.',
    formula: `outlet  Q = 0.6 A √(2 g d) or 1.66 P d^1.5;  leader  Q = 27.8 r^(5/3) d^(8/3) gpm${inlet.valley ? ';  valley  y0²/2 = Q²/(g b² y1) + y1²/2' : ''}`,
    numbers: [
      `${DOWNSPOUT_LABELS[downspout.size]}: ${decimals(area, 1)} in², as a circle of ${decimals(diameter, 2)} in`,
      `water in the gutter over the outlet: ${text(showSmall(downspout.gutter ? GUTTER_FACTS[downspout.gutter].depth : gutterDepth, units))}`,
      `leader a third full: 27.8 × ⅓^(5/3) × ${decimals(diameter, 2)}^(8/3) = ${decimals(27.8 * (1 / 3) ** (5 / 3) * diameter ** (8 / 3), 0)} gpm`,
      `${inlet.control === 'outlet' ? 'The outlet' : 'The leader'} holds it back at ${text(showFlow(inlet.capacity, units))}; ${text(showFlow(inlet.offered, units))} comes`,
      ...valleyNumbers(inlet, units),
    ],
    result: showFlow(inlet.capacity, units),
    source: `Wyly & Eaton, NBS Monograph 31 (1961) for the leader; sharp-edged orifice and weir for the outlet${inlet.valley ? '; momentum and gradually varied flow for the gutter (Chow 1959, ch. 12)' : ''}.`,
  };
}

/** Working of a basin's, channel's or downspout's figures; null when it is none of these. */
export function inletWorking(job: Job, solution: Solution, id: string): Working | null {
  const element = job.elements[id];
  const inlet = solution.inlets[id];
  const { units } = headOf(job);
  if (inlet?.kind === 'basin') return basinWorking(element as Basin, inlet, units);
  if (inlet?.kind === 'channel') return channelWorking(element as Channel, inlet, units);
  if (inlet?.kind === 'downspout') return downspoutWorking(element as Downspout, inlet, solution.settings.gutterDepth, units);
  return null;
}
