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
  /** Room that its words and those of its run take, px. */
  height: number;
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

/** Room for words of a landing with a run below it, and without, px. */
export const ROW = 158;
export const LAST_ROW = 72;
/** Room above the first, px. */
export const TOP = 24;

/** Room that the words of a landing, and of its run, take; px. */
export type HeightOf = (landing: string, run: string | null) => number;

const usualHeight: HeightOf = (_, run) => (run === null ? LAST_ROW : ROW);

export function layOutDescent(plan: Plan, heightOf: HeightOf = usualHeight): DescentLayout {
  const leaving = new Map(Object.values(plan.runs).map((run) => [run.from, run.id]));
  const order = Object.values(plan.landings)
    .map((landing, index) => ({ id: landing.id, level: landing.invert ?? landing.groundLevel, index }))
    .sort((a, b) => b.level - a.level || a.index - b.index)
    .map(({ id, level }) => ({ id, level, run: leaving.get(id) ?? null }))
    .map((row) => ({ ...row, height: heightOf(row.id, row.run) }));
  const drop = order.length > 1 ? order[0]!.level - order[order.length - 1]!.level : 0;
  // Just as tall as the words need anyway: the steep parts are then true, and only the flat ones stretched.
  const needed = order.slice(0, -1).reduce((sum, { height }) => sum + height, 0);
  const scale = drop > 0.01 ? needed / drop : ROW;
  const rows: DescentRow[] = [];
  for (const { id, level, run, height } of order) {
    const above = rows.at(-1);
    const least = above ? above.y + above.height : TOP;
    const honest = TOP + (order[0]!.level - level) * scale;
    const stretched = above !== undefined && honest < least - 0.5;
    rows.push({ id, level, y: Math.max(least, honest), height, lane: 0, run, stretched });
  }
  const rowOf = new Map(rows.map((row, index) => [row.id, index]));
  const lanes = assignLanes(rows, rowOf, plan);
  const last = rows.at(-1);
  return { rows, rowOf, lanes, scale, height: last ? last.y + last.height : 0 };
}

/** A plan of some of its landings and the runs between them, for a drawing of just these. */
export function onlyThese(plan: Plan, landings: readonly string[]): Plan {
  const wanted = new Set(landings);
  const kept = <T>(record: Readonly<Record<string, T>>, keep: (value: T) => boolean): Record<string, T> =>
    Object.fromEntries(Object.entries(record).filter(([, value]) => keep(value)));
  return {
    ...plan,
    landings: kept(plan.landings, ({ id }) => wanted.has(id)),
    runs: kept(plan.runs, ({ from, to }) => wanted.has(from) && wanted.has(to)),
    lines: [],
  };
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
