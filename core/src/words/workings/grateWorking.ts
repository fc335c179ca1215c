/** Workings of a basin's grate: depth over it, what it takes, what runs past it, its sump. */
import { GRATE_FACTS } from '../../catalogue/grates';
import { sagCapacity, sagDepths, sagFlows } from '../../hydraulics/sagInlet';
import type { BasinPlan } from '../../inlets';
import type { Basin } from '../../job/kinds';
import type { OnSlope } from '../../runoff/bypass';
import { decimals, showFlow, showSmall, text, type Shown, type UnitSystem } from '../../units';
import { litres, metres, type Working } from './working';

const HEC_22 = 'FHWA HEC-22 (2009), §4.4.5, grates in a sag; the clogging is a usual design allowance.';
const SAG = 'weir  Q = 1.66 P d^1.5;  orifice  Q = 0.67 A √(2 g d)';

const grateLine = (basin: Basin, { inlet: { weirLength, openArea, clogging } }: BasinPlan): string =>
  `${basin.count ?? 1} × ${GRATE_FACTS[basin.grate].label}: rim P = ${metres(weirLength)}, open A = ${decimals(openArea, 4)} m², ${decimals(clogging * 100, 0)}% clogged`;

export function grateDepth(basin: Basin, inlet: BasinPlan, units: UnitSystem): Working {
  const { weirLength, openArea, clogging } = inlet.inlet;
  const clear = 1 - clogging;
  const { weir, orifice } = sagDepths({ ...inlet.inlet, flow: inlet.taken });
  return {
    title: 'Water over the grate',
    says: 'How deep water must stand for the grate to take all that comes over the ground.',
    formula: `${SAG};  the deeper of the two`,
    numbers: [
      grateLine(basin, inlet),
      `Q = ${text(showFlow(inlet.taken, units))} = ${litres(inlet.taken)}`,
      `weir: d = (${decimals(inlet.taken, 5)} / (1.66 × ${decimals(weirLength * clear, 3)}))^⅔ = ${metres(weir)}`,
      `orifice: d = (${decimals(inlet.taken, 5)} / (0.67 × ${decimals(openArea * clear, 4)}))² / (2 × 9.807) = ${metres(orifice)}`,
    ],
    result: showSmall(inlet.ponding, units),
    source: HEC_22,
  };
}

export function grateCapacity(basin: Basin, inlet: BasinPlan, allowed: number, units: UnitSystem): Working {
  const { weirLength, openArea, clogging } = inlet.inlet;
  const clear = 1 - clogging;
  const at = { ...inlet.inlet, depth: allowed };
  const { weir, orifice } = sagFlows(at);
  const { control } = sagCapacity(at);
  return {
    title: 'What the grate takes',
    says: `With the ${text(showSmall(allowed, units))} of water over it that is allowed here.`,
    formula: `${SAG};  the lesser of the two`,
    numbers: [
      grateLine(basin, inlet),
      `weir: 1.66 × ${decimals(weirLength * clear, 3)} × ${decimals(allowed, 4)}^1.5 = ${litres(weir)}`,
      `orifice: 0.67 × ${decimals(openArea * clear, 4)} × √(2 × 9.807 × ${decimals(allowed, 4)}) = ${litres(orifice)}`,
      control === 'weir' ? 'Its rim holds it back.' : 'Its slots hold it back.',
    ],
    result: showFlow(inlet.capacity, units),
    source: HEC_22,
  };
}

/** What of a sheet on a slope carries over a grate or a channel. */
export function carriedOver(slope: OnSlope, units: UnitSystem): Working {
  return {
    title: 'What runs past',
    says: 'On a slope water comes on in a sheet, and what has not fallen through by the far bar runs on. What comes beside the inlet passes by.',
    formula: 'd = (q n / √S)^0.6;  V = q / d;  needs V √(2 d / g)',
    numbers: [
      `comes on: ${text(showFlow(slope.offered, units))} = ${litres(slope.offered)}`,
      `sheet: d = ${decimals(slope.depth * 1000, 1)} mm at V = ${decimals(slope.velocity, 2)} m/s`,
      `falls in within ${decimals(slope.velocity, 2)} × √(2 × ${decimals(slope.depth, 5)} / 9.807) = ${metres(slope.needed)} of open grate`,
      `takes ${decimals(slope.share * 100, 0)}%; ${text(showFlow(slope.passed, units))} runs past`,
    ],
    result: showFlow(slope.passed, units),
    source:
      'Manning’s formula for a wide sheet, and free fall of the nappe without splash: a bound for clean grates with bars along the flow.',
  };
}

export function sumpWorking(basin: Basin, inlet: BasinPlan, shown: Shown, units: UnitSystem): Working {
  const side = GRATE_FACTS[basin.grate].weirLength / 4;
  return {
    title: 'What the sump holds',
    says: 'Grit that settles under the outlet before it reaches the pipe. Empty it when it is half full, and after leaf fall.',
    formula: 'volume = side² × depth',
    numbers: [
      `side = a quarter of the grate’s rim = ${metres(side)}, depth ${text(showSmall(basin.sumpDepth ?? 0, units))}`,
      `(${metres(side)})² × ${metres(basin.sumpDepth ?? 0)} = ${decimals((inlet.sump ?? 0) * 1000, 1)} L`,
    ],
    result: shown,
    source: 'Geometry; a basin as wide as its grate.',
  };
}
