import fc from 'fast-check';
import { changed, Elements, jobFrom, type Element, type Job } from '@katabasis/core';
import { quillfeather } from '@katabasis/core/samples';
import { largeYard } from '@katabasis/core/trial';
import { askYard, changesSince, findFix, planHere, received, yardHere } from './planner';

const wye = (id: string, groundLevel: number): Element => ({
  id,
  kind: 'junction',
  form: 'wye',
  name: id,
  groundLevel,
});
const ids = ['a', 'b', 'c', 'd', 'e'];
const edits = fc.array(
  fc.record({
    put: fc.option(fc.constantFrom(...ids), { nil: null }),
    level: fc.nat(9),
    remove: fc.option(fc.constantFrom(...ids), { nil: null }),
  }),
  { maxLength: 8 },
);

it('what is sent since a state that the worker has makes the very job there, order and all', () => {
  fc.assert(
    fc.property(edits, (list) => {
      const before: Job = jobFrom(
        'yard',
        ids.slice(0, 4).map((id) => wye(id, 0)),
      );
      let after = before;
      for (const { put, level, remove } of list)
        after = changed(after, { puts: put ? [wye(put, level)] : [], removes: remove ? [remove] : [] });
      const since = changesSince(before, after, 1);
      const there = since ? before.elements.with(since.puts, since.removes) : Elements.of(after.elements);
      expect(there.all).toEqual(after.elements.all);
    }),
  );
});

it('an edit of one element of thousands sends that one', () => {
  const before = jobFrom(
    'yard',
    Array.from({ length: 3000 }, (_, k) => wye(`e${k}`, 0)),
  );
  const after = changed(before, { puts: [wye('e7', 1)], removes: [] });
  expect(changesSince(before, after, 1)).toEqual({ base: 1, puts: [wye('e7', 1)], removes: [] });
});

it('a plan that comes from the worker holds nothing under an id that nobody put in', () => {
  const job = quillfeather();
  const made = planHere(job);
  const plan = received(structuredClone(made), job);
  for (const record of [plan.landings, plan.runs, plan.inlets, plan.standing, plan.openings!.freeboards])
    for (const id of ['constructor', 'toString', 'valueOf']) expect(record[id]).toBeUndefined();
  expect(Object.keys(plan.runs)).toEqual(Object.keys(made.runs));
  // What the next plan would keep of it stays there; here it is worked out when it is asked for.
  expect(plan.here!.elements.all).toEqual(made.here!.elements.all);
});

it('of several snags the first asked about is answered first, and one called off holds up none', async () => {
  // A yard with snags that are mended by their first candidate and others that go through many.
  const job = largeYard(12, 60);
  const asked = planHere(job).snags.slice(0, 10);
  expect(asked).toHaveLength(10);
  const off = new AbortController();
  const answered: number[] = [];
  const seeking = asked.map((snag, k) =>
    findFix(job, snag, k === 4 ? off.signal : new AbortController().signal, false).then(
      () => answered.push(k),
      () => answered.push(-k),
    ),
  );
  off.abort();
  await Promise.all(seeking);
  expect(answered).toEqual([0, 1, 2, 3, -4, 5, 6, 7, 8, 9]);
});

it('the ground answers step by step away from the page as it does at once, and not at all once called off', async () => {
  const job = quillfeather();
  const steps: number[] = [];
  const control = new AbortController();
  const said = await askYard(job, 'says', null, control.signal, (step) => steps.push(step));
  expect(steps).toEqual([0, 1, 2]);
  expect(said).toEqual(yardHere(job, 'says', null));
  const off = new AbortController();
  const asked = askYard(job, 'picture', null, off.signal, (step) => step === 1 && off.abort());
  await expect(asked).rejects.toThrow();
});
