import fc from 'fast-check';
import { applyChange, jobFaults, jobFrom, type Element, type Job } from '@katabasis/core';
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
      const store = new JobStore(openDatabase(':memory:'), () => new Date('2026-01-01T00:00:00.000Z'));
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
  const store = new JobStore(db, () => new Date('2026-01-01T00:00:00.000Z'));
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

const rename = (store: JobStore, change: string, name: string, at = '2026-01-01') => {
  const { elements, seq } = store.read('clinic');
  const head = elements.find(({ element }) => element.id === 'job')!;
  store.change('clinic', {
    change,
    label: `Call it ${name}`,
    puts: [{ base: head.version, element: { ...head.element, name, date: at } as Element }],
    removes: [],
  });
  return seq + 1;
};

it('works out the verdict of a job for the list once for each state of it, and never in the request', () => {
  const db = openDatabase(':memory:');
  const store = new JobStore(db);
  store.create({ ...quillfeather(), id: 'clinic' });
  const wanted: string[] = [];
  const summaries = new Summaries(db, 'this', (job) => wanted.push(job));
  const verdict = { state: 'holds' as const, sentence: 'Fine.', at: null, stops: 0, fixes: 0, minds: 0 };
  const glance = { price: '$4,100', days: 3, asks: 2 };
  const kept = { due: [{ on: '2027-04-15', title: 'Empty the sumps' }], complaints: [], off: [], last: null };
  expect(summaries.list({}).jobs).toMatchObject([{ id: 'clinic', verdict: null }]);
  expect(summaries.rounds()).toEqual({ jobs: [], pending: 1 });
  summaries.settle({ job: 'clinic', seq: 0, verdict, glance, kept, ledger: null, jars: [] });
  expect(summaries.rounds()).toMatchObject({ jobs: [{ id: 'clinic', kept }], pending: 0 });
  expect(summaries.list({}).jobs).toMatchObject([{ verdict, glance }]);
  // Asked for by the list, and by the rounds.
  expect(wanted).toEqual(['clinic', 'clinic']);
  rename(store, 'change-one', 'Renamed');
  expect(summaries.list({}).jobs).toMatchObject([{ name: 'Renamed', seq: 1, verdict: null, date: '2026-01-01' }]);
  expect(summaries.list({}).jobs[0]!.glance).toBeUndefined();
  // One that nobody looks after any more is on no round.
  summaries.settle({ job: 'clinic', seq: 1, verdict, glance, kept: null, ledger: null, jars: [] });
  expect(summaries.rounds().jobs).toEqual([]);
  expect(new Summaries(db, 'another program', () => undefined).list({}).jobs[0]!.verdict).toBeNull();
  expect(summaries.list({}).jobs[0]!.verdict).toEqual(verdict);
});

it('finds jobs by client, address, state and day, whatever the case and accents, page by page', () => {
  const db = openDatabase(':memory:');
  const store = new JobStore(db, () => new Date('2026-01-01T00:00:00.000Z'));
  const head = quillfeather().elements.get('job')!;
  for (let k = 0; k < 23; k++)
    store.create(
      jobFrom(`job${k}`, [
        {
          ...head,
          name: `Yard ${k}`,
          client: k % 2 ? 'Mrs Ástvaldsdóttir' : '50%_off Ltd',
          state: k < 5 ? 'agreed' : 'asked',
          date: `2026-03-${String(k + 1).padStart(2, '0')}`,
        } as Element,
      ]),
    );
  const summaries = new Summaries(db, 'this', () => undefined);
  expect(summaries.list({ find: 'astvald' }).total).toBe(11);
  expect(summaries.list({ find: '2026-03-1' }).total).toBe(10);
  expect(summaries.list({ find: '0%_O' }).total).toBe(12);
  expect(summaries.list({ find: '%' }).total).toBe(12);
  expect(summaries.list({ state: 'agreed', from: '2026-03-03', to: '2026-03-04' }).jobs.map(({ id }) => id)).toEqual([
    'job3',
    'job2',
  ]);
  const seen: string[] = [];
  for (let after: string | null | undefined; after !== null;) {
    const page = summaries.list({ limit: 7, ...(after ? { after } : {}) });
    seen.push(...page.jobs.map(({ id }) => id));
    after = page.next;
  }
  expect(seen).toEqual(Array.from({ length: 23 }, (_, k) => `job${22 - k}`));
});

it('brings what was taken out back to where it stood, over a reload', () => {
  const db = openDatabase(':memory:');
  const store = new JobStore(db);
  store.create({ ...quillfeather(), id: 'clinic' });
  const before = store.job('clinic');
  // Faces are named by nothing; two neighbours, and one further on.
  const faces = before.elements.ofKind('roofFace').map(({ id }) => id);
  const removes = [faces[0]!, faces[1]!, faces.at(-1)!];
  const { inverse } = applyChange(before, { label: 'x', puts: [], removes });
  for (let round = 0; round < 60; round++) {
    const versions = new Map(store.read('clinic').elements.map(({ version, element }) => [element.id, version]));
    store.change('clinic', {
      change: `take-out-${round}`,
      label: 'Take out',
      puts: [],
      removes: removes.map((id) => ({ base: versions.get(id)!, id })),
    });
    store.change('clinic', {
      change: `put-back-${round}`,
      label: 'Undo',
      puts: inverse.puts.map((element) => ({ base: 0, element })),
      removes: [],
      stands: inverse.stands!,
    });
    const ids = (job: Job): string[] => job.elements.all.map(({ id }) => id);
    expect(ids(store.job('clinic'))).toEqual(ids(before));
    expect(ids(new JobStore(db).job('clinic'))).toEqual(ids(before));
  }
});

