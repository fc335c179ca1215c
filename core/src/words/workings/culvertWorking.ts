/** Workings of a culvert's figures: the water before it, ruled by its inlet or by its barrel and outlet, and what is left to the road. */
import { MATERIAL_FACTS } from '../../catalogue/pipes';
import { criticalDepth } from '../../hydraulics/criticalDepth';
import { CULVERT_INLET_FACTS } from '../../hydraulics/culvert';
import type { Culvert } from '../../job/kinds';
import { GRAVITY } from '../../units/constants';
import { decimals, showFlow, showLevel, showSmall, text, type UnitSystem } from '../../units';
import type { CulvertPlan } from '../../works/culvert';
import { sumsIn, type Working } from './working';

export const CULVERT_QUANTITIES = ['headwater', 'freeboard'] as const;
export type CulvertQuantity = (typeof CULVERT_QUANTITIES)[number];

const SOURCE =
  'FHWA, Hydraulic Design of Highway Culverts (HDS 5, 3rd ed. 2012), equations A.1 to A.3 and 3.6; form 1.';

/** What x = Q / (A √D) is multiplied by where it is worked in metres. */
const SI = 1.811;

function headwater(culvert: Culvert, plan: CulvertPlan, units: UnitSystem): Working {
  const { diameter, flow } = { diameter: culvert.nominal, flow: plan.flow / (culvert.pipes ?? 1) };
  const { k, m, c, y, ke, ks, label } = CULVERT_INLET_FACTS[culvert.inlet];
  const { roughness } = MATERIAL_FACTS[culvert.material];
  const { length, plain, plainArea, plainFlow, g } = sumsIn(units);
  const area = (Math.PI * diameter ** 2) / 4;
  const x = (SI * flow) / (area * Math.sqrt(diameter));
  const velocity = flow / area;
  const friction = (2 * GRAVITY * roughness ** 2 * plan.length) / Math.cbrt(diameter / 4) ** 4;
  const foot = plan.outletHeadwater - ((1 + ke + friction) * velocity ** 2) / (2 * GRAVITY) + plan.length * plan.pitch;
  const ofFeet = units === 'us' ? '' : `${SI} × `;
  const free = `not drowned up to x = 3.5: HW / D = Hc / D + ${k} × x^${m} + ${ks} × S`;
  const drowned = `drowned from x = 4: HW / D = ${c} × x² + ${y} + ${ks} × S`;
  return {
    title: 'Water before it',
    says: 'How high the water stands over the floor of its inlet: the greater of what the inlet asks, and what the barrel and its outlet ask.',
    formula: 'HW = the greater of the inlet’s and the outlet’s',
    numbers: [
      `D = ${text(showSmall(diameter, units))}, ${text(showFlow(flow, units))} in ${(culvert.pipes ?? 1) > 1 ? 'each pipe' : 'it'}, ${label.toLowerCase()}, n = ${roughness}`,
      `x = ${ofFeet}${plainFlow(flow)} / (${plainArea(area)} × √(${plain(diameter)})) = ${decimals(x, 2)}`,
      x <= 3.5 ? free : x >= 4 ? drowned : `${free}; ${drowned}; straight between`,
      `the inlet asks ${text(showSmall(plan.inletHeadwater, units))}`,
      `outlet: HW = h + (1 + ${ke} + f) V² / 2g − L S, f = 2 g ${units === 'us' ? '(n / 1.486)²' : 'n²'} L / R^(4/3) = ${decimals(friction, 3)}`,
      `h = ${length(foot)}, the water at its outlet, at least the middle of D and the critical depth of ${length(criticalDepth({ diameter, flow }))}`,
      `V = ${plainFlow(flow)} / ${plainArea(area)} = ${plain(velocity, 3)}`,
      `HW = ${plain(foot)} + ${decimals(1 + ke + friction, 3)} × ${plain(velocity, 3)}² / (2 × ${g}) − ${plain(plan.length, 2)} × ${decimals(plan.pitch, 5)} = ${length(plan.outletHeadwater)}`,
    ],
    result: showSmall(Math.max(0, plan.headwater), units),
    source: SOURCE,
  };
}

const freeboard = (culvert: Culvert, plan: CulvertPlan, units: UnitSystem): Working => ({
  title: 'Road over the water',
  says: 'How far the water before it stays under the lowest edge of the road. Over it, the road is the weir.',
  formula: 'left = road − (floor of the inlet + water before it)',
  numbers: [
    `road at ${text(showLevel(culvert.roadLevel, units))}, floor of the inlet at ${text(showLevel(culvert.invertUp, units))}`,
    `water before it ${text(showSmall(Math.max(0, plan.headwater), units))}, so it stands at ${text(showLevel(plan.waterLevel, units))}`,
  ],
  result: showSmall(plan.freeboard, units),
  source: 'Levels of this job.',
});

/** Water stands before it where some comes. */
export const hasCulvertWorking = ({ flow }: CulvertPlan, quantity: CulvertQuantity): boolean =>
  quantity === 'freeboard' || flow > 0;

export const culvertWorking = (
  culvert: Culvert,
  plan: CulvertPlan,
  quantity: CulvertQuantity,
  units: UnitSystem,
): Working => (quantity === 'headwater' ? headwater(culvert, plan, units) : freeboard(culvert, plan, units));
