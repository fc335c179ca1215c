/** Soil that must lie on an empty pipe before water in its trench cannot lift it. */
import { outsideOf, PIPE_SUPPLY } from '../catalogue/supply';
import type { Material } from '../catalogue/pipes';
import { GRAVITY } from '../units/constants';
import type { Part } from './takeOff';
import { pipeUplift } from './uplift';

/** Loose fill under water, N/m³: the low end of what soils weigh. */
const SUBMERGED = 8000;

export interface Floats {
  material: Material;
  nominal: number;
  /** Over its crown, m. */
  cover: number;
}

/** Of an empty pipe of a make and size, m; 0 where its own weight holds it. */
export function coverAgainstFloating(material: Material, nominal: number): number {
  const outsideDiameter = outsideOf(material, nominal);
  const weight = PIPE_SUPPLY[material].density * GRAVITY * (Math.PI / 4) * nominal ** 2;
  const bare = pipeUplift({ outsideDiameter, weight, cover: 0, submergedWeight: SUBMERGED });
  return Math.max(0, bare / (SUBMERGED * outsideDiameter));
}

/** Every pipe of a take-off that floats, widest first. */
export const floating = (parts: readonly Part[]): Floats[] =>
  parts
    .flatMap(({ item }) =>
      item.type === 'pipe' && !item.perforated
        ? [{ material: item.material, nominal: item.nominal, cover: coverAgainstFloating(item.material, item.nominal) }]
        : [],
    )
    .filter(({ cover }) => cover > 0.005)
    .sort((a, b) => b.nominal - a.nominal);