it('tells who did what, and copies a job as it stood after any change', () => {
  const store = new JobStore(openDatabase(':memory:'));
  store.create({ ...quillfeather(), id: 'clinic' });
  const states = [store.job('clinic')];
  ['One', 'Two', 'Three'].forEach((name, k) => {
    rename(store, `change-${k}-of`, name);
    states.push(store.job('clinic'));
  });
  const { changes, next } = store.history('clinic', 9, 2);
  expect([changes.map(({ label, by }) => `${label}, ${by}`), next]).toEqual([
    ['Call it Three, owner', 'Call it Two, owner'],
    2,
  ]);
  expect(store.history('clinic', 2, 2)).toMatchObject({ changes: [{ seq: 1 }], next: null });
  states.forEach((state, seq) => {
    store.copy('clinic', { id: `copy${seq}`, seq, name: 'A copy' });
    const head = { ...state.elements.get('job')!, name: 'A copy' };
    expect(store.job(`copy${seq}`).elements.all).toEqual(
      state.elements.all.map((each) => (each.id === 'job' ? head : each)),
    );
  });
});

it('keeps the order of things when the clock is set back', () => {
  const db = openDatabase(':memory:');
  let now = '2026-06-01T12:00:00.000Z';
  const clock = (): Date => new Date(now);
  const store = new JobStore(db, clock);
  for (const id of ['early', 'late']) store.create({ ...quillfeather(), id });
  now = '2020-01-01T00:00:00.000Z';
  const again = new JobStore(db, clock);
  again.create({ ...quillfeather(), id: 'last' });
  const rows = new Summaries(db, 'this', () => undefined).list({}).jobs;
  expect(rows.map(({ id }) => id)).toEqual(['last', 'late', 'early']);
});

it('locks no stored job by a rule that came later, and lets nothing new through', () => {
  const db = openDatabase(':memory:');
  new JobStore(db).create({ ...quillfeather(), id: 'clinic' });
  // As if the rule against two ways out had not been there when it was saved.
  const second = { ...quillfeather().elements.get('runStreet')!, id: 'second' };
  db.prepare("insert into elements values ('clinic', 'second', 'run', 1, 999, ?)").run(JSON.stringify(second));
  const store = new JobStore(db);
  expect(jobFaults(store.job('clinic'))).toHaveLength(1);
  rename(store, 'change-one', 'Renamed');
  const longer = { ...second, length: 9 } as Element;
  store.change('clinic', { change: 'change-two', label: 'x', puts: [{ base: 1, element: longer }], removes: [] });
  const third = { ...second, id: 'third' } as Element;
  expect(() =>
    store.change('clinic', { change: 'change-three', label: 'x', puts: [{ base: 0, element: third }], removes: [] }),
  ).toThrow(ProblemError);
});

it('refuses another change under an id that was used', () => {
  const store = new JobStore(openDatabase(':memory:'));
  store.create({ ...quillfeather(), id: 'clinic' });
  const body = (name: string) => ({
    change: 'change-one',
    label: 'x',
    puts: [{ base: 1, element: elementFor(store.job('clinic'), 'wye2', name) }],
    removes: [],
  });
  const one = body('One');
  const first = store.change('clinic', one);
  expect(store.change('clinic', one)).toEqual(first);
  expect(() => store.change('clinic', body('Two'))).toThrow(/Another change/);
});

it('what was agreed is not altered by anybody, on whatever device; one that was away for some days may still take out its own', () => {
  const store = new JobStore(openDatabase(':memory:'), () => new Date('2026-11-20T08:00:00.000Z'));
  const note = (on: string) =>
    ({ id: 'said', kind: 'note', sort: 'promise', text: 'No machine on the lawn', on }) as const;
  const takenOut = {
    change: 'change-take-out',
    label: 'Take a note out',
    puts: [],
    removes: [{ base: 1, id: 'said' }],
  };
  for (const [id, on] of [
    ['long-ago', '2026-11-01'],
    ['this-week', '2026-11-15'],
  ] as const)
    store.create(jobFrom(id, [...quillfeather().elements.all, note(on)]));
  expect(() => store.change('long-ago', takenOut)).toThrow(/was agreed, and stays as it was written/);
  expect(store.job('long-ago').elements.get('said')).toEqual(note('2026-11-01'));
  store.change('long-ago', {
    change: 'change-take-back',
    label: 'Take back what was said',
    puts: [{ base: 1, element: { ...note('2026-11-01'), back: '2026-11-20' } }],
    removes: [],
  });
  store.change('this-week', takenOut);
  expect(store.job('this-week').elements.get('said')).toBeUndefined();
});
