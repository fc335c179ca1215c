import { applyChange, changed, put } from '../job/change';
import { setInvert } from '../job/edits/setInvert';
import type * as jobModule from '../job/job';
import type { Job } from '../job/job';
import type { Element } from '../job/kinds';
import { largeYard, quillfeather } from '../samples';
import { out, withElements, withFields } from '../testing/parts';
import type * as planModule from './planJob';
import { planJob, plansMade } from './planJob';
import { stagesEntered } from '../numeric/stage';

/** Stages worked out anew by planning a job. */
function entered(job: Job): string[] {
  const before = stagesEntered();
  planJob(job);
  return [...stagesEntered()].filter(([name, count]) => count > (before.get(name) ?? 0)).map(([name]) => name);
}

it('plans a job once, however often it is asked for', () => {
  const job = quillfeather();
  const before = plansMade();
  expect(planJob(job)).toBe(planJob(job));
  expect(plansMade() - before).toBe(1);
});

it('an edit enters the stages that read what it touches, and no others', () => {
  const job = quillfeather();
  planJob(job);
  // A name in the head: nothing that lies or flows.
  expect(entered(withFields(job, 'job', { name: 'Another name' }))).toEqual([]);
  // A pipe's level: where it lies and what flows in it, but not what comes off the roofs.
  const moved = entered(changed(job, setInvert(job, 'wye1', -1)!));
  expect(moved).toEqual(expect.arrayContaining(['layout', 'water line', 'runs']));
  expect(moved).not.toEqual(expect.arrayContaining(['sources']));
  expect(moved).not.toEqual(expect.arrayContaining(['entering']));
  // A roof: what comes off it, but not where the pipes lie.
  const larger = entered(withFields(job, 'faceStreet', { shape: { type: 'area', area: 400 } }));
  expect(larger).toEqual(expect.arrayContaining(['sources', 'flows', 'water line']));
  expect(larger).not.toEqual(expect.arrayContaining(['layout']));
});

it('a run that an edit does not reach is the very object that it was, in any rain', () => {
  const job = largeYard(30, 120);
  const before = planJob(job).runs;
  const run = job.elements.ofKind('run')[3]!;
  const after = planJob(changed(job, put('Size', { ...run, nominal: 0.2032 }))).runs;
  const ids = Object.keys(before);
  const reached = ids.filter((id) => JSON.stringify(after[id]) !== JSON.stringify(before[id]));
  expect(reached.length).toBeGreaterThan(0);
  expect(ids.filter((id) => after[id] !== before[id]).sort()).toEqual(reached.sort());
});

it('undone, everything stands in the order in which it stood', () => {
  const job = quillfeather();
  planJob(job);
  const { job: after, inverse } = applyChange(
    job,
    put('Name it', { ...job.elements.get('wye2')!, name: 'My wye' } as Element),
  );
  planJob(after);
  const back = applyChange(after, inverse).job;
  expect(back.elements.all.map(({ id }) => id)).toEqual(job.elements.all.map(({ id }) => id));
});

/** The plan of a job's elements in a core that remembers nothing. */
function plannedAnew(job: Job): object {
  let plan: object = {};
  jest.isolateModules(() => {
    const { jobFrom } = jest.requireActual<typeof jobModule>('../job/job');
    const fresh = jest.requireActual<typeof planModule>('./planJob');
    plan = fresh.planJob(jobFrom(job.id, structuredClone([...job.elements])));
  });
  return plan;
}

it('a plan made after any row of edits is that of the same job made anew by a core that remembers nothing, to the last bit', () => {
  let job = largeYard(30, 120);
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
    planJob(job);
    if (k % 10 === 9) expect(planJob(job)).toEqual(plannedAnew(job));
  }
});
