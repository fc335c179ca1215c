import fc from 'fast-check';
import { planJob } from '../../verdict/planJob';
import { basin, ground, jobOf, out, pipe } from '../../testing/parts';
import { applyChange } from '../change';
import type { Junction, Run } from '../kinds';
import { jobFaults } from '../faults';
import { leadElsewhere, ownName, splitRun } from './insert';
import { QUICK_INLETS, quickElements } from './quickJob';

const node: Junction = { id: 'node', kind: 'junction', form: 'cleanout', name: 'Cleanout', groundLevel: 0 };
const grades: Run['grade'][] = [
  { type: 'pitch', pitch: 0.03 },
  { type: 'levels', up: -0.9, down: -1.5 },
];

it('a pipe set by hand lies where it lay when something is put into it, wherever along it', () => {
  fc.assert(
    fc.property(fc.constantFrom(...grades), fc.double({ min: 0.05, max: 0.95, noNaN: true }), (grade, share) => {
      const job = jobOf(
        ground(50, 'basin'),
        basin(),
        out({ groundLevel: -1 }),
        pipe('basin', { id: 'run', length: 20, grade }),
      );
      const before = planJob(job).runs.run!;
      // On ground that would let it lie higher: only what was set holds it.
      const landing = { ...node, groundLevel: 1 };
      const { job: after } = applyChange(job, splitRun(job.elements.get('run') as Run, landing, 'lower', 20 * share));
      expect(jobFaults(after)).toEqual([]);
      const { run, lower } = planJob(after).runs;
      expect(run!.invertUp).toBeCloseTo(before.invertUp, 9);
      expect(lower!.invertDown).toBeCloseTo(before.invertDown, 9);
      expect(run!.invertDown).toBeCloseTo(before.invertUp - before.pitch * 20 * share, 9);
      expect(run!.length + lower!.length).toBeCloseTo(20, 9);
    }),
  );
});

it('one that finds its own way goes on to, past the new ground', () => {
  const job = jobOf(ground(50, 'basin'), basin(), out({ groundLevel: -2 }), pipe('basin', { id: 'run', length: 20 }));
  const dip = { ...node, groundLevel: -0.8 };
  const { job: after } = applyChange(job, splitRun(job.elements.get('run') as Run, dip, 'lower', 8));
  const { run } = planJob(after).runs;
  expect(run!.groundDown - run!.crownDown).toBeGreaterThanOrEqual(0.3048 - 1e-9);
  expect((after.elements.get('run') as Run).grade).toEqual({ type: 'auto' });
});

it('a run led elsewhere keeps all that was set of it, but its length is to be measured anew', () => {
  const set: Partial<Run> = { material: 'singleWall', nominal: 0.1524, parallel: 2, under: 'cars', throat: 0.0762 };
  const job = jobOf(
    ground(50, 'basin'),
    basin(),
    basin({ id: 'other', name: 'Other' }),
    out({ groundLevel: -2 }),
    pipe('basin', { id: 'run', length: 20, grade: { type: 'levels', up: -0.7, down: -1.2 }, ...set }),
    pipe('other', { id: 'next', length: 10 }),
  );
  const { job: after } = applyChange(job, leadElsewhere(job, job.elements.get('run') as Run, 'other'));
  expect(after.elements.get('run')).toMatchObject({
    ...set,
    to: 'other',
    length: 20,
    assumed: true,
    grade: { type: 'levels', up: -0.7 },
  });
  expect(jobFaults(after)).toEqual([]);
});

it('a name that another has gets a number, and one’s own is kept', () => {
  const job = jobOf(basin({ name: 'Lawn' }), basin({ id: 'two', name: 'Lawn 2' }), out({ groundLevel: -1 }));
  expect(ownName(job, 'basin', 'Lawn')).toBe('Lawn');
  expect(ownName(job, 'third', 'Lawn')).toBe('Lawn 3');
  expect(ownName(job, 'two', 'Front')).toBe('Front');
});

it('a quick job may begin with any inlet, each fed by what sheds to it', () => {
  for (const kind of QUICK_INLETS) {
    const elements = quickElements({
      name: 'Quick',
      units: 'us',
      rain: { id: 'rain', kind: 'rain', intensity: 4e-5, source: { type: 'typed' } },
      inlets: [
        { kind, area: 100, groundLevel: 0, toNext: 10 },
        { kind, area: 50, groundLevel: -0.1, toNext: 12 },
      ],
      wayOut: { form: 'daylight', receiving: 'slope', groundLevel: -2 },
    });
    const job = jobOf(...elements);
    expect(jobFaults(job)).toEqual([]);
    const { lines, landings, snags } = planJob(job);
    expect(lines).toHaveLength(1);
    expect(landings.out1!.passing).toBeGreaterThan(0);
    expect(snags.map(({ code }) => code)).not.toContain('nothingLeads');
  }
});
