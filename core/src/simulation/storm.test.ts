/** Whole storms over whole yards: nothing lost, more rain no better, and what is blocked seen. */
import { headOf, rainOf, type Job } from '../job/job';
import type { Element } from '../job/kinds';
import { rainTable } from '../rain/intensityOfRain';
import { brackenfold, quillfeather } from '../samples';
import { basin, channel, face, ground, jobOf, out, pipe, rain, spout, withElements } from '../testing/parts';
import { bermOf } from '../testing/someWorks';
import { seededJob } from '../trial/seeded';
import { seededWhole } from '../trial/seededWhole';
import { planJob } from '../verdict/planJob';
import { failuresOf, rainfallOf, stormCases } from './cases';
import type { Failure } from './failing';
import { depthOfRain, RAIN_SHAPES, stormFrom, twice, type Rainfall } from './rain/rainfall';
import { peaksOf, rankCases, rankOf, worseFirst } from './ranking';
import { runStorm, type StormTold } from './stormRun';
import { stormSentence } from './told/words';

const storm = (job: Job, failing: readonly Failure[] = [], fall?: Rainfall): StormTold =>
  runStorm(job, planJob(job), { rain: fall ?? rainfallOf(job, 'design')!, wetness: 'ordinary', failing, cells: 1500 });
const peakAt = (told: StormTold, id: string): number => told.landings.find((each) => each.id === id)!.peak;

it('the balance of all water closes on every yard, whatever fails', () => {
  let failed = 0;
  for (let seed = 1; seed <= 24; seed++)
    for (const job of [seededWhole(seed), seededJob(seed, 'calm')]) {
      const plan = planJob(job);
      const failing = failuresOf(job, plan).filter((_, k) => (seed + k) % 3 === 0);
      failed += failing.length;
      const table = rainTable(rainOf(plan.here!));
      const fall = stormFrom(table, 900, RAIN_SHAPES[seed % RAIN_SHAPES.length]!);
      const told = runStorm(job, plan, { rain: fall, wetness: 'ordinary', failing, cells: 600, length: 1200 });
      expect([seed, told.balance.error < 1e-9]).toEqual([seed, true]);
      for (const each of told.landings) expect(each.peak).toBeGreaterThanOrEqual(0);
    }
  expect(failed).toBeGreaterThan(20);
}, 120_000);

it('a storm brings the table’s depth, however it is laid out, and twice that the second time', () => {
  const table = rainTable(rainOf(quillfeather()));
  const depths = RAIN_SHAPES.map((shape) => depthOfRain(stormFrom(table, 3600, shape)));
  for (const depth of depths) expect(depth).toBeCloseTo(depths[0]!, 9);
  const peakOf = ({ intensities, step }: Rainfall): number => intensities.indexOf(Math.max(...intensities)) * step;
  expect(peakOf(stormFrom(table, 3600, 'front'))).toBeLessThan(1200);
  expect(peakOf(stormFrom(table, 3600, 'late'))).toBeGreaterThan(2400);
  expect(depthOfRain(twice(stormFrom(table, 3600, 'block'), 7200))).toBeCloseTo(2 * depths[0]!, 9);
});

