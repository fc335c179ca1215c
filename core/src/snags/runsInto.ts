/** Runs by the landing that they arrive at, gathered once for each plan. */
import { valuesOf } from './valuesOf';
import type { RunPlan, Solution } from '../plan/solution';

type Into = ReadonlyMap<string, readonly RunPlan[]>;

const gathered = new WeakMap<Solution['runs'], Into>();

export function runsInto(runs: Solution['runs']): Into {
  const known = gathered.get(runs);
  if (known) return known;
  const into = new Map<string, RunPlan[]>();
  for (const run of valuesOf(runs)) {
    const there = into.get(run.to);
    if (there) there.push(run);
    else into.set(run.to, [run]);
  }
  gathered.set(runs, into);
  return into;
}
