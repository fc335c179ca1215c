import fc from 'fast-check';
import { planJob } from '../../plan/planJob';
import { basin, ground, jobOf, out, pipe } from '../../testing/parts';
import { applyChange } from '../change';
import type { Junction, Run } from '../kinds';
import { jobFaults } from '../faults';
import { splitRun } from './insert';

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
