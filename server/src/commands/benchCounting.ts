/** Times counting all that a job takes, and pricing it, after edits of its runs. */
import { changed, planJob, priceOf, put, takeOff, type Job, type Plan } from '@katabasis/core';
import { at, shown, timed } from './measured';

/** Prints the times; gives the plan after the last edit. */
export function counting(job: Job, planned: Plan): Plan {
  let plan = planned;
  let counts = 0;
  let taken = takeOff(job, plan);
  const count = (): Job => {
    const runs = job.elements.ofKind('run');
    const run = runs[(counts * 37) % runs.length]!;
    const after = changed(job, put('Longer', { ...run, length: run.length + ++counts * 0.001 }));
    plan = planJob(after, plan);
    return after;
  };
  const counted = timed(200, () => {
    const after = count();
    return () => void (taken = takeOff(after, plan, taken));
  });
  const afresh = at(
    timed(20, () => () => void takeOff(job, plan)),
    0.5,
  );
  const ratio = (at(counted, 0.5) / afresh).toFixed(2);
  console.log(
    `all that it takes counted after such an edit: ${shown(counted)}; ratio to counting from nothing ${ratio}`,
  );
  const priced = timed(100, () => {
    const after = count();
    taken = takeOff(after, plan, taken);
    return () => void priceOf(after, taken);
  });
  console.log(`and priced: ${shown(priced)}`);
  return plan;
}
