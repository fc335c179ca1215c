/** Working of what is left to a sill, in the design rain or in the rarer one that openings are checked by. */
import { MAX_OVER_SILL, type BasinPlan, type ChannelPlan } from '../../inlets';
import type { Basin, Channel } from '../../job/kinds';
import type { Solution } from '../../plan/solution';
import { showLength, showLevel, showRain, showSmall, text, type UnitSystem } from '../../units';
import { sumsIn, type Working } from './working';

const FORMULA =
  'left = sill − water;  water = grate or water line, the higher, and what stands over it; at most what runs off over the ground';

function standsLine(inlet: BasinPlan | ChannelPlan, units: UnitSystem): string {
  return inlet.kind === 'basin'
    ? `over the grate: ${text(showSmall(inlet.ponding, units))}`
    : `over the channel’s top: ${text(showSmall(Math.max(0, inlet.profile.over), units))}`;
}

const spillLine = (
  { spillLevel, spillLength }: Basin | Channel,
  { settings }: Solution,
  units: UnitSystem,
): string[] =>
  spillLevel === undefined
    ? []
    : [
        `runs off over the ground at ${text(showLevel(spillLevel, units))}, ${text(showLength(spillLength ?? settings.spillLength, units))} of it, and stands on that by (Q / ${sumsIn(units).broadWeir} b)^⅔`,
      ];

export function sillWorking(
  element: Basin | Channel,
  inlet: BasinPlan | ChannelPlan,
  solution: Solution,
  units: UnitSystem,
): Working {
  const { landings, settings } = solution;
  const left = inlet.freeboard ?? 0;
  const { waterLevel } = landings[element.id]!;
  return {
    title: left < 0 ? 'Over the sill' : 'Below the sill',
    says: 'How far the water stays from the opening that this inlet protects, in the design rain.',
    formula: FORMULA,
    numbers: [
      `sill at ${text(showLevel(element.sillLevel ?? 0, units))}, grate at ${text(showLevel(element.groundLevel, units))}`,
      standsLine(inlet, units),
      ...(waterLevel === null ? [] : [`water line of the pipe here ${text(showLevel(waterLevel, units))}`]),
      ...spillLine(element, solution, units),
      ...(left <= -MAX_OVER_SILL
        ? [`Told as ${text(showSmall(MAX_OVER_SILL, units))}: deeper water has run off somewhere.`]
        : []),
      `wanted: ${text(showSmall(settings.openingMargin, units))}`,
    ],
    result: showSmall(Math.abs(left), units),
    source: `Levels of this job; over the ground that it runs off over a broad weir, Q = ${sumsIn(units).broadWeir} b h^1.5, of all that comes.`,
  };
}

export function rarerSillWorking(element: Basin | Channel, solution: Solution, units: UnitSystem): Working | null {
  const { openings } = solution;
  const left = openings?.freeboards[element.id];
  if (!openings || left === undefined) return null;
  return {
    title: `${left < 0 ? 'Over' : 'Below'} the sill, ${openings.returnPeriod}-year`,
    says: `The whole job solved again in the ${openings.returnPeriod}-year rain: more off every surface, deeper over every grate, fuller in every pipe.`,
    formula: FORMULA,
    numbers: [
      `i = ${text(showRain(openings.intensity, units))} in the first 5 minutes`,
      `sill at ${text(showLevel(element.sillLevel ?? 0, units))}, water at ${text(showLevel((element.sillLevel ?? 0) - left, units))}${left <= -MAX_OVER_SILL ? ' or higher' : ''}`,
      ...spillLine(element, solution, units),
    ],
    result: showSmall(Math.abs(left), units),
    source: `C is raised for a rare storm (1.25 at 100 years, to all of the rain at most; ASCE Manual of Practice 77). Openings by the ${openings.returnPeriod}-year rain: common practice.`,
  };
}