describe('a patio of 300 m² that sheds to a basin with a sill 0.1 m over it', () => {
  const yard = (): Job =>
    jobOf(
      rain(),
      ground(300, 'basin'),
      basin({ sillLevel: 0.1, spillLevel: 0.12 }),
      pipe('basin', { length: 15 }),
      out(),
    );

  it('stands higher in more rain, and over the sill when its grate is full of leaves', () => {
    const peaks = [1, 1.5, 2, 3].map((more) => {
      const fall = { step: 60, intensities: new Array<number>(30).fill(4e-5 * more) };
      return peakAt(storm(yard(), [], fall), 'basin');
    });
    expect([...peaks].sort((a, b) => a - b)).toEqual(peaks);
    const blocked = storm(yard(), [{ kind: 'blocked', id: 'basin' }]);
    expect(blocked.doors[0]!.margin).toBeLessThan(0);
    const half = storm(yard(), [{ kind: 'blocked', id: 'basin', share: 0.5 }]);
    expect(peakAt(half, 'basin')).toBeGreaterThan(peakAt(storm(yard()), 'basin'));
    expect(peakAt(half, 'basin')).toBeLessThan(peakAt(blocked, 'basin'));
    expect(stormSentence(yard(), { rain: 'design', failing: [{ kind: 'blocked', id: 'basin' }] }, blocked)).toMatch(
      /^In the design storm with Basin blocked water stands \d+\smm over the sill at Basin at 0:\d\d/,
    );
  });

  it('fails first where its grate or its only pipe is stopped up, of all that can fail', () => {
    const ranked = [...rankCases(yard(), planJob(yard()))].map((each) => each.ranked).sort(worseFirst);
    const kinds = ranked.map(({ of }) => of.failing[0]?.kind ?? 'nothing');
    expect(new Set(kinds.slice(0, 2))).toEqual(new Set(['blocked', 'stopped']));
    expect(ranked[1]!.margin).toBeLessThan(ranked[2]!.margin!);
    expect(ranked[0]!.at).toBe('basin');
  });

  it('stands the higher the more its pipe is crushed, as high as ever where nothing gets through', () => {
    const run = [...yard().elements.ofKind('run')][0]!.id;
    const hard = { step: 60, intensities: new Array<number>(30).fill(1.2e-4) };
    const at = (share: number): number => peakAt(storm(yard(), [{ kind: 'stopped', id: run, share }], hard), 'basin');
    const peaks = [0, 0.5, 0.75, 0.9, 1].map(at);
    expect([...peaks].sort((a, b) => a - b)).toEqual(peaks);
    expect(peaks[3]! - peaks[0]!).toBeGreaterThan(0.003);
    expect(storm(yard(), [{ kind: 'stopped', id: run }], hard).balance.out).toBe(0);
    expect(storm(yard(), [{ kind: 'stopped', id: run, from: 600 }], hard).balance.out).toBeGreaterThan(0);
  });

  it('is not called over before what fails in it has failed', () => {
    const job = yard();
    const failing: Failure[] = [{ kind: 'blocked', id: 'basin', from: 4800 }];
    const rain = rainfallOf(job, 'design')!;
    const tap: Element = { id: 'tap', kind: 'fixedFlow', name: 'Tap', flow: 5e-4, feeds: [{ to: 'basin', share: 1 }] };
    const fed = withElements(job, tap);
    const storm = {
      rain: { ...rain, intensities: rain.intensities.map((each) => each / 20) },
      wetness: 'ordinary' as const,
    };
    const at = (some: readonly Failure[]): number =>
      rankOf(peaksOf(fed, planJob(fed), { ...storm, failing: some })).deepest;
    expect(at(failing)).toBeGreaterThan(at([]) + 0.02);
  });

  it('is as it was once what was blocked is open again', () => {
    const cleared = storm(yard(), [{ kind: 'blocked', id: 'basin', from: 0, to: 60 }]);
    expect(peakAt(cleared, 'basin')).toBeCloseTo(peakAt(storm(yard()), 'basin'), 3);
  });
});

