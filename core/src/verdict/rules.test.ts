/** Rules of thumb at their edges, each worked by hand: what a wrong sign or figure would change. */
import { sizeJob } from '../design/sizeJob';
import { shapeOf } from '../hydraulics/channelSection';
import { normalDepth } from '../hydraulics/pipe';
import { readFrequencyTable } from '../rain/csv';
import { frequencyFactor } from '../runoff/rational';
import { basin, codes, ground, jobOf, out, pipe, rain, spout, face } from '../testing/parts';
import { planJob } from './planJob';

const IN = 0.0254;

describe('cover', () => {
  const covered = (under: 'turf' | 'cars', material: 'smooth' | 'singleWall', cover: number): string[] =>
    codes(
      planJob(
        jobOf(
          ground(50, 'basin'),
          basin(),
          // All of it a bank: only what lies over its head is judged.
          out({ bank: { length: 20, topLevel: 0 } }),
          pipe('basin', { under, material, grade: { type: 'levels', up: -cover - 0.1524, down: -1.4 } }),
        ),
      ),
    );

  it.each([
    ['turf', 'smooth', 5.9, true],
    ['turf', 'smooth', 6.1, false],
    ['cars', 'smooth', 11.9, true],
    ['cars', 'smooth', 12.1, false],
    ['cars', 'singleWall', 23.9, true],
    ['cars', 'singleWall', 24.1, false],
  ] as const)('under %s over %s pipe, %d in is short: %s', (under, material, inches, short) =>
    expect(covered(under, material, inches * IN).includes('coverShort')).toBe(short),
  );
});

it.each([
  [24, 1],
  [25, 1.1],
  [49, 1.1],
  [50, 1.2],
  [99, 1.2],
  [100, 1.25],
])('rain of %d years raises C by %d', (years, factor) => expect(frequencyFactor(years)).toBe(factor));

it('a dozen parts of different times are told apart at a landing', () => {
  // Intensity halves from 5 to 10 min; the quick part alone gives more than all of it late.
  const table = { durations: [300, 600, 7200], intensities: [4e-5, 2e-5, 1e-5] };
  const quick = ground(1000, 'basin', { id: 'quick' });
  const slow = Array.from({ length: 11 }, (_, k) =>
    ground(100, 'basin', { id: `slow${k}`, shallow: { length: 150 + 40 * k, slope: 0.0004, paved: false } }),
  );
  const plan = planJob(
    jobOf(rain({ table }), quick, ...slow, basin(), out({ groundLevel: -3 }), pipe('basin', { nominal: 0.3 })),
  );
  const times = plan.sources.contributingAreas.map(({ time }) => time);
  expect(new Set(times).size).toBe(12);
  const { flow, countedArea, timeOfConcentration } = plan.runs['pipe-basin']!;
  const best = Math.max(
    ...times.map((time) => {
      const at = Math.max(300, time);
      const share = Math.log(at / 300) / Math.log(2);
      const intensity = at <= 600 ? 4e-5 * 0.5 ** share : 2e-5 * 0.5 ** (Math.log(at / 600) / Math.log(12));
      return (
        intensity *
        plan.sources.contributingAreas
          .filter((each) => each.time <= time)
          .reduce((sum, each) => sum + each.effectiveArea, 0)
      );
    }),
  );
  expect(flow).toBeCloseTo(best, 12);
  expect(timeOfConcentration).toBeGreaterThanOrEqual(300);
  expect(countedArea).toBeGreaterThanOrEqual(1000);
});

it('water takes as long down two pipes side by side as its half takes down one', () => {
  const table = { durations: [300, 3600], intensities: [4e-5, 1e-5] };
  const job = jobOf(
    rain({ table }),
    ground(400, 'basin'),
    basin(),
    out(),
    pipe('basin', { parallel: 2, nominal: 0.1016, grade: { type: 'pitch', pitch: 0.02 } }),
  );
  const run = planJob(job).runs['pipe-basin']!;
  const half = normalDepth({ diameter: 0.1016, slope: 0.02, roughness: 0.01, flow: run.flow / 2 });
  expect(run.velocity).toBeCloseTo(half.velocity, 9);
  expect(run.travelTime).toBeCloseTo(20 / half.velocity, 9);
});

it('an invert set by hand where the line comes out is where it comes out', () => {
  const job = jobOf(
    ground(50, 'basin'),
    basin(),
    out({ groundLevel: -2 }),
    pipe('basin', { grade: { type: 'levels', down: -1.7 } }),
  );
  const { 'pipe-basin': run } = planJob(job).runs;
  expect(run!.invertDown).toBeCloseTo(-1.7, 12);
  expect(run!.invertUp).toBeGreaterThan(-1.7);
});

it('a way out without water and without a pipe is no snag; one that a pipe leads from nowhere to is', () => {
  expect(codes(planJob(jobOf(out())))).not.toContain('noDischarge');
  const dry = planJob(jobOf(spout(), basin(), pipe('spout', { to: 'basin' })));
  expect(codes(dry)).toContain('noDischarge');
});

it('a trench that a man must stand in costs more a metre than one he need not', () => {
  const costAt = (cover: number): number => {
    const job = jobOf(
      { id: 'job', kind: 'job', name: 'Deep', units: 'metric', pitchStyle: 'ground', settings: { cover } },
      ground(50, 'basin'),
      basin(),
      out({ groundLevel: -6 }),
      pipe('basin', { length: 20 }),
    );
    return sizeJob(job, planJob(job))!.best.cost;
  };
  // Down to 1.2 m every metre costs the same; from there each costs more than the one before it.
  expect(costAt(0.9) - costAt(0.7)).toBeCloseTo(costAt(0.7) - costAt(0.5), 1);
  expect(costAt(3) - costAt(2)).toBeGreaterThan(1.2 * (costAt(2) - costAt(1)));
});

