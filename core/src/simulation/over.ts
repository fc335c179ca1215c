/** What the parts of a storm share: where water goes that one of them hands on, and where it is summed. */
import type { JobGround } from './ground/groundOfJob';

/** m³ so far, by where it has gone. */
export interface Gone {
  fixed: number;
  soaked: number;
  out: number;
  pumped: number;
  unled: number;
  overGutters: number;
  ranOff: number;
}

export const NOTHING_GONE: Gone = { fixed: 0, soaked: 0, out: 0, pumped: 0, unled: 0, overGutters: 0, ranOff: 0 };

/** m³ that stand in some cells of the ground. */
export function inCells({ flow }: JobGround, cells: readonly number[]): number {
  let sum = 0;
  for (const at of cells) sum += flow.depth[at]!;
  return sum * flow.area;
}

/** Puts water (m³) onto some cells alike, or takes it off them by how much stands on each. */
export function giveTo(ground: JobGround, cells: readonly number[], volume: number): void {
  const { flow } = ground;
  const whole = volume < 0 ? inCells(ground, cells) : 0;
  for (const at of cells)
    flow.give(at, whole > 0 ? (volume * flow.depth[at]! * flow.area) / whole : volume / cells.length);
}
