/** A berm: what it holds off, and what it traps behind it. */
import type { Berm, Swale } from '../job/kinds';
import { footOnWay, wayLength, type Place } from '../site/place';
import { showFlow, showLength, showLevel, showSmall } from '../units';
import { earth, lasts, toned } from './facts';
import { lengthOf } from './measures';
import { waterAt, type SwalePlan } from './swale';
import { work } from './work';

export interface BermPlan {
  kind: 'berm';
  length: number;
  crest: number;
  /** Highest water against it, m, and its crest over that; null where nothing is said to stand there. */
  waterLevel: number | null;
  freeboard: number | null;
  /** Comes down behind it, m³/s; until that has filled the hollow there to the crest, s, null where nothing comes or no hollow is said. */
  trapped: number;
  fillTime: number | null;
  /** m, and m³ of earth. */
  baseWidth: number;
  fill: number;
}

/** Crest over water that is asked, m: 4 in. */
export const BERM_FREEBOARD = 0.1016;

/** `held`: highest water in the swale before it, m; null without one. */
export function bermPlan(berm: Berm, trapped: number, held: number | null): BermPlan {
  const length = lengthOf(berm);
  const { height, topWidth, sideSlope } = berm;
  const waterLevel = berm.waterLevel ?? held;
  const crest = berm.footLevel + height;
  return {
    kind: 'berm',
    length,
    crest,
    waterLevel,
    freeboard: waterLevel === null ? null : crest - waterLevel,
    trapped,
    fillTime: trapped > 0 && berm.hollow !== undefined ? (berm.hollow * height) / 2 / trapped : null,
    baseWidth: topWidth + 2 * sideSlope * height,
    fill: length * height * (topWidth + sideSlope * height),
  };
}

/** Highest water in a swale beside a berm, m. */
function beside(swale: Swale, plan: SwalePlan, way: readonly Place[] | undefined): number {
  const feet = (way ?? []).flatMap((place) => (swale.way ? (footOnWay(swale.way, place) ?? []) : []));
  const share = feet.length > 0 ? Math.min(...feet.map(({ along }) => along / wayLength(swale.way!))) : 0;
  return waterAt(plan, share);
}

export const bermWork = work<Berm, BermPlan>({
  of: 'berm',
  inRain: {
    turn: 'beside',
    plan: (berm, here) => {
      const swale = berm.holds === undefined ? undefined : here.element(berm.holds);
      const water = swale?.kind === 'swale' ? beside(swale, here.planOf(swale.id) as SwalePlan, berm.way) : null;
      return bermPlan(berm, here.comesDown(berm.id), water);
    },
  },
  // What comes down behind it and finds no way on stands up to its crest.
  inOpen: ({ waterLevel, trapped, crest }, { to }) =>
    trapped > 0 && to === undefined
      ? { level: crest, runs: trapped }
      : waterLevel === null
        ? null
        : { level: waterLevel, runs: 0 },
  dug: true,
  count: (_, plan) =>
    plan
      ? [
          { item: { type: 'fill' }, quantity: plan.fill },
          { item: { type: 'turf' }, quantity: plan.length * plan.baseWidth },
        ]
      : [],
  facts: (plan, units) => [
    { label: 'Crest at', shown: showLevel(plan.crest, units) },
    ...(plan.freeboard === null
      ? []
      : [
          {
            label: 'Over the water',
            shown: showSmall(plan.freeboard, units),
            ...toned('stop', plan.freeboard < 0),
          },
        ]),
    { label: 'Comes down behind it', shown: showFlow(plan.trapped, units) },
    ...(plan.fillTime === null ? [] : [{ label: 'Hollow full after', shown: lasts(plan.fillTime) }]),
    { label: 'Wide at its foot', shown: showLength(plan.baseWidth, units) },
    { label: 'Earth', shown: earth(plan.fill, units) },
  ],
  figure: ({ height }, units) => showSmall(height, units),
  layer: 'works',
});
