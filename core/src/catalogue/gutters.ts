/** Gutters as sold, generic: by the width of their top. Replace with your supplier's figures. */
import { METRES_PER_INCH } from '../units/constants';

export const GUTTERS = ['gutter5', 'gutter6', 'gutter7'] as const;
export type Gutter = (typeof GUTTERS)[number];

/** As a rectangle: mean width under water, and the depth of water to half an inch under the brim, m. */
export const GUTTER_FACTS: Record<Gutter, { label: string; width: number; depth: number }> = {
  gutter5: { label: '5 in', width: 3.5 * METRES_PER_INCH, depth: 3 * METRES_PER_INCH },
  gutter6: { label: '6 in', width: 4.25 * METRES_PER_INCH, depth: 4 * METRES_PER_INCH },
  gutter7: { label: '7 in', width: 5 * METRES_PER_INCH, depth: 5 * METRES_PER_INCH },
};
