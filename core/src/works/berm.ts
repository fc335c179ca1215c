/** A berm: what it holds off, and what it traps behind it. */
import type { Berm } from '../job/kinds';
import { lengthOf } from './measures';

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
