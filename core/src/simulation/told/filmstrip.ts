/** A storm in its telling moments, for paper and for whoever only reads: what stands where, step by step of depth. */
import { ofKind, type Job } from '../../job/job';
import type { Place } from '../../site/place';
import type { Plan } from '../../verdict/planJob';
import { rainfallOf } from '../cases';
import { momentsOf } from './moments';
import { runStorm, type StormGrid } from '../stormRun';
import { stormSentence } from './words';

/** From how deep on a step begins, m: 1/8 in, 1/2 in, 1 in, 3 in. */
export const DEPTHS = [0.003, 0.012, 0.025, 0.075] as const;
/** On coarser ground than one that is watched; and of a yard of more pipes than so it takes too long to wait for. */
const CELLS = 1200;
const MOST_RUNS = 80;
/** Water over an inlet from which it is marked, m. */
const STANDS = 0.01;

export interface Still {
  label: string;
  /** s */
  time: number;
  /** By step of depth, outlines of where water is at least so deep: each step lies on the one before. */
  water: readonly (readonly (readonly Place[])[])[];
  /** Runs under pressure, and inlets under water, by id. */
  pressed: readonly string[];
  under: readonly string[];
}

export interface Filmstrip {
  sentence: string;
  stills: readonly Still[];
}

/** Where water is at least so deep (mm): cells beside one another in a row as one rectangle. */
function outlines(ground: Uint8Array, { cols, rows, cell, east, north }: StormGrid, from: number): Place[][] {
  const found: Place[][] = [];
  for (let row = 0; row < rows; row++) {
    let begins = -1;
    for (let col = 0; col <= cols; col++) {
      const isWet = col < cols && ground[row * cols + col]! >= from;
      if (isWet && begins < 0) begins = col;
      if (isWet || begins < 0) continue;
      const [west, reach] = [east + (begins - 0.5) * cell, east + (col - 0.5) * cell];
      const [foot, top] = [north + (row - 0.5) * cell, north + (row + 0.5) * cell];
      found.push([
        { east: west, north: foot },
        { east: reach, north: foot },
        { east: reach, north: top },
        { east: west, north: top },
      ]);
      begins = -1;
    }
  }
  return found;
}

/** The design storm of a job on its measured ground; null where it has none, or is too large to wait for. */
export function filmstripOf(job: Job, plan: Plan): Filmstrip | null {
  const rain = rainfallOf(job, 'design');
  if (!rain || ofKind(job, 'run').length > MOST_RUNS || ofKind(job, 'spotLevel').length < 3) return null;
  const told = runStorm(job, plan, { rain, wetness: 'ordinary', failing: [], cells: CELLS });
  const { grid, frames, runs, landings } = told;
  if (!grid) return null;
  const stills = momentsOf(frames).map(({ label, at }): Still => {
    const { time, ground, fullness, depths } = frames[at]!;
    return {
      label,
      time,
      water: DEPTHS.map((depth) => outlines(ground!, grid, depth * 1000)),
      pressed: runs.flatMap(({ id }, k) => (fullness[k]! > 1 ? [id] : [])),
      under: landings.flatMap(({ id }, k) => (depths[k]! >= STANDS ? [id] : [])),
    };
  });
  return { sentence: stormSentence(job, { rain: 'design', failing: [] }, told), stills };
}
