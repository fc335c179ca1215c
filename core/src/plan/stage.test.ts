import { applyChange, changed, put } from '../job/change';
import { setInvert } from '../job/edits/setInvert';
import type { Job } from '../job/job';
import type { Element } from '../job/kinds';
import { largeYard, quillfeather } from '../samples';
import { withFields } from '../testing/parts';
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

it('a plan made after any row of edits is that of the same job made anew, to the last bit', () => {
  let job = largeYard(30, 120);
  const runs = job.elements.ofKind('run');
  for (let k = 0; k < 40; k++) {
    const run = runs[(k * 7) % runs.length]!;
    const now = job.elements.get(run.id) as typeof run;
    job = changed(
      job,
      put('Edit', k % 3 === 0 ? { ...now, length: now.length + 1 } : { ...now, nominal: k % 2 ? 0.1016 : 0.2032 }),
    );
    planJob(job);
  }
  const anew: Job = { id: job.id, elements: largeYard(30, 120).elements.with(structuredClone([...job.elements])) };
  expect(planJob(job)).toEqual(planJob(anew));
});
