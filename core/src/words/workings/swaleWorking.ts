/** Workings of a swale's figures: how deep and fast its water runs, what it holds to its bank, what its lining stands. */
import { LINING_FACTS } from '../../catalogue/swales';
import { swaleFlow, wetAt } from '../../hydraulics/swaleFlow';
import type { Swale } from '../../job/kinds';
import { decimals, showFlow, showPitch, showSmall, showVelocity, text, type UnitSystem } from '../../units';
import { LEAST_FREEBOARD, shapeOf, type SwalePlan } from '../../works/swale';
import { sumsIn, type Working } from './working';

export const SWALE_QUANTITIES = ['depth', 'capacity', 'velocity', 'freeboard'] as const;
export type SwaleQuantity = (typeof SWALE_QUANTITIES)[number];

const MANNING =
  'Manning’s formula, Chow, Open-Channel Hydraulics (1959), §6-6; n of the lining at that depth, a usual one.';

interface Asked {
  swale: Swale;
  plan: SwalePlan;
  units: UnitSystem;
}

const SECTIONS: Record<Swale['section'], string> = {
  v: 'a V',
  trapezoid: 'a flat floor with sloping sides',
  parabola: 'a parabola',
};

/** Wet area and what water touches, at a depth. */
function wetLines({ swale, units }: Asked, depth: number): string[] {
  const shape = shapeOf(swale);
  const { area, perimeter, topWidth } = wetAt(shape, depth);
  const { plain, plainArea, area: inAreas, length } = sumsIn(units);
  const side = decimals(swale.sideSlope, 2);
  const deep = plain(depth);
  const touched = `P = ${length(perimeter)} of it touches the water, ${length(topWidth)} wide on top`;
  if (swale.section === 'parabola') return [`A = 2 / 3 × ${plain(topWidth)} × ${deep} = ${inAreas(area, 3)}`, touched];
  const floor = swale.section === 'v' ? 0 : shape.bottomWidth;
  return [
    `A = ${deep} × (${plain(floor)} + ${side} × ${deep}) = ${inAreas(area, 3)}`,
    `P = ${plain(floor)} + 2 × ${deep} × √(1 + ${side}²) = ${length(perimeter)}`,
    `R = A / P = ${plainArea(area)} / ${plain(perimeter)} = ${length(area / perimeter, 4)}`,
  ];
}

/** The flow that runs at a depth, as a sum. */
function flowLine({ swale, plan, units }: Asked, depth: number, flow: number): string {
  const { area, perimeter } = wetAt(shapeOf(swale), depth);
  const { manning, plain, plainArea, cubic } = sumsIn(units);
  const { roughness } = LINING_FACTS[swale.lining];
  return `Q = ${manning}${plainArea(area)} × ${plain(area / perimeter)}^⅔ × ${decimals(Math.sqrt(plan.pitch), 5)} / ${roughness} = ${cubic(flow)}`;
}

const bed = ({ swale, plan, units }: Asked): string =>
  `${SECTIONS[swale.section]}, ${text(showSmall(swale.depth, units))} deep, sides ${decimals(swale.sideSlope, 2)} to 1, n = ${LINING_FACTS[swale.lining].roughness} (${LINING_FACTS[swale.lining].label}), falls ${text(showPitch(plan.pitch))}`;

/** Of water that nothing below backs up. */
const normalDepthOf = ({ swale, plan }: Asked): number =>
  swaleFlow(shapeOf(swale), plan.flow, plan.pitch, LINING_FACTS[swale.lining].roughness).depth;

/** Depth and speed are of water that runs. */
export const hasSwaleWorking = ({ pitch, flow }: SwalePlan, quantity: SwaleQuantity): boolean =>
  quantity === 'capacity' || quantity === 'freeboard' || (pitch > 0 && flow > 0);

const WORKINGS: Record<SwaleQuantity, (asked: Asked) => Working> = {
  depth: (asked) => {
    const { plan, units } = asked;
    const depth = normalDepthOf(asked);
    const backed = plan.depth > depth + 0.001;
    return {
      title: 'Water in it',
      says: 'How deep the design flow runs, at its foot where all of it has come in.',
      formula: `Q = ${sumsIn(units).manning}A R^⅔ √S / n, solved for the depth`,
      numbers: [
        bed(asked),
        `y = ${sumsIn(units).length(depth, 4)}`,
        ...wetLines(asked, depth),
        flowLine(asked, depth, plan.flow),
        ...(backed ? [`What stands below it backs up into it, to ${text(showSmall(plan.depth, units))}.`] : []),
      ],
      result: showSmall(plan.depth, units),
      source: MANNING,
    };
  },
  capacity: (asked) => {
    const { swale, plan, units } = asked;
    return {
      title: 'Carries to its bank',
      says: 'What runs in it when it stands full to its bank, with nothing to spare.',
      formula: `Q = ${sumsIn(units).manning}A R^⅔ √S / n`,
      numbers: [
        bed(asked),
        ...wetLines(asked, swale.depth),
        plan.pitch > 0
          ? flowLine(asked, swale.depth, plan.capacity)
          : 'It does not fall, so it carries nothing by itself.',
      ],
      result: showFlow(plan.capacity, units),
      source: MANNING,
    };
  },
  velocity: (asked) => {
    const { swale, plan, units } = asked;
    const depth = normalDepthOf(asked);
    const { area } = wetAt(shapeOf(swale), depth);
    const { plainFlow, plainArea } = sumsIn(units);
    return {
      title: 'Speed',
      says: 'How fast the design flow runs over the lining. Too fast, and it washes out.',
      formula: 'V = Q / A',
      numbers: [
        `A = ${sumsIn(units).area(area, 3)} at ${text(showSmall(depth, units))} of water`,
        `V = ${plainFlow(plan.flow)} / ${plainArea(area)} = ${text(showVelocity(plan.velocity, units))}`,
        `${LINING_FACTS[swale.lining].label} holds ${text(showVelocity(plan.mostVelocity, units))}, ${LINING_FACTS[swale.lining].note}`,
      ],
      result: showVelocity(plan.velocity, units),
      source: 'Speeds that linings hold: usual figures for mown grass and blankets; your blanket’s maker has its own.',
    };
  },
  freeboard: ({ swale, plan, units }) => ({
    title: 'Under its bank',
    says: 'How much of its depth is left over the water. Leaves, a mower’s rut and a thaw take some of it.',
    formula: 'left = depth of the swale − water in it',
    numbers: [
      `${text(showSmall(swale.depth, units))} deep, ${text(showSmall(plan.depth, units))} of water`,
      `wanted: ${text(showSmall(LEAST_FREEBOARD, units))}`,
    ],
    result: showSmall(plan.freeboard, units),
    source: 'Levels of this job; 4 to 6 in over the water is trade habit.',
  }),
};

export const swaleWorking = (swale: Swale, plan: SwalePlan, quantity: SwaleQuantity, units: UnitSystem): Working =>
  WORKINGS[quantity]({ swale, plan, units });
