import fc from 'fast-check';
import { seededJob } from '../trial';
import { basin, jobOf, out, pipe, spout } from '../testing/parts';
import { applyChange, changed, put } from './change';
import { removal } from './edits/remove';
import { changeFaults, jobFaults } from './faults';
import type { Element, Run } from './kinds';

const sentences = (faults: readonly { path: string; sentence: string }[]): string[] =>
  faults.map(({ path, sentence }) => `${path} ${sentence}`).sort();

it('finds in a change just the faults that the whole job then has, on jobs that had none', () => {
  const spoil = fc.record({
    seed: fc.integer({ min: 1, max: 60 }),
    pick: fc.nat(500),
    target: fc.nat(500),
    act: fc.constantFrom('lead', 'remove', 'second', 'lift'),
  });
  fc.assert(
    fc.property(spoil, ({ seed, pick, target, act }) => {
      const job = seededJob(seed);
      const { all } = job.elements;
      const to = all[target % all.length]!.id;
      const runs = job.elements.ofKind('run');
      const run = runs[pick % Math.max(1, runs.length)];
      let puts: Element[] = [];
      let removes: string[] = [];
      if (act === 'remove') removes = [all[pick % all.length]!.id];
      else if (!run) return;
      else if (act === 'lead') puts = [{ ...run, to }];
      else if (act === 'second') puts = [{ ...run, id: 'another', to }];
      else
        puts = job.elements
          .ofKind('downspout')
          .slice(0, 1)
          .map((each) => ({ ...each, landsOn: [{ to, share: 1 }] }));
      const after = changed(job, { puts, removes });
      const found = sentences(changeFaults(job, after, { puts, removes }));
      // A loop may be told from another of its places, and a second way out at either run.
      const whole = sentences(jobFaults(after));
      expect(found.length > 0).toBe(whole.length > 0);
      const plain = (list: string[]): string[] => list.filter((each) => !/ → |second way out/.test(each));
      expect(plain(found)).toEqual(plain(whole));
    }),
    { numRuns: 300 },
  );
});

it('a fault that was there before does not lock the job', () => {
  const job = jobOf(basin(), out(), pipe('basin', { to: 'nowhere' }));
  expect(jobFaults(job)).toHaveLength(1);
  const renamed = put('Name it', basin({ name: 'My basin' }));
  expect(changeFaults(job, applyChange(job, renamed).job, renamed)).toEqual([]);
});

it('taking out one of two landings that drain to each other leaves no pipe from a landing to itself', () => {
  const job = jobOf(spout(), basin(), out(), pipe('spout', { to: 'basin' }), pipe('basin', { to: 'spout' }));
  const after = applyChange(job, removal(job, 'basin')).job;
  expect(after.elements.ofKind('run').filter((run: Run) => run.from === run.to)).toEqual([]);
  expect(jobFaults(after)).toEqual([]);
});
