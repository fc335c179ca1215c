import { applyChange, changed, put } from '../job/change';
import { jobFrom, type Job } from '../job/job';
import type { Element } from '../job/kinds';
import { editedAnyhow, everyKindYard } from '../testing/everyKind';
import { largeYard } from '../trial';
import { handOf } from '../numeric/dice';
import { planJob } from '../verdict/planJob';
import { takeOff } from './takeOff';

const countedAnew = (job: Job) => {
  const anew = jobFrom(job.id, structuredClone([...job.elements]));
  return takeOff(anew, planJob(anew));
};

it('counted after any row of edits of any kind, a job takes what it takes counted from nothing', () => {
  const hand = handOf(7);
  let job = everyKindYard();
  let plan = planJob(job);
  let taken = takeOff(job, plan);
  const gone: Element[] = [];
  for (let k = 0; k < 100; k++) {
    job = editedAnyhow(job, hand, gone);
    plan = planJob(job, plan);
    taken = takeOff(job, plan, taken);
    expect(taken).toEqual(countedAnew(job));
  }
});

it('a pipe led elsewhere, taken away or put back changes the fittings at both of its ends', () => {
  let job = largeYard(20, 60);
  let plan = planJob(job);
  let taken = takeOff(job, plan);
  const landings = job.elements.ofKind('junction').map(({ id }) => id);
  const recount = (next: Job): void => {
    job = next;
    plan = planJob(job, plan);
    taken = takeOff(job, plan, taken);
    expect(taken).toEqual(countedAnew(job));
  };
  job.elements.ofKind('run').forEach((run, k) => {
    recount(changed(job, put('Lead it elsewhere', { ...run, to: landings[(k * 3) % landings.length]! })));
    const { job: without, inverse } = applyChange(job, { label: 'Take it out', puts: [], removes: [run.id] });
    recount(without);
    recount(applyChange(without, inverse).job);
  });
});
