/** Working of a downspout: the lesser of outlet and leader, and what a gutter carries of a valley's water. */
import { DOWNSPOUT_LABELS, DOWNSPOUT_OPENINGS } from '../../catalogue/downspouts';
import { GUTTER_FACTS } from '../../catalogue/gutters';
import { frictionlessFlow } from '../../hydraulics/gutterRun';
import type { DownspoutPlan } from '../../inlets';
import type { Downspout } from '../../job/kinds';
import { decimals, showFlow, showSmall, text, type UnitSystem } from '../../units';
import { sumsIn, type Working } from './working';

function valleyNumbers({ gutter, valley }: DownspoutPlan, units: UnitSystem): string[] {
  if (!valley) return [];
  const { label, width, depth } = GUTTER_FACTS[gutter];
  return [
    `${label} gutter, ${sumsIn(units).length(width)} wide and ${sumsIn(units).length(depth)} deep to its brim: b √g (d/√3)^1.5 = ${sumsIn(units).flow(frictionlessFlow({ width, depth }))} without friction`,
    `over ${sumsIn(units).length(valley.gutterRun)} from the valley, with friction: ${text(showFlow(valley.capacity, units))} of the ${text(showFlow(valley.offered, units))} that comes down it`,
  ];
}

export function downspoutWorking(
  downspout: Downspout,
  inlet: DownspoutPlan,
  gutterDepth: number,
  units: UnitSystem,
): Working {
  const area = DOWNSPOUT_OPENINGS[downspout.size];
  const diameter = Math.sqrt((4 * area) / Math.PI);
  return {
    title: 'What the downspout takes',
    says: inlet.valley
      ? 'The lesser of what the gutter’s outlet lets in and what falls quietly down the leader; and of a valley’s water, what the gutter carries to it.'
      : 'The lesser of what the gutter’s outlet lets in and what falls quietly down the leader.',
    formula: `outlet  Q = 0.6 A √(2 g d) or ${sumsIn(units).weir} P d^1.5;  leader  Q = 27.8 r^(5/3) d^(8/3) gpm${inlet.valley ? ';  valley  y0²/2 = Q²/(g b² y1) + y1²/2' : ''}`,
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
