/** How far water stays from the opening that an inlet protects. */
import { groundInlets, type Job } from '../job/job';
import type { GroundInlet } from '../job/kinds';
import { METRES_PER_INCH } from '../units/constants';

/** Deeper than this over a sill no water stands in the open: it has run off somewhere, and the door is flooded anyhow. 6 in, m. */
export const MAX_OVER_SILL = 6 * METRES_PER_INCH;

/** What is left to the sill (m) when water would stand at `highest` (m) but for running off over the ground; null without a sill. */
export function freeboardOf(
  { groundLevel, sillLevel, spillLevel = Number.POSITIVE_INFINITY }: GroundInlet,
  highest: number,
): number | null {
  if (sillLevel === undefined) return null;
  return Math.max(-MAX_OVER_SILL, sillLevel - Math.min(highest, Math.max(groundLevel, spillLevel)));
}

/** The first inlet that protects an opening. */
export const firstSill = (job: Job): GroundInlet | undefined =>
  groundInlets(job).find(({ sillLevel }) => sillLevel !== undefined);
