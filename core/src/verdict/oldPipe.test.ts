/** Old pipes are taken where they lie, and reckoned both ways where nobody knows how. */
import fc from 'fast-check';
import { fixOf } from '../design/fixes';
import { sizeJob } from '../design/sizeJob';
import type { Element, Run } from '../job/kinds';
import type { Job } from '../job/job';
import { tellSnag } from '../snags/tell';
import { changed } from '../job/change';
import { splitRun } from '../job/edits/insert';
import { basin, codes, ground, jobOf, node, out, pipe, withFields } from '../testing/parts';
import { planJob } from './planJob';

/** An old 6 in pipe of 30 m from a basin, and a new one from its foot to the way out. */
const job = (old: Partial<NonNullable<Run['old']>>, more: Partial<Run> = {}, area = 100): Job =>
  jobOf(
    ground(area, 'basin'),
    basin(),
    { id: 'node', kind: 'junction', form: 'cleanout', name: 'Cleanout', groundLevel: 0 },
    out({ stone: true, groundLevel: -1.6 }),
    pipe('basin', { to: 'node', length: 30, name: 'Old line', old: { fate: 'kept', state: 'sound', ...old }, ...more }),
    pipe('node', { length: 10 }),
  );
const lies = (of: Job): [up: number, down: number] => {
  const { invertUp, invertDown } = planJob(of).runs['pipe-basin']!;
  return [invertUp, invertDown];
};

it('two test pits say how an old pipe lies, out to both of its ends', () => {
  const pits = [
    { along: 5, level: -0.7 },
    { along: 25, level: -0.9 },
  ];
  const [up, down] = lies(job({ pits }));
  expect(up).toBeCloseTo(-0.65, 9);
  expect(down).toBeCloseTo(-0.95, 9);
  expect(codes(planJob(job({ pits })))).not.toContain('oldFallUnknown');
  // One of them and its foot do as well; two within a step of each other tell nothing.
  const [head] = lies(job({ pits: pits.slice(0, 1) }, { grade: { type: 'levels', down: -0.95 } }));
  expect(head).toBeCloseTo(-0.65, 9);
  const near = [pits[0]!, { along: 5.2, level: -0.71 }];
  expect(codes(planJob(job({ pits: near })))).toContain('oldFallUnknown');
});

it('no cover, least pitch or setting of a line lays an old pipe otherwise than it was found', () => {
  const pits = [
    { along: 0, level: -0.2 },
    { along: 30, level: -0.25 },
  ];
  const found = job({ pits });
  expect(lies(found)).toEqual([expect.closeTo(-0.2, 9), expect.closeTo(-0.25, 9)]);
  expect(lies(withFields(found, 'job', { pitchStyle: 'single', settings: { cover: 1.2 } }))).toEqual([
    expect.closeTo(-0.2, 9),
    expect.closeTo(-0.25, 9),
  ]);
});

it('a pipe that nobody has found is judged at the flattest and at the steepest that it may fall', () => {
  // 300 m² give 12 L/s; 6 in at 2 % carries some 29, at 0.1 % some 6.5.
  const told = job({ fall: { least: 0.001, most: 0.02 } }, {}, 300);
  const flat = planJob(told);
  const short = flat.snags.find(({ code }) => code === 'capacityExceeded')!;
  expect(short.onlyAt).toBe('flattest');
  expect(tellSnag(told, flat, short).headline).toMatch(/^If Old line falls only 0\.10%: /);
  expect(flat.verdict.sentence).toMatch(/^If Old line falls only 0\.10%: /);
  // From 0.4 m down 30 m at 6 % leave no fall for what is new.
  const deep = planJob(job({ fall: { least: 0.01, most: 0.06 } }));
  expect(deep.snags.filter(({ onlyAt }) => onlyAt === 'steepest').map(({ code }) => code)).toContain('outOfFall');
  expect(deep.verdict.sentence).toMatch(/^If Old line falls 6/);
  // Where both hold it is only minded, and the fall that is left is that of the steeper one.
  const sound = planJob(job({}));
  expect(sound.verdict.sentence).toBe(planJob(job({ fall: { least: 1 / 48, most: 1 / 48 } })).verdict.sentence);
  expect(sound.verdict.stops + sound.verdict.fixes).toBe(0);
  expect(codes(sound)).toContain('oldFallUnknown');
});

it('what is told at any fall between is told of one of the two', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 1, noNaN: true }), fc.integer({ min: 60, max: 400 }), (share, area) => {
      const [least, most] = [0.002, 0.05];
      const fall = least + share * (most - least);
      const between = planJob(job({ fall: { least: fall, most: fall } }, {}, area));
      const both = planJob(job({ fall: { least, most } }, {}, area));
      const bad = between.snags.filter(({ severity }) => severity !== 'mind').map(({ code, at }) => `${code} ${at}`);
      const known = new Set(both.snags.map(({ code, at }) => `${code} ${at}`));
      expect(bad.filter((each) => !known.has(each))).toEqual([]);
    }),
    { numRuns: 150, seed: 1 },
  );
});

it('no fix and no sizing lays an old pipe in another size, make or pitch', () => {
  const tight = job({ fall: { least: 0.001, most: 0.004 } }, { nominal: 0.1016 }, 300);
  const plan = planJob(tight);
  expect(plan.verdict.fixes + plan.verdict.stops).toBeGreaterThan(0);
  const own = tight.elements.get('pipe-basin');
  const laid = (puts: readonly Element[]): Element[] => puts.filter(({ id }) => id === 'pipe-basin');
  for (const snag of plan.snags) {
    const fix = fixOf(tight, plan, snag);
    for (const put of laid(fix?.change.puts ?? []))
      expect(put).toMatchObject({ nominal: 0.1016, grade: own!.kind === 'run' && own.grade });
  }
  const sized = sizeJob(tight, plan);
  expect(laid(sized?.best.change.puts ?? [])).toEqual([]);
});

it('a landing put into an old pipe leaves both parts where it was found', () => {
  const pits = [
    { along: 3, level: -0.68 },
    { along: 12, level: -0.77 },
  ];
  const found = job({ pits });
  const run = found.elements.get('pipe-basin') as Run;
  const cut = splitRun(run, node('wye', { id: 'wye' }), 'lower', 20);
  const after = changed(found, cut);
  const [whole, { runs }] = [planJob(found).runs['pipe-basin']!, planJob(after)];
  expect(runs['pipe-basin']!.invertUp).toBeCloseTo(whole.invertUp, 9);
  expect(runs.lower!.invertUp).toBeCloseTo(whole.invertUp - 0.2, 9);
  expect(runs.lower!.invertDown).toBeCloseTo(whole.invertDown, 9);
  expect(codes(planJob(after))).not.toContain('oldFallUnknown');
  // One pit goes with its part, and neither is known any better.
  const one = changed(
    job({ pits: pits.slice(0, 1) }),
    splitRun({ ...run, old: { fate: 'kept', pits: pits.slice(0, 1) } }, node('wye', { id: 'wye' }), 'lower', 20),
  );
  expect((one.elements.get('lower') as Run).old).toEqual({ fate: 'kept' });
  expect((one.elements.get('pipe-basin') as Run).old!.pits).toEqual(pits.slice(0, 1));
});
