/** What a plan costs to lay, in parts that only compare: pipe by its size, and trench by the depth at which it is laid. The price book will say it in money. */
import type { RunPlan, Solution } from '../plan/solution';

/** m of nominal size */
const PIPE_A_METRE = (size: number): number => 2 + 60 * size;
/** Dearer once a man must stand in it. */
const TRENCH_A_METRE = (depth: number): number => 12 * depth + 14 * Math.max(0, depth - 1.2) ** 2;

/** Cost of a run between two depths of its trench, m: ground less invert, 0 where it comes out. */
export function runCost(length: number, size: number, parallel: number, depthUp: number, depthDown: number): number {
  const mean = (Math.max(0, depthUp) + Math.max(0, depthDown)) / 2;
  return length * (parallel * PIPE_A_METRE(size) + TRENCH_A_METRE(mean));
}

const laid = (run: RunPlan): number =>
  runCost(run.length, run.nominal, run.parallel, run.groundUp - run.invertUp, run.groundDown - run.invertDown);

/** Cost of all the runs of a job as they are laid. */
export const laidCost = ({ runs }: Pick<Solution, 'runs'>): number =>
  Object.values(runs).reduce((sum, run) => sum + laid(run), 0);
