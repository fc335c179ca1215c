import { applyChange, jobFrom, type Element, type Job } from '@katabasis/core';
import fc from 'fast-check';
import { stepOf, takenBack } from './steps';

const wye = (id: string, name = id, groundLevel = 0): Element => ({
  id,
  kind: 'junction',
  form: 'wye',
  name,
  groundLevel,
});
const yard = (...elements: Element[]): Job =>
  jobFrom('yard', [{ id: 'job', kind: 'job', name: 'Yard', units: 'us', pitchStyle: 'ground' }, ...elements]);
const ids = (job: Job): string => job.elements.all.map(({ id }) => id).join(' ');
const put = (...puts: Element[]) => ({ label: 'Put', puts, removes: [] });

it('takes back its own field, and leaves another device’s on the same element', () => {
  const before = yard(wye('a', 'Old', 1));
  const rename = put(wye('a', 'New', 1));
  const step = stepOf(before, rename, 'one');
  const theirs = applyChange(applyChange(before, rename).job, put(wye('a', 'New', 2))).job;
  const { change, differing } = takenBack(theirs, step);
  expect([change.puts, differing]).toEqual([[wye('a', 'Old', 2)], []]);
});

it('takes out what it put in, though its fields have come to stand in another order', () => {
  const added = stepOf(yard(), put(wye('a')), 'one');
  const turned = Object.fromEntries(Object.entries(wye('a')).reverse()) as Element;
  expect(takenBack(yard(turned), added)).toMatchObject({ change: { removes: ['a'] }, differing: [] });
});

it('asks where somebody else changed the very field, and takes it back only when told to', () => {
  const before = yard(wye('a', 'Old', 1));
  const step = stepOf(before, put(wye('a', 'New', 1)), 'one');
  const theirs = yard(wye('a', 'Theirs', 1));
  expect(takenBack(theirs, step)).toMatchObject({ change: { puts: [] }, differing: [{ id: 'a', field: 'name' }] });
  expect(takenBack(theirs, step, true).change.puts).toEqual([wye('a', 'Old', 1)]);
});

it('asks before it takes out what somebody else has worked on, or brings back what somebody else took out', () => {
  const added = stepOf(yard(), put(wye('a')), 'one');
  expect(takenBack(yard(wye('a', 'Theirs')), added)).toMatchObject({
    change: { removes: [] },
    differing: [{ field: null }],
  });
  expect(takenBack(yard(wye('a', 'Theirs')), added, true).change.removes).toEqual(['a']);
  const renamed = stepOf(yard(wye('a', 'Old')), put(wye('a', 'New')), 'two');
  expect(takenBack(yard(), renamed)).toMatchObject({ change: { puts: [] }, differing: [{ id: 'a', field: null }] });
  expect(takenBack(yard(), renamed, true).change.puts).toEqual([wye('a', 'Old')]);
});

it('brings back what it took out to where it stood, also beside what others put in', () => {
  const before = yard(wye('a'), wye('b'), wye('c'), wye('d'));
  const out = { label: 'Out', puts: [], removes: ['b', 'c'] };
  const step = stepOf(before, out, 'one');
  const after = applyChange(applyChange(before, out).job, put(wye('new'))).job;
  expect(ids(applyChange(after, takenBack(after, step).change).job)).toBe('job a b c d new');
});

/** Some acts on a few elements, as two devices would make them. */
const act = fc.record({
  id: fc.constantFrom('a', 'b', 'c', 'constructor', 'toString'),
  what: fc.constantFrom('name', 'level', 'out', 'form'),
  value: fc.integer({ min: 0, max: 3 }),
});
type Act = typeof act extends fc.Arbitrary<infer T> ? T : never;

function made(job: Job, { id, what, value }: Act) {
  const present = job.elements.get(id) as Extract<Element, { kind: 'junction' }> | undefined;
  if (what === 'out') return { label: 'Out', puts: [], removes: present ? [id] : [] };
  const base = present ?? (wye(id) as NonNullable<typeof present>);
  const next = {
    name: { ...base, name: `n${value}` },
    level: { ...base, groundLevel: value },
    form: { ...base, form: value % 2 ? ('tee' as const) : ('wye' as const) },
  }[what];
  return put(next as Element);
}

it('law: any row of own acts taken back the last first leads to the very beginning, in its order', () => {
  fc.assert(
    fc.property(fc.array(act, { maxLength: 12 }), (acts) => {
      const start = yard(wye('a'), wye('b'), wye('c'));
      let job = start;
      const steps = acts.map((each, k) => {
        const change = made(job, each);
        const step = stepOf(job, change, `s${k}`);
        job = applyChange(job, change).job;
        return step;
      });
      for (const step of steps.reverse()) {
        const { change, differing } = takenBack(job, step);
        expect(differing).toEqual([]);
        job = applyChange(job, change).job;
      }
      expect(job.elements.all).toEqual(start.elements.all);
    }),
  );
});

it('law: without being told to, taking back changes no field that somebody else changed since', () => {
  fc.assert(
    fc.property(act, fc.array(act, { maxLength: 6 }), (mine, others) => {
      const start = yard(wye('a'), wye('b'));
      const own = made(start, mine);
      const step = stepOf(start, own, 'mine');
      const after = applyChange(start, own).job;
      const theirs = others.reduce((job, each) => applyChange(job, made(job, each)).job, after);
      const undone = applyChange(theirs, takenBack(theirs, step).change).job;
      for (const { id } of theirs.elements) {
        const [left, then, now] = [after, theirs, undone].map(
          (job) => job.elements.get(id) as Record<string, unknown> | undefined,
        );
        for (const field of Object.keys(then!))
          if (now && left && left[field] !== then![field]) expect(now[field]).toEqual(then![field]);
        if (!left) expect(now).toEqual(then);
      }
    }),
  );
});
