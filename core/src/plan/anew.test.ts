import type * as jobModule from '../job/job';
import type { Job } from '../job/job';
import { ELEMENT_KINDS, type Element } from '../job/kinds';
import { handOf } from '../samples/dice';
import { editedAnyhow, everyKindYard } from '../testing/everyKind';
import type * as planModule from './planJob';
import { planJob } from './planJob';

function plannedAnew(job: Job): object {
  let plan: object = {};
  jest.isolateModules(() => {
    const { jobFrom } = jest.requireActual<typeof jobModule>('../job/job');
    const fresh = jest.requireActual<typeof planModule>('./planJob');
    plan = fresh.planJob(jobFrom(job.id, structuredClone([...job.elements])));
  });
  return plan;
}

it('a plan made after any row of edits of any kind is that of the same job made anew, to the last bit', () => {
  const hand = handOf(1);
  let job = everyKindYard();
  const gone: Element[] = [];
  const touched = new Set<string>();
  for (let k = 0; k < 300; k++) {
    const before = job;
    job = editedAnyhow(job, hand, gone);
    for (const element of job.elements) if (before.elements.get(element.id) !== element) touched.add(element.kind);
    planJob(job);
    if (k % 20 === 19) expect(planJob(job)).toEqual(plannedAnew(job));
  }
  expect(ELEMENT_KINDS.filter((kind) => !touched.has(kind))).toEqual([]);
});
