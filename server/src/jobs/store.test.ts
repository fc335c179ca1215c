import fc from 'fast-check';
import { applyChange, jobFaults, type Element, type Job } from '@katabasis/core';
import { quillfeather } from '@katabasis/core/samples';
import { openDatabase } from '../database';
import { ProblemError } from '../http/problem';
import { JobStore } from './store';
import { Summaries } from './summaries';

const IDS = ['wye1', 'wye2', 'basin', 'runStreet', 'lawn', 'extra'] as const;

/** One act on the job: rename or resize something, put in a bend, or take something out; some of them would break the job. */
const act = fc.record({
  id: fc.constantFrom(...IDS),
  kind: fc.constantFrom('rename', 'remove', 'put'),
  name: fc.string({ minLength: 1, maxLength: 12 }).filter((name) => name.trim() !== ''),
  stale: fc.boolean(),
});

function elementFor(job: Job, id: string, name: string): Element {
  const present = job.elements.get(id);
  return present
    ? ({ ...present, name: name.trim() } as Element)
    : { id, kind: 'junction', form: 'bend', name: name.trim(), groundLevel: 0 };
}

it('after any row of changes holds what applyChange makes of those it took, and nothing of those it refused', () => {
  fc.assert(
    fc.property(fc.array(act, { maxLength: 12 }), (acts) => {
      const store = new JobStore(openDatabase(':memory:'), () => '2026-01-01T00:00:00.000Z');
      let model = { ...quillfeather(), id: 'clinic' };
      store.create(model);
      const versions = new Map(model.elements.all.map(({ id }) => id).map((id) => [id, 1]));
      acts.forEach(({ id, kind, name, stale }, k) => {
        const base = (versions.get(id) ?? 0) + (stale ? 1 : 0);
        const element = elementFor(model, id, name);
        const change =
          kind === 'remove'
            ? { label: 'Remove', puts: [], removes: [id] }
            : { label: 'Put', puts: [element], removes: [] };
        const next = applyChange(model, change).job;
        const body = {
          change: `change-${k}-x`,
          label: change.label,
          puts: change.puts.map((put) => ({ base, element: put })),
          removes: change.removes.map((gone) => ({ base, id: gone })),
        };
        try {
          const reply = store.change('clinic', body);
          expect(stale).toBe(false);
          expect(jobFaults(next)).toEqual([]);
          model = { ...next, id: 'clinic' };
          versions.delete(id);
          for (const [put, version] of Object.entries(reply.versions)) versions.set(put, version);
        } catch (error) {
          expect(error).toBeInstanceOf(ProblemError);
          const { status } = (error as ProblemError).problem;
          expect(status).toBe(stale ? 409 : 422);
        }
        expect(store.job('clinic').elements.all).toEqual(model.elements.all);
      });
    }),
    { numRuns: 40 },
  );
});

it('keeps the change log with what leads back', () => {
  const db = openDatabase(':memory:');
  const store = new JobStore(db, () => '2026-01-01T00:00:00.000Z');
  store.create({ ...quillfeather(), id: 'clinic' });
  const before = store.job('clinic');
  const element = elementFor(before, 'wye2', 'Another name');
  store.change('clinic', { change: 'change-one', label: 'Name it', puts: [{ base: 1, element }], removes: [] });
  const row = db
    .prepare<[], { label: string; before: string; seq: number }>('select label, before, seq from changes')
    .get()!;
  expect(row).toMatchObject({ label: 'Name it', seq: 1 });
  expect(
    applyChange(store.job('clinic'), JSON.parse(row.before) as Parameters<typeof applyChange>[1]).job.elements,
  ).toEqual(before.elements);
});

it('plans a job for the list once for each state of it', () => {
  const store = new JobStore(openDatabase(':memory:'));
  store.create({ ...quillfeather(), id: 'clinic' });
  const summaries = new Summaries(store);
  const [first] = summaries.list();
  expect(summaries.list()[0]).toBe(first);
  store.change('clinic', {
    change: 'change-one',
    label: 'Name it',
    puts: [{ base: 1, element: { ...elementFor(store.job('clinic'), 'job', 'Renamed') } }],
    removes: [],
  });
  expect(summaries.list()[0]).toMatchObject({ name: 'Renamed', seq: 1 });
});
