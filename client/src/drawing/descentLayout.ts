/**
 * Where everything in the descent stands. Landings go down the page by the level of their invert, true to scale, with a least
 * spacing so that flat lines never overlap; where spacing had to stretch the scale, the layout says so.
 */
import type { Plan } from '@katabasis/core';

export interface DescentRow {
  id: string;
  /** Invert, or ground where there is no pipe, m. */
  level: number;
  y: number;
  lane: number;
  /** Run that leaves it, by id. */
  run: string | null;
  /** The gap to the row above is wider than the drop, to make room for words. */
  stretched: boolean;
}

export interface DescentLayout {
  rows: DescentRow[];
  /** Row index by landing id. */
  rowOf: ReadonlyMap<string, number>;
  lanes: number;
  /** px per m where true to scale */
  scale: number;
  height: number;
}

/** Least spacing of landings with a run below them, and without, px. */
export const ROW = 158;
export const LAST_ROW = 96;
const TOP = 24;

export function layOutDescent(plan: Plan): DescentLayout {
  const leaving = new Map(Object.values(plan.runs).map((run) => [run.from, run.id]));
  const order = Object.values(plan.landings)
    .map((landing, index) => ({ id: landing.id, level: landing.invert ?? landing.groundLevel, index }))
    .sort((a, b) => b.level - a.level || a.index - b.index);
  const levels = order.map(({ level }) => level);
  const drop = levels.length > 1 ? levels[0]! - levels[levels.length - 1]! : 0;
  // Just as tall as the words need anyway: the steep parts are then true, and only the flat ones stretched.
  const scale = drop > 0.01 ? ((levels.length - 1) * ROW) / drop : ROW;
  const rows: DescentRow[] = [];
  order.forEach(({ id, level }, index) => {
    const above = rows[index - 1];
    const least = above ? above.y + (above.run ? ROW : LAST_ROW) : TOP;
    const honest = TOP + (levels[0]! - level) * scale;
    rows.push({
      id,
      level,
      y: Math.max(least, honest),
      lane: 0,
      run: leaving.get(id) ?? null,
      stretched: above !== undefined && honest < least - 0.5,
    });
  });
  const rowOf = new Map(rows.map((row, index) => [row.id, index]));
  const lanes = assignLanes(rows, rowOf, plan);
  return { rows, rowOf, lanes, scale, height: (rows.at(-1)?.y ?? 0) + LAST_ROW };
}

/** Gives every line the nearest lane that is free from its head to where it joins. Main lines keep the first. */
function assignLanes(rows: DescentRow[], rowOf: ReadonlyMap<string, number>, plan: Plan): number {
  const taken: { from: number; to: number }[][] = [];
  const placed = new Set<string>();
  for (const { runs } of plan.lines) {
    const nodes = runs.map((run) => plan.runs[run]!.from).filter((id) => rowOf.has(id));
    const foot = plan.runs[runs[runs.length - 1]!]!.to;
    const ys = [...nodes, foot].map((id) => rows[rowOf.get(id)!]!.y);
    const span = { from: Math.min(...ys), to: Math.max(...ys) };
    let lane = 0;
    while (taken[lane]?.some((other) => other.from < span.to && span.from < other.to)) lane++;
    (taken[lane] ??= []).push(span);
    const own = plan.landings[foot]!.kind === 'discharge' && !placed.has(foot) ? [...nodes, foot] : nodes;
    for (const id of own) {
      rows[rowOf.get(id)!]!.lane = lane;
      placed.add(id);
    }
  }
  return Math.max(1, taken.length);
}