it('ground that was tested takes in what the test says, and a berm turns water', () => {
  const places = [0, 4, 8, 12, 16, 20].flatMap((east) => [0, 4, 8].map((north) => ({ east, north })));
  const levels = places.map(({ east, north }) => ({
    id: `level-${east}-${north}`,
    kind: 'spotLevel' as const,
    name: `${east} ${north}`,
    place: { east, north },
    level: -0.04 * east,
  }));
  const hole = (soil: string) => ({
    id: 'test',
    kind: 'soilTest' as const,
    name: soil,
    test: { type: 'ribbon' as const, length: soil === 'clay' ? 0.06 : 0.01 },
  });
  const yard = (...more: Element[]): Job => jobOf(rain(), ...levels, ...more);
  const small = (job: Job): StormTold =>
    runStorm(job, planJob(job), {
      rain: rainfallOf(job, 'design')!,
      wetness: 'ordinary',
      failing: [],
      cells: 200,
      length: 3000,
    });
  const [clay, sand] = [small(yard(hole('clay'))), small(yard(hole('sand')))];
  expect(clay.balance.soaked).toBeLessThan(0.8 * sand.balance.soaked);
  const berm = bermOf({
    way: [
      { east: 12, north: -1 },
      { east: 12, north: 9 },
    ],
    footLevel: -0.48,
    height: 0.3,
    holds: undefined,
  });
  const [plain, barred] = [small(yard(hole('clay'))), small(yard(hole('clay'), berm))];
  const most = (told: StormTold): number => Math.max(0, ...told.ponds.map(({ deepest }) => deepest));
  expect(most(barred)).toBeGreaterThan(most(plain) + 0.05);
});

it('a way out that is shut sends its water up where it went in', () => {
  const job = jobOf(
    rain(),
    ground(120, 'basin'),
    basin(),
    face(60, 'spout'),
    spout(),
    pipe('spout', { to: 'basin', length: 5 }),
    pipe('basin', { length: 15 }),
    out({ form: 'popup', receiving: 'lawn' }),
  );
  const [open, shut] = [storm(job), storm(job, [{ kind: 'shut', id: 'out' }])];
  expect(open.balance.out).toBeGreaterThan(0);
  expect(shut.balance.out).toBe(0);
  // What stands in a line behind its lid stands over nothing.
  expect([peakAt(open, 'out'), peakAt(shut, 'out')]).toEqual([0, 0]);
  expect(shut.landings.find(({ id }) => id === 'basin')!.passed).toBeGreaterThan(1);
  expect(shut.runs.every(({ secondsUnderPressure }) => secondsUnderPressure > 600)).toBe(true);
});

it('a pump lifts what comes and starts and stops; without power it runs over', () => {
  const job = jobOf(
    rain(),
    ground(40, 'channel'),
    channel(),
    pipe('channel', { length: 6 }),
    out({ form: 'pump', groundLevel: 0 }),
  );
  const [on, off] = [storm(job), storm(job, [{ kind: 'power', id: 'out' }])];
  expect(on.balance.pumped).toBeGreaterThan(0.5);
  expect(off.balance.pumped).toBe(0);
  expect(off.balance.ranOff).toBeGreaterThan(0.5);
  const worn = storm(job, [{ kind: 'worn', id: 'out', share: 0.9 }]);
  expect(worn.balance.pumped).toBeGreaterThan(0);
  expect(worn.balance.pumped).toBeLessThan(on.balance.pumped);
});

it('a yard with nothing in it, no pipe or no level but one is rained on all the same', () => {
  const level = { id: 'level', kind: 'spotLevel', name: 'A', level: 0, place: { east: 0, north: 0 } } as const;
  for (const job of [jobOf(rain()), jobOf(rain(), basin(), ground(50, 'basin')), jobOf(rain(), level)]) {
    const told = storm(job);
    expect(told.balance.error).toBeLessThan(1e-9);
    expect(told.reached).toBe(told.length);
  }
});

it('every case of a sample has a name of its own, and its ponds dry or are told to stand', () => {
  const job = brackenfold();
  const cases = stormCases(job, planJob(job));
  expect(new Set(cases.map(({ id }) => id)).size).toBe(cases.length);
  const told = runStorm(job, planJob(job), {
    rain: rainfallOf(job, 'design')!,
    wetness: 'dry',
    failing: [],
    cells: 700,
  });
  expect(headOf(job).name).toBeTruthy();
  expect(told.ponds.length).toBeGreaterThan(0);
  for (const { deepest, at, dryAt } of told.ponds) {
    expect(deepest).toBeGreaterThanOrEqual(0.03);
    expect(dryAt === null || dryAt > at).toBe(true);
  }
});
