/** Runs by the landing that they arrive at, and by the one that they leave, gathered once for each plan. */
import { keptOf, type Job } from '../job/job';
import { step } from '../numeric/kept';
import type { RunPlan, Solution } from '../plan/solution';

interface Meeting {
  into: ReadonlyMap<string, readonly RunPlan[]>;
  from: ReadonlyMap<string, RunPlan>;
}

const meeting = step('runs that meet', ({ runs }: { runs: Solution['runs'] }): Meeting => {
  const into = new Map<string, RunPlan[]>();
  const from = new Map<string, RunPlan>();
  for (const run of Object.values(runs)) {
    from.set(run.from, run);
    const there = into.get(run.to);
    if (there) there.push(run);
    else into.set(run.to, [run]);
  }
  return { into, from };
});

export const runsInto = (job: Job, runs: Solution['runs']): Meeting['into'] => keptOf(job).ask(meeting, { runs }).into;

/** The run that takes the water on from each landing: what is planned, and not what only stands in the record beside it. */
export const runsFrom = (job: Job, runs: Solution['runs']): Meeting['from'] => keptOf(job).ask(meeting, { runs }).from;
