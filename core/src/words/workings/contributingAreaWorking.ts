/** Working of what a roof face or a surface gives. */
import { SURFACE_FACTS } from '../../catalogue/surfaces';
import { headOf, type Job } from '../../job/job';
import type { RoofFace } from '../../job/kinds';
import type { Solution } from '../../plan/solution';
import { planArea, windFactor } from '../../runoff/roofArea';
import { decimals, showArea, showFlow, showLength, showRain, text, type UnitSystem } from '../../units';
import { inBoth, sumsIn, type Working } from './working';
import { situated } from '../../yard/situate';

/** Working of a roof face's or surface's water. */
export function contributingAreaWorking(given: Job, solution: Solution, id: string): Working | null {
  const job = situated(given, solution);
  const contributing = solution.sources.contributingAreas.find((each) => each.id === id);
  const element = job.elements.get(id);
  if (!contributing || (element?.kind !== 'roofFace' && element?.kind !== 'surface')) return null;
  return inBoth(headOf(job).units, (units) => ({
    title: `Water off ${element.name}`,
    says: 'What it sheds in the design rain.',
    formula: 'Q = i × C × A',
    numbers: [
      ...(element.kind === 'roofFace'
        ? roofNumbers(element, units)
        : [`A = ${text(showArea(contributing.area, units))}, ${SURFACE_FACTS[element.cover].label.toLowerCase()}`]),
      `C = ${decimals(contributing.coefficient, 2)}${element.coefficient === undefined ? ', usual' : ', set by you'}`,
      `Q = ${text(showRain(solution.rain, units))} × ${decimals(contributing.coefficient, 2)} × ${text(showArea(contributing.area, units))} = ${sumsIn(units).flow(contributing.effectiveArea * solution.rain)}`,
    ],
    result: showFlow(contributing.effectiveArea * solution.rain, units),
    source: 'Rational method (Kuichling 1889); coefficients from ASCE Manual of Practice 77.',
  }));
}

function roofNumbers(face: RoofFace, units: UnitSystem): string[] {
  const { shape } = face;
  const flat = planArea(face);
  if (shape.type === 'outline') {
    const lines = [`A = ${text(showArea(flat, units))} in plan, of its outline`];
    if (face.windDriven) lines.push(`wind-driven × ${decimals(windFactor(shape.pitch), 2)}`);
    return lines;
  }
  if (shape.type === 'area') return [`A = ${text(showArea(flat, units))} in plan, as entered`];
  const level = flat / shape.width;
  const laid = shape.alongSlope
    ? ` (${text(showLength(shape.run, units))} up the slope at ${decimals(shape.pitch * 12, 0)}/12, laid flat)`
    : '';
  const lines = [
    `A = ${text(showLength(shape.width, units))} × ${text(showLength(level, units))}${laid} = ${text(showArea(flat, units))}`,
  ];
  if (face.windDriven) lines.push(`wind-driven × ${decimals(windFactor(shape.pitch), 2)}`);
  return lines;
}
