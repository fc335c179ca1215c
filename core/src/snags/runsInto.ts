/** Runs by the landing that they arrive at, and by the one that they leave, gathered once for each plan. */
import { lastFew } from '../numeric/lastFew';
import type { RunPlan, Solution } from '../plan/solution';
import { valuesOf } from './valuesOf';

interface Meeting {
  into: ReadonlyMap<string, readonly RunPlan[]>;
  from: ReadonlyMap<string, RunPlan>;
}

const meetings = lastFew(2, (runs: Solution['runs']): Meeting => {
  const into = new Map<string, RunPlan[]>();
  const from = new Map<string, RunPlan>();
  for (const run of valuesOf(runs)) {
    from.set(run.from, run);
    const there = into.get(run.to);
    if (there) there.push(run);
    else into.set(run.to, [run]);
  }
  return { into, from };
});

export const runsInto = (runs: Solution['runs']): Meeting['into'] => meetings(runs).into;

/** The run that takes the water on from each landing: what is planned, and not what only stands in the record beside it. */
export const runsFrom = (runs: Solution['runs']): Meeting['from'] => meetings(runs).from;
