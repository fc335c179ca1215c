import { changed } from '../job/change';
import type { Job } from '../job/job';
import { elementOf } from '../job/job';
import type { Run } from '../job/kinds';
import { basin, ground, jobOf, out, pipe } from '../testing/parts';
import { looksFor } from './looks';
import { unknownsOf } from './unknowns';
import { lookWords, standsWords, unknownWords } from './words';
import { worldsOf, type Worlds } from './worlds';

/** An old 6 in pipe of 30 m from a basin to a cleanout, and a new one from its foot on. */
const job = (old: Partial<NonNullable<Run['old']>>, more: Partial<Run> = {}, area = 100): Job =>
  jobOf(
    ground(area, 'basin'),
    basin(),
    { id: 'node', kind: 'junction', form: 'cleanout', name: 'Cleanout', groundLevel: 0 },
    out({ stone: true, groundLevel: -1.6 }),
    pipe('basin', { to: 'node', length: 30, name: 'Old line', old: { fate: 'kept', ...old }, ...more }),
    pipe('node', { length: 10 }),
  );
function all(of: Job): Worlds {
  const each = worldsOf(of);
  for (;;) {
    const next = each.next();
    if (next.done) return next.value;
  }
}
const PITS = [
  { along: 1, level: -0.5 },
  { along: 29, level: -0.9 },
];

it('holds as often as its ways do, each planned by itself', () => {
  // 220 m² are 8.8 L/s: 6 in at 0.1 % carries 6.5, at 1.05 % some 21 and at 2 % some 29.
  const of = job({ state: 'sound', fall: { least: 0.001, most: 0.02 } }, {}, 220);
  const worlds = all(of);
  expect(worlds.unknowns.map((each) => each.of)).toEqual(['fall']);
  expect(worlds.holds).toBeCloseTo(0.75, 9);
  expect(standsWords(worlds)).toBe('It holds in 8 of 10 ways that the old pipe may lie.');
  expect(worlds.worst!.sentence).toMatch(/^Old line is too small: 8\.80/);
  expect(unknownWords(of, worlds.unknowns[0]!)).toBe('How it falls: 0.10% to 2.00%');
});

it('knows what was found, and says that nothing is unknown then', () => {
  expect(unknownsOf(job({})).map((each) => each.of)).toEqual(['fall', 'state']);
  expect(unknownsOf(job({ state: 'sound', pits: PITS }))).toEqual([]);
  expect(unknownsOf(job({ fate: 'cutOff' }))).toEqual([]);
  const known = all(job({ state: 'sound', pits: PITS }));
  expect(known.worlds).toHaveLength(1);
  expect(standsWords(known)).toMatch(/is known/);
  expect(looksFor(job({ state: 'sound', pits: PITS }), known)).toEqual([]);
});

it('a broken pipe is never one that holds, and a state is not known until somebody has looked', () => {
  const worlds = all(job({ pits: PITS }));
  const broken = worlds.worlds.filter(({ picks }) => worlds.unknowns[0]!.values[picks[0]!]!.broken);
  expect(broken).toHaveLength(1);
  expect(broken[0]!.holds).toBe(false);
  expect(worlds.holds).toBeLessThanOrEqual(0.9);
});

it('offers the look that takes most doubt away for its time, and none that tells nothing of the verdict', () => {
  const of = job({ state: 'sound', fall: { least: 0.001, most: 0.02 } }, {}, 220);
  const worlds = all(of);
  const looks = looksFor(of, worlds);
  // Both lids open: reading two inverts is quicker than digging twice, and tells the same.
  expect(looks.map(({ kind }) => kind)).toEqual(['levels', 'twoPits']);
  expect(looks[0]).toMatchObject({ settles: 1, gain: looks[1]!.gain });
  // The doubt of three quarters, all of it: −¾ log₂ ¾ − ¼ log₂ ¼.
  expect(looks[0]!.gain).toBeCloseTo(0.8113, 4);
  expect(lookWords(of, looks[0]!)).toEqual({
    title: 'Old line: Lift both lids and read its inverts',
    about: 'About 18 min; then it is known',
  });
  const carriesAll = job({ state: 'sound', fall: { least: 0.01, most: 0.02 } });
  expect(looksFor(carriesAll, all(carriesAll))).toEqual([]);
  expect(standsWords(all(carriesAll))).toBe('However the old pipe lies, it holds.');
});

it('tells no more by a hose than by a camera, nor by one pit than by two', () => {
  const of = job({ guessed: ['size', 'material'], fall: { least: 0.001, most: 0.03 } }, {}, 200);
  const worlds = all(of);
  expect(worlds.worlds.length).toBe(3 * 3 * 3 * 4);
  expect(worlds.worlds.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9);
  const looks = looksFor(of, worlds);
  const gain = (kind: string): number => looks.find((look) => look.kind === kind)?.gain ?? 0;
  expect(gain('camera')).toBeGreaterThanOrEqual(gain('hose') - 1e-9);
  expect(gain('twoPits')).toBeGreaterThanOrEqual(gain('pit') - 1e-9);
  expect(gain('end')).toBeCloseTo(gain('pit'), 9);
});

it('whoever looks as it says comes to what is true, whatever that is', () => {
  const of = job({ state: 'sound', guessed: ['size'], fall: { least: 0.001, most: 0.02 } }, {}, 200);
  const unknowns = unknownsOf(of);
  const tells: Record<string, readonly string[]> = { end: ['size'], camera: ['size'], levels: ['fall'] };
  const verdicts = new Set<boolean>();
  for (const { picks, holds } of all(of).worlds) {
    // What each look finds is put into the job, until the verdict is no more in doubt.
    let known = of;
    for (let look = looksFor(known, all(known))[0]; look; look = looksFor(known, all(known))[0]) {
      expect(tells[look.kind]).toBeDefined();
      let run = elementOf(known, 'run', look.run)!;
      for (const [k, { of: what, values }] of unknowns.entries())
        if (tells[look.kind]!.includes(what)) {
          const found = values[picks[k]!]!.set(run);
          const { fall } = found.old!;
          run =
            what === 'size'
              ? { ...found, old: { ...found.old!, guessed: [] } }
              : { ...found, grade: { type: 'pitch', pitch: fall!.least } };
        }
      known = { id: known.id, elements: changed(known, { puts: [run], removes: [] }).elements };
    }
    expect(all(known).holds).toBeCloseTo(holds ? 1 : 0, 9);
    verdicts.add(holds);
  }
  expect(verdicts.size).toBe(2);
});
