/** Workings of a basin's grate: depth over it, what it takes, what runs past it, its sump. */
import { GRATE_FACTS } from '../../catalogue/grates';
import { sagCapacity, sagDepths, sagFlows } from '../../hydraulics/sagInlet';
import type { BasinPlan } from '../../inlets';
import type { Basin } from '../../job/kinds';
import type { OnSlope } from '../../runoff/bypass';
import {
  decimals,
  METRES_PER_FOOT,
  showFlow,
  showSmall,
  showVelocity,
  text,
  type Shown,
  type UnitSystem,
} from '../../units';
import { sumsIn, type Sums, type Working } from './working';

const HEC_22 = 'FHWA HEC-22 (2009), §4.4.5, grates in a sag; the clogging is a usual design allowance.';
const sag = (sum: Sums): string => `weir  Q = ${sum.weir} P d^1.5;  orifice  Q = 0.67 A √(2 g d)`;

const grateLine = (basin: Basin, { inlet: { weirLength, openArea, clogging } }: BasinPlan, sum: Sums): string =>
  `${basin.count ?? 1} × ${GRATE_FACTS[basin.grate].label}: rim P = ${sum.length(weirLength)}, open A = ${sum.area(openArea, 4)}, ${decimals(clogging * 100, 0)}% clogged`;

export function grateDepth(basin: Basin, inlet: BasinPlan, units: UnitSystem): Working {
  const sum = sumsIn(units);
  const { weirLength, openArea, clogging } = inlet.inlet;
  const clear = 1 - clogging;
  const { weir, orifice } = sagDepths({ ...inlet.inlet, flow: inlet.taken });
  return {
    title: 'Water over the grate',
    says: 'How deep water must stand for the grate to take all that comes over the ground.',
    formula: `${sag(sum)};  the deeper of the two`,
    numbers: [
      grateLine(basin, inlet, sum),
      `Q = ${text(showFlow(inlet.taken, units))}`,
      `weir: d = (${sum.plainFlow(inlet.taken)} / (${sum.weir} × ${sum.plain(weirLength * clear, 3)}))^⅔ = ${sum.length(weir)}`,
      `orifice: d = (${sum.plainFlow(inlet.taken)} / (0.67 × ${sum.plainArea(openArea * clear)}))² / (2 × ${sum.g}) = ${sum.length(orifice)}`,
    ],
    result: showSmall(inlet.ponding, units),
    source: HEC_22,
  };
}

export function grateCapacity(basin: Basin, inlet: BasinPlan, allowed: number, units: UnitSystem): Working {
  const sum = sumsIn(units);
  const { weirLength, openArea, clogging } = inlet.inlet;
  const clear = 1 - clogging;
  const at = { ...inlet.inlet, depth: allowed };
  const { weir, orifice } = sagFlows(at);
  const { control } = sagCapacity(at);
  return {
    title: 'What the grate takes',
    says: `With the ${text(showSmall(allowed, units))} of water over it that is allowed here.`,
    formula: `${sag(sum)};  the lesser of the two`,
    numbers: [
      grateLine(basin, inlet, sum),
      `weir: ${sum.weir} × ${sum.plain(weirLength * clear, 3)} × ${sum.plain(allowed)}^1.5 = ${sum.cubic(weir)}`,
      `orifice: 0.67 × ${sum.plainArea(openArea * clear)} × √(2 × ${sum.g} × ${sum.plain(allowed)}) = ${sum.cubic(orifice)}`,
      control === 'weir' ? 'Its rim holds it back.' : 'Its slots hold it back.',
    ],
    result: showFlow(inlet.capacity, units),
    source: HEC_22,
  };
}

/** What of a sheet on a slope carries over a grate or a channel. */
export function carriedOver(slope: OnSlope, units: UnitSystem): Working {
  const sum = sumsIn(units);
  return {
    title: 'What runs past',
    says: 'On a slope water comes on in a sheet, and what has not fallen through by the far bar runs on. What comes beside the inlet passes by.',
    formula: 'd = (q n / √S)^0.6;  V = q / d;  needs V √(2 d / g)',
    numbers: [
      `comes on: ${text(showFlow(slope.offered, units))}`,
      `sheet: d = ${sum.length(slope.depth, 4)} at V = ${text(showVelocity(slope.velocity, units))}`,
      `falls in within ${sum.plain(slope.velocity, 2)} × √(2 × ${sum.plain(slope.depth, 5)} / ${sum.g}) = ${sum.length(slope.needed)} of open grate`,
      `takes ${decimals(slope.share * 100, 0)}%; ${text(showFlow(slope.passed, units))} runs past`,
    ],
    result: showFlow(slope.passed, units),
    source:
      'Manning’s formula for a wide sheet, and free fall of the nappe without splash: a bound for clean grates with bars along the flow.',
  };
}

/** A volume (m³) as its sum gives it. */
const volume = (value: number, units: UnitSystem): string =>
  units === 'us' ? `${decimals(value / METRES_PER_FOOT ** 3, 3)} ft³` : `${decimals(value * 1000, 1)} L`;

export function sumpWorking(basin: Basin, inlet: BasinPlan, shown: Shown, units: UnitSystem): Working {
  const sum = sumsIn(units);
  const side = GRATE_FACTS[basin.grate].weirLength / 4;
  return {
    title: 'What the sump holds',
    says: 'Grit that settles under the outlet before it reaches the pipe. Empty it when it is half full, and after leaf fall.',
    formula: 'volume = side² × depth',
    numbers: [
      `side = a quarter of the grate’s rim = ${sum.length(side)}, depth ${text(showSmall(basin.sumpDepth ?? 0, units))}`,
      `(${sum.length(side)})² × ${sum.length(basin.sumpDepth ?? 0)} = ${volume(inlet.sump ?? 0, units)}`,
    ],
    result: shown,
    source: 'Geometry; a basin as wide as its grate.',
  };
}
