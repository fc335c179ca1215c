/**
 * Trenches from more ends than are joined exactly: first the end that is nearest to what lies (Takahashi & Matsuyama 1980, Math. Japonica 24),
 * then a few that lie near together at a time are taken out and put back the exactly cheapest way, as long as that brings anything.
 */
import { FIRST, spread } from './cheapest';
import { stepsOf, type CostGrid, type Steps } from './costGrid';
import { leastForest, type Lines } from './leastTree';

/** Ends that are taken out together: of four or five the gap to the bound was the same, and five take twice as long. */
const TOGETHER = 4;
const ROUNDS = 3;
/** A round that brings less than this share is the last. */
const WORTH = 1e-3;

/** Lines from `ends` to `roots`, all by cell; null where one of them reaches none. */
export function nearTree(grid: CostGrid, roots: readonly number[], ends: readonly number[]): Lines | null {
  const steps = stepsOf(grid);
  const open = roots.filter((at) => grid.costs[at]! < Infinity);
  const own = [...new Set(ends)].filter((end) => !open.includes(end));
  let next = nearestFirst(steps, open, own, grid.costs.length);
  if (!next) return null;
  let cost = costOf(steps, next);
  for (let round = 0; round < ROUNDS; round++) {
    const before = cost;
    for (const group of groupsOf(grid, own, round)) {
      const rest = pathsOf(
        next,
        own.filter((end) => !group.includes(end)),
      );
      const to = new Set([...open, ...rest.keys()]);
      const back = leastForest(grid, [...to], group, steps)!;
      const tried = new Map([...rest, ...back.next]);
      const costs = costOf(steps, tried);
      if (costs < cost) [next, cost] = [tried, costs];
    }
    if (before - cost < WORTH * before) break;
  }
  return { cost, next };
}

/** Each end to what lies, the nearest first; null where one reaches nothing. */
function nearestFirst(
  steps: Steps,
  roots: readonly number[],
  ends: readonly number[],
  size: number,
): Map<number, number> | null {
  const next = new Map<number, number>();
  const left = new Set(ends);
  const cost = new Float64Array(size).fill(Infinity);
  const before = new Int32Array(size).fill(FIRST);
  let fresh: readonly number[] = roots;
  while (left.size > 0) {
    // What has come to lie costs nothing to come to any more; the rest is as near as it was, or nearer.
    for (const at of fresh) {
      cost[at] = 0;
      before[at] = FIRST;
    }
    spread(steps, cost, before, fresh);
    let nearest = FIRST;
    for (const end of left) if (nearest === FIRST || cost[end]! < cost[nearest]!) nearest = end;
    if (cost[nearest] === Infinity) return null;
    const laid: number[] = [];
    for (let at = nearest; before[at] !== FIRST; at = before[at]!) {
      next.set(at, before[at]!);
      laid.push(at);
    }
    fresh = laid;
    for (const at of laid) left.delete(at);
    left.delete(nearest);
  }
  return next;
}

/** What the steps of some lines cost. */
function costOf(steps: Steps, next: ReadonlyMap<number, number>): number {
  let sum = 0;
  for (const [at, on] of next)
    for (let k = steps.first[at]!; k < steps.first[at + 1]!; k++) if (steps.to[k] === on) sum += steps.cost[k]!;
  return sum;
}

/** The ways of some ends alone. */
function pathsOf(next: ReadonlyMap<number, number>, ends: readonly number[]): Map<number, number> {
  const kept = new Map<number, number>();
  for (const end of ends)
    for (let at = end; next.has(at) && !kept.has(at); at = next.get(at)!) kept.set(at, next.get(at)!);
  return kept;
}

/** Ends in groups of some that lie near together; other ones each round. */
function groupsOf({ cols }: CostGrid, ends: readonly number[], round: number): number[][] {
  const away = (a: number, b: number): number =>
    Math.hypot((a % cols) - (b % cols), Math.floor(a / cols) - Math.floor(b / cols));
  const shift = (round * 7) % ends.length;
  const left = [...ends.slice(shift), ...ends.slice(0, shift)];
  const groups: number[][] = [];
  while (left.length > 0) {
    const one = left.shift()!;
    left.sort((a, b) => away(one, a) - away(one, b) || a - b);
    groups.push([one, ...left.splice(0, TOGETHER - 1)]);
  }
  return groups;
}
