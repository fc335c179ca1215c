import type { Job } from '../job/job';
import type { Element } from '../job/kinds';
import { takeOff } from '../quantities/takeOff';
import { basin, ground, jobOf, node, out, pipe } from '../testing/parts';
import { swaleOf } from '../testing/someWorks';
import { planJob } from '../verdict/planJob';
import { quoteOf } from './quote';

const quoted = (job: Job) => {
  const plan = planJob(job);
  return quoteOf(job, plan, takeOff(job, plan));
};
const plain = (words: readonly string[]): string => words.join(' ').replaceAll('\u00a0', ' ');

it('names how long and deep each work is, its lining, the traps, and the rain that it is made for', () => {
  const { scope, promise } = quoted(
    jobOf(
      ground(60, 'swale'),
      swaleOf({ length: 30, depth: 0.3, lining: 'blanket' }),
      ground(40, 'basin'),
      basin(),
      pipe('basin', { to: 'node', length: 6 }),
      node('sedimentTrap', { name: 'Trap' }),
      pipe('node', { length: 6 }),
      out({ stone: true, groundLevel: -1.2 }),
    ),
  );
  expect(plain(scope)).toMatch(/Build swale: Swale, 30.00 m long, 300 mm deep, lined with erosion blanket\./);
  expect(plain(scope)).toMatch(/Set a sediment trap: Trap\./);
  expect(plain(scope)).toMatch(/test with water before covering/);
  expect(plain(promise)).toMatch(/144 mm\/h/);
});

it('speaks of water in pipe only where pipe is laid, and offers nothing that is there already', () => {
  const { scope, excluded } = quoted(
    jobOf(ground(60, 'swale'), swaleOf(), { ...swaleOf({ id: 'old', name: 'Old ditch' }), here: true } as Element),
  );
  expect(plain(scope)).not.toMatch(/test with water|Old ditch/);
  expect(plain(excluded)).toMatch(/Mending of private lines/);
});

it('explains to a customer what the contractor wants explained: what was chosen, and what the other ways would cost', () => {
  const head = { id: 'job', kind: 'job', name: 'Yard', units: 'us', pitchStyle: 'ground' } as const;
  const line = [
    ground(60, 'basin'),
    basin(),
    pipe('basin', { length: 20, material: 'smooth' }),
    out({ groundLevel: -2 }),
  ];
  const told = (explains: string[]): readonly string[] =>
    quoted(jobOf({ ...head, explains }, ...line)).ways.flatMap(({ question, said }) => [question, ...said]);
  const [question, chosen, ...others] = told(['make', 'roots', 'nothing of that name']);
  // No tree stands here, and nobody knows the third.
  expect(question).toBe('Which pipe?');
  expect(chosen).toMatch(/^Chosen: Smooth PVC\. Stiff/);
  expect(others).toHaveLength(3);
  expect(others[0]).toMatch(/^Instead, [+−]\$\d+: Double-wall HDPE\. /);
  expect(told([])).toEqual([]);
});