it('sizing a job sets grates as well as pipes', () => {
  const job = jobOf(ground(150, 'basin'), basin({ grate: 'round6' }), out({ groundLevel: -3 }), pipe('basin'));
  const { change } = sizeJob(job, planJob(job))!.best;
  expect(change.puts.find(({ id }) => id === 'basin')).toMatchObject({
    kind: 'basin',
    grate: expect.not.stringContaining('round6'),
  });
});

it('the verdict that all is carried but a door floods is not given while anything else wants mending', () => {
  const rare = rain({
    openings: { returnPeriod: 100, intensity: 1e-3 },
    source: { type: 'own', place: 'Here', returnPeriod: 10 },
  });
  const yard = (nominal: number) =>
    planJob(
      jobOf(
        rare,
        ground(100, 'basin'),
        basin({ sillLevel: 0.12 }),
        out({ groundLevel: -0.9, stone: true }),
        pipe('basin', { nominal, length: 20 }),
      ),
    );
  const [sound, tight] = [yard(0.2032), yard(0.0508)];
  expect(sound.verdict.sentence).toMatch(/^Carries the 10-year rain; in the 100-year rain/);
  expect(tight.verdict.sentence).not.toMatch(/^Carries/);
});

it('durations longer than ten days are passed over in a rain table', () => {
  const read = readFrequencyTable(
    ['years, 2, 10', '5 min, 0.4, 0.6', '1 day, 3, 5', '10 days, 6, 9', '20 days, 8, 12'].map((line) =>
      line.split(','),
    ),
  );
  expect(read.ok && read.table.durations).toEqual([300, 86_400, 864_000]);
});

describe('a sediment trap', () => {
  const line = (form: 'cleanout' | 'sedimentTrap', above: number, below: number) =>
    planJob(
      jobOf(
        face(80, 'spout'),
        spout({ groundLevel: 3 }),
        { id: 'node', kind: 'junction', form, name: 'Node', groundLevel: 1 },
        out({ groundLevel: -1 }),
        pipe('spout', { to: 'node', length: 10, nominal: 0.1016, grade: { type: 'pitch', pitch: above } }),
        pipe('node', { length: 20, nominal: 0.1016, grade: { type: 'pitch', pitch: below } }),
      ),
    );

  it.each([
    [0.05, 0.01, true],
    [0.039, 0.01, false],
    [0.05, 0.02, false],
  ])('is asked for from %d to %d: %s', (above, below, asked) => {
    expect(codes(line('cleanout', above, below)).includes('sedimentTrapMissing')).toBe(asked);
    expect(codes(line('sedimentTrap', above, below))).not.toContain('sedimentTrapMissing');
  });

  it('costs the water as much as a basin does', () => {
    const [plain, trapped] = [line('cleanout', 0.05, 0.01), line('sedimentTrap', 0.05, 0.01)];
    expect(trapped.landings.node!.waterLevel!).toBeGreaterThan(plain.landings.node!.waterLevel!);
  });
});

it('a line through the kerb drains dry at the gutter, needs no stone and is said to go to the street', () => {
  const job = jobOf(
    ground(50, 'basin'),
    basin(),
    out({ form: 'kerb', receiving: 'lawn', groundLevel: -0.9 }),
    pipe('basin', { length: 12, nominal: 0.1016, grade: { type: 'pitch', pitch: 0.04 } }),
  );
  const plan = planJob(job);
  expect(plan.runs['pipe-basin']!.coverDown).toBeNull();
  expect(codes(plan)).not.toContain('stoneMissing');
  expect(plan.verdict.sentence).toMatch(/to the street/);
  expect(
    planJob(
      jobOf(
        ...job.elements.all.filter(({ id }) => id !== 'out' && id !== 'job'),
        out({ form: 'kerb', groundLevel: 0.2 }),
      ),
    ).snags.map(({ code }) => code),
  ).toContain('outOfFall');
});

it('a line through the kerb never comes out below the gutter, whatever bottom was noted for what was there before', () => {
  const kerb = (controlLevel: number | undefined) =>
    planJob(
      jobOf(
        ground(50, 'basin'),
        basin(),
        out({ form: 'kerb', groundLevel: -0.3, ...(controlLevel === undefined ? {} : { controlLevel }) }),
        pipe('basin', { length: 12, nominal: 0.1016 }),
      ),
    );
  expect(codes(kerb(undefined))).toContain('outOfFall');
  expect(kerb(-1.5).budgets).toEqual(kerb(undefined).budgets);
  expect(codes(kerb(-1.5))).toContain('outOfFall');
  // A slot above the gutter asks for more fall.
  expect(kerb(-0.2).budgets[0]!.left).toBeCloseTo(kerb(undefined).budgets[0]!.left - 0.1, 9);
});

it('critical depth of a channel is where T Q² = g A³', () => {
  const shape = shapeOf('round', 0.1);
  const y = shape.critical(0.003);
  expect((0.003 ** 2 * shape.top(y)) / (9.80665 * shape.area(y) ** 3)).toBeCloseTo(1, 6);
});
