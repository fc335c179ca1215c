/** How far water stays from the opening that an inlet protects. */
import { groundInlets, type Job } from '../job/job';
import { broadWeirHead } from '../hydraulics/broadWeir';
import type { GroundInlet } from '../job/kinds';
import type { Settings } from '../job/settings';
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

/**
 * What is left to the sill (m) when water would stand at `highest` (m) but for running off over the ground; null without a sill. At most
 * all that comes, `flow` (m³/s), runs off: what the inlet still takes of it is to the safe side.
 */
export function freeboardOf(inlet: GroundInlet, highest: number, flow: number, settings: Settings): number | null {
  if (inlet.sillLevel === undefined) return null;
  return Math.max(-MAX_OVER_SILL, inlet.sillLevel - Math.min(highest, runOffLevel(inlet, flow, settings)));
}

/** The first inlet that protects an opening. */
export const firstSill = (job: Job): GroundInlet | undefined =>
  groundInlets(job).find(({ sillLevel }) => sillLevel !== undefined);
