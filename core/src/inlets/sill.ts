/** How far water stays from the opening that an inlet protects. */
import { broadWeirHead } from '../hydraulics/broadWeir';
import type { GroundInlet } from '../job/kinds';
import type { Settings } from '../job/settings';
import type { Stands } from '../works/work';
import type { AtInlet } from './inlet';
import { METRES_PER_INCH } from '../units/constants';

/** Deeper than this over a sill no water stands in the open: it has run off somewhere, and the door is flooded anyhow. 6 in, m. */
export const MAX_OVER_SILL = 6 * METRES_PER_INCH;

/**
 * Level (m) at which water stands over the ground over which it runs off, with `flow` (m³/s) crossing it: above that ground by the head of
 * a broad weir; ∞ where no such ground is known.
 */
export function runOffLevel(
  { groundLevel, spillLevel, spillLength }: GroundInlet,
  flow: number,
  settings: Settings,
): number {
  if (spillLevel === undefined) return Number.POSITIVE_INFINITY;
  return Math.max(groundLevel, spillLevel) + broadWeirHead(flow, spillLength ?? settings.spillLength);
}

/** What stands at an inlet with all that goes in there, or comes up. */
interface Standing {
  inlet: GroundInlet;
  at: AtInlet;
  /** Level of the water there but for running off over the ground, m. */
  highest: number;
}

/** As high as it runs off at most. All that comes is taken to run off: what the inlet still takes of it is to the safe side. */
export function standsAt({ inlet, at, highest }: Standing, settings: Settings): Stands {
  const { taken, passedOn = 0, waterLevel, passing = taken } = at;
  const drowned = waterLevel !== null && waterLevel > inlet.groundLevel;
  const comes = drowned ? Math.max(taken, passing) : taken;
  const runOff = runOffLevel(inlet, comes, settings);
  return { level: Math.min(highest, runOff), runs: passedOn + (drowned || highest > runOff ? comes : 0) };
}

/** What is left from water at a level to a sill, m: told as no more than 6 in over it. */
export const leftUnder = (sillLevel: number, level: number): number => Math.max(-MAX_OVER_SILL, sillLevel - level);

/** What is left to an inlet's sill (m) over water at a level, m; null without a sill. */
export const freeboardOf = ({ sillLevel }: GroundInlet, level: number): number | null =>
  sillLevel === undefined ? null : leftUnder(sillLevel, level);
