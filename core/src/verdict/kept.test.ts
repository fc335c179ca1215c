import { applyChange, changed, put } from '../job/change';
import { setInvert } from '../job/edits/setInvert';
import { jobFrom, type Job } from '../job/job';
import { ELEMENT_KINDS, type Element } from '../job/kinds';
import { quillfeather } from '../samples';
import { largeYard } from '../trial';
import { handOf } from '../numeric/dice';
import { editedAnyhow, everyKindYard } from '../testing/everyKind';
import { out, withElements, withFields } from '../testing/parts';
import { planJob, type Plan } from './planJob';

/** Steps whose answers in a plan are not those of the plan before it. */
function workedOut(plan: Plan, before: Plan): Set<string> {
  const known = new Set([...before.here!.kept!.held()].map(({ made }) => made));
  return new Set([...plan.here!.kept!.held()].filter(({ made }) => !known.has(made)).map(({ step }) => step));
}

it('an edit works out the steps that read what it touches, and no others', () => {
  const job = quillfeather();
  const before = planJob(job);
  const after = (next: Job): Set<string> => workedOut(planJob(next, before), before);
  expect([...after(job)]).toEqual([]);
  // A name in the head: nothing that lies or flows.
  expect([...after(withFields(job, 'job', { name: 'Another name' }))]).toEqual([]);
  // A pipe's level: where it lies and what flows in it, but not what comes off the roofs, nor the ground.
  const moved = after(changed(job, setInvert(job, 'wye1', -1)!));
  for (const step of ['layout', 'water line', 'runs']) expect(moved).toContain(step);
  for (const step of ['sources', 'entering', 'ground', 'catchments']) expect(moved).not.toContain(step);
  // A roof: what comes off it, but not where the pipes lie.
  const larger = after(withFields(job, 'faceStreet', { shape: { type: 'area', area: 400 } }));
  for (const step of ['sources', 'flows', 'water line']) expect(larger).toContain(step);
  expect(larger).not.toContain('layout');
});

it('holds nothing of the plan before but what it took over: a row of edits takes no more room than one', () => {
  let job = largeYard(20, 60);
  let plan = planJob(job);
  const room = (): number => [...plan.here!.kept!.held()].length;
  const first = room();
  const runs = job.elements.ofKind('run').map(({ id }) => id);
  for (let k = 0; k < 12; k++) {
    job = withFields(job, runs[k]!, { nominal: 0.2032 });
    plan = planJob(job, plan);
  }
  expect(room()).toBe(first);
});

it('a run that an edit does not reach is the very object that it was, in any rain', () => {
  const job = largeYard(30, 120);
  const first = planJob(job);
  const before = first.runs;
  const run = job.elements.ofKind('run')[3]!;
  const after = planJob(changed(job, put('Size', { ...run, nominal: 0.2032 })), first).runs;
  const ids = Object.keys(before);
  const reached = ids.filter((id) => JSON.stringify(after[id]) !== JSON.stringify(before[id]));
  expect(reached.length).toBeGreaterThan(0);
  expect(ids.filter((id) => after[id] !== before[id]).sort()).toEqual(reached.sort());
});

it('undone, everything stands in the order in which it stood', () => {
  const job = quillfeather();
  const { job: after, inverse } = applyChange(
    job,
    put('Name it', { ...job.elements.get('wye2')!, name: 'My wye' } as Element),
  );
  planJob(after);
  const back = applyChange(after, inverse).job;
  expect(back.elements.all.map(({ id }) => id)).toEqual(job.elements.all.map(({ id }) => id));
});

/** The plan of a job's elements, made of nothing before it. */
const plannedAnew = (job: Job): Plan => planJob(jobFrom(job.id, structuredClone([...job.elements])));

it('a plan made after any row of edits is that of the same job made anew to the last bit', () => {
  let job = largeYard(30, 120);
  let plan = planJob(job);
  const runs = job.elements.ofKind('run').map(({ id }) => id);
  const landings = job.elements.ofKind('junction').map(({ id }) => id);
  const taken: Element[] = [];
  const edits: ((k: number) => Job)[] = [
    // Now the longer way in, now the shorter: lines are called otherwise.
    (k) => withFields(job, runs[(k * 7) % runs.length]!, { length: 2 + ((k * 37) % 90) }),
    (k) => withFields(job, runs[(k * 5) % runs.length]!, { nominal: k % 2 ? 0.1016 : 0.2032 }),
    // Led elsewhere, round in a loop too: what joins what is another.
    (k) => withFields(job, runs[(k * 11) % runs.length]!, { to: landings[(k * 3) % landings.length]! }),
    (k) => withFields(job, runs[(k * 17) % runs.length]!, { from: landings[(k * 5) % landings.length]! }),
    (k) => withFields(job, landings[k % landings.length]!, { groundLevel: -0.01 * k }),
    // A bend in the middle of a line is made the way out.
    (k) => withElements(job, out({ id: landings[(k * 7) % landings.length]!, name: `Out ${k}` })),
    (k) => {
      const id = landings[(k * 2) % landings.length]!;
      const fitting = job.elements.get(id)!.kind === 'junction';
      return fitting ? withFields(job, id, { form: k % 2 ? 'wye' : 'cleanout' }) : job;
    },
    (k) => {
      const gone = job.elements.get(runs[(k * 13) % runs.length]!);
      if (gone) taken.push(gone);
      return gone ? changed(job, { puts: [], removes: [gone.id] }) : job;
    },
    // Back again, last in the list where it was not last.
    () => (taken.length > 0 ? changed(job, put('Back', taken.pop()!)) : job),
    (k) => withFields(job, 'rain', { intensity: 2e-5 + 1e-6 * k }),
  ];
  for (let k = 0; k < 80; k++) {
    const edit = edits[(k * 3 + (k >> 3)) % edits.length]!;
    if (!runs.every((id) => job.elements.has(id)))
      while (taken.length > 0) job = changed(job, put('Back', taken.pop()!));
    job = edit(k);
    plan = planJob(job, plan);
    expect(plan).toEqual(plannedAnew(job));
  }
});

it('so is one made after any row of edits of any kind of element, of a levelled yard with works, ways out and options', () => {
  const hand = handOf(1);
  let job = everyKindYard();
  let plan = planJob(job);
  const gone: Element[] = [];
  const touched = new Set<string>();
  for (let k = 0; k < 300; k++) {
    const before = job;
    job = editedAnyhow(job, hand, gone);
    for (const element of job.elements) if (before.elements.get(element.id) !== element) touched.add(element.kind);
    // Now and then after a plan of some time ago, as an undo or another device has it.
    plan = planJob(job, plan);
    if (k % 4 === 3) expect(plan).toEqual(plannedAnew(job));
  }
  expect(ELEMENT_KINDS.filter((kind) => !touched.has(kind))).toEqual([]);
});
