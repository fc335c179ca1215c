import { applyChange, put } from '../job/change';
import type { Element, Run } from '../job/kinds';
import { jobFaults } from '../job/faults';
import type { Job } from '../job/job';
import { planJob, type Plan } from '../verdict/planJob';
import { sizeJob } from '../design/sizeJob';
import { fixOf } from '../design/fixes';
import { quillfeather } from '../samples/index';
import { basin, channel, codes, face, ground, jobOf as job, out, pipe as ofPipe, rain, spout } from '../testing/parts';

const GPM = 6.309019640344e-5;
const pipe = (from: string, more: Partial<Run> = {}): Run => ofPipe(from, { id: 'pipe', ...more });
const mended = (now: Job, code: string): { job: Job; plan: Plan } => {
  const plan = planJob(now);
  const next = applyChange(
    now,
    fixOf(
      now,
      plan,
      plan.snags.find((snag) => snag.code === code)!,
    )!.change,
  ).job;
  return { job: next, plan: planJob(next) };
};

describe('a basin', () => {
  it('stands as deep as its grate needs, and comes nearer the sill by that much', () => {
    const plan = planJob(job(ground(200, 'basin'), basin({ sillLevel: 0.1 }), out(), pipe('basin')));
    const inlet = plan.inlets.basin!;
    // 8 L/s over a 1.219 m rim half clogged: (0.008 / (1.66 × 0.6095))^⅔ = 0.0397 m.
    expect(inlet.kind === 'basin' && inlet.ponding).toBeCloseTo(0.0397, 4);
    expect(inlet.kind === 'basin' && inlet.freeboard).toBeCloseTo(0.1 - 0.0397, 4);
    expect(codes(plan)).toContain('nearOpening');
    expect(codes(planJob(job(ground(200, 'basin'), basin({ sillLevel: 0.2 }), out(), pipe('basin'))))).not.toContain(
      'nearOpening',
    );
  });

  it('is told when its grate is too small, and mended by a larger one', () => {
    const now = job(ground(400, 'basin'), basin({ grate: 'flat9' }), out(), pipe('basin'));
    expect(codes(planJob(now))).toContain('grateSmall');
    const after = mended(now, 'grateSmall');
    expect(codes(after.plan)).not.toContain('grateSmall');
  });

  it('becomes an outlet when the line below is overloaded, and larger pipe below mends it', () => {
    const now = job(ground(900, 'basin'), basin({ grate: 'flat24' }), out(), pipe('basin', { nominal: 0.1016 }));
    expect(planJob(now).verdict.sentence).toMatch(/^Water comes out of Basin/);
    const after = mended(now, 'waterOverGrate');
    expect(codes(after.plan)).not.toContain('waterOverGrate');
  });

  it('stands higher by what an adapter’s throat costs: (1/0.62 − At/A)² V²/2g, by the velocity in the throat', () => {
    const level = (more: object): number =>
      planJob(job(ground(200, 'basin'), basin(), out(), pipe('basin', { nominal: 0.1016, ...more }))).landings.basin!
        .waterLevel!;
    // 200 m² give 8 L/s: 1.754 m/s in a throat of 0.00456 m². (1.6129 − 0.5625)² × 1.754² / 19.613 = 0.1731 m.
    expect(level({ throat: 0.0762 }) - level({})).toBeCloseTo(0.1731, 4);
    expect(codes(planJob(job(ground(200, 'basin'), basin(), out(), pipe('basin', { throat: 0.0762 }))))).toContain(
      'throatLeft',
    );
  });
});

describe('a channel drain', () => {
  it('overtops when the paving gives too much, and a larger section mends it', () => {
    const now = job(ground(250, 'channel'), channel(), out(), pipe('channel'));
    const { profile } = planJob(now).inlets.channel as { profile: { maxDepth: number } };
    // Level: at least √3 of critical depth, (0.01² / (g 0.1²))^⅓ = 0.1007 m.
    expect(profile.maxDepth).toBeGreaterThan(Math.sqrt(3) * 0.1007);
    expect(codes(planJob(now))).toContain('channelOvertops');
    expect(codes(mended(now, 'channelOvertops').plan)).not.toContain('channelOvertops');
  });

  it('with its outlet in the middle stands lower than with one at its end, and the outlet takes no more than the hole does', () => {
    const middle = planJob(
      job(ground(120, 'channel'), channel({ outlet: 'middle', length: 20 }), out(), pipe('channel')),
    ).inlets.channel as { profile: { maxDepth: number }; outletCapacity: number };
    const end = planJob(job(ground(120, 'channel'), channel({ length: 20 }), out(), pipe('channel'))).inlets
      .channel as {
      profile: { maxDepth: number };
    };
    // The same hole takes as much either way; from there the water has half as far to rise.
    expect(middle.profile.maxDepth).toBeLessThan(end.profile.maxDepth);
    // 6 in hole under 0.1 m: weir 1.66 × π 0.1524 × 0.1^1.5 = 25.1 L/s, orifice 0.6 × 0.01824 × √(2 g 0.1) = 15.3 L/s.
    expect(middle.outletCapacity).toBeCloseTo(0.0153, 4);
    const tight = job(
      ground(200, 'channel'),
      channel({ width: 0.3, depth: 0.15 }),
      out(),
      pipe('channel', { nominal: 0.0762 }),
    );
    expect(codes(planJob(tight))).toContain('channelOutlet');
    expect(codes(mended(tight, 'channelOutlet').plan)).not.toContain('channelOutlet');
  });

  it('is drowned by the water line behind a pop-up', () => {
    const free = planJob(job(ground(60, 'channel'), channel(), out(), pipe('channel')));
    const drowned = planJob(
      job(ground(60, 'channel'), channel(), out({ form: 'popup', groundLevel: -0.05 }), pipe('channel')),
    );
    expect((free.inlets.channel as { profile: { outletControl: string } }).profile.outletControl).toBe('free');
    expect((drowned.inlets.channel as { profile: { outletControl: string } }).profile.outletControl).toBe('drowned');
  });
});

it('a downspout that is too small spills, and the line is still sized for all of it', () => {
  const now = job(face(150, 'spout'), spout({ size: 'rect2x3' }), out(), pipe('spout'));
  const plan = planJob(now);
  const inlet = plan.inlets.spout as { capacity: number; overshoot: number };
  // 6 in² under 3 in of water: 0.6 × 0.003871 × √(2 g 0.0762) = 2.84 L/s, 45 gpm.
  expect(inlet.capacity / GPM).toBeCloseTo(45, 0);
  expect(inlet.overshoot).toBeCloseTo(0.006 - inlet.capacity, 9);
  expect(plan.runs.pipe!.flow).toBeCloseTo(0.006, 9);
  expect(codes(mended(now, 'downspoutSmall').plan)).not.toContain('downspoutSmall');
});

it('what a gutter spills is counted at the inlet it runs to, and no longer in the pipe', () => {
  const plan = planJob(
    job(
      face(150, 'spout'),
      spout({ size: 'rect2x3', spillsTo: 'basin' }),
      basin(),
      out(),
      pipe('basin'),
      pipe('spout', { id: 'second', to: 'basin', length: 5 }),
    ),
  );
  const inlet = plan.inlets.spout as { capacity: number; overshoot: number };
  expect(plan.runs.second!.flow).toBeCloseTo(inlet.capacity, 9);
  expect(plan.inlets.basin!.offered).toBeCloseTo(inlet.overshoot, 9);
  expect(plan.landings.out!.passing).toBeCloseTo(0.006, 12);
});

it('a fast outfall on soil wants stone, by its size; a flat grate below mulch wants a dome', () => {
  const fast = job(ground(300, 'basin', { cover: 'mulch' }), basin(), out({ groundLevel: -3 }), pipe('basin'));
  const plan = planJob(fast);
  const snag = plan.snags.find((each) => each.code === 'stoneMissing')!;
  const { pipe: run } = plan.runs;
  // 0.2 D (Q / (√g D^2.5))^(4/3) D / TW asks for less of so little water; by its speed, V = 0.86 √(2 g 1.65 d50), it is more.
  const byFlow =
    0.2 * 0.1524 * (run!.flow / (Math.sqrt(9.80665) * 0.1524 ** 2.5)) ** (4 / 3) * (0.1524 / (0.4 * 0.1524));
  const bySpeed = (run!.topVelocity / 0.86) ** 2 / (2 * 9.80665 * 1.65);
  expect(bySpeed).toBeGreaterThan(byFlow);
  expect(snag.stone).toBeCloseTo(bySpeed, 9);
  for (const code of ['stoneMissing', 'flatInMulch']) expect(codes(mended(fast, code).plan)).not.toContain(code);
});

describe('time of concentration', () => {
  const table = { durations: [300, 600, 1200, 3600], intensities: [4e-5, 3e-5, 2e-5, 1e-5] };
  const lawn: Element = {
    id: 'lawn',
    kind: 'surface',
    name: 'Lawn',
    cover: 'lawnClay',
    coefficient: 0.3,
    area: 600,
    sheet: { length: 30, slope: 0.01, roughness: 0.24 },
    feeds: [{ to: 'basin', share: 1 }],
  };
  const withTable = rain({ table });

  it('counts a slow lawn at its own weaker rain', () => {
    const plan = planJob(job(withTable, lawn, basin(), out(), pipe('basin')));
    const { time } = plan.sources.contributingAreas[0]!;
    expect(time).toBeGreaterThan(600);
    expect(plan.runs.pipe!.timeOfConcentration).toBeCloseTo(time, 6);
    expect(plan.runs.pipe!.flow).toBeLessThan(0.3 * 600 * 3e-5);
  });

  it('does not let the slow lawn water down the paving that answers at once', () => {
    const plan = planJob(job(withTable, lawn, ground(300, 'basin'), basin(), out(), pipe('basin')));
    const alone = planJob(job(withTable, ground(300, 'basin'), basin(), out(), pipe('basin')));
    expect(plan.runs.pipe!.flow).toBeGreaterThanOrEqual(alone.runs.pipe!.flow);
    expect(plan.runs.pipe!).toMatchObject({ countedArea: 300, timeOfConcentration: 300 });
  });

  it('adds a steady flow to everything below it', () => {
    const sump: Element = {
      id: 'sump',
      kind: 'fixedFlow',
      name: 'Sump',
      flow: 0.001,
      feeds: [{ to: 'basin', share: 1 }],
    };
    const plan = planJob(job(ground(100, 'basin'), sump, basin(), out(), pipe('basin')));
    expect(plan.runs.pipe!.flow).toBeCloseTo(0.004 + 0.001, 12);
    expect(plan.landings.out!.passing).toBeCloseTo(0.005, 12);
  });

  it('raises C for a rare storm, to all of the rain at most', () => {
    const rare = rain({ source: { type: 'own', place: 'Here', returnPeriod: 100 } });
    const plan = planJob(
      job(
        rare,
        { ...lawn, id: 'a' } as Element,
        ground(10, 'basin', { coefficient: 0.9 }),
        basin(),
        out(),
        pipe('basin'),
      ),
    );
    expect(plan.sources.contributingAreas.map((shed) => shed.coefficient)).toEqual([0.3 * 1.25, 1]);
  });
});

describe('an inlet on a slope', () => {
  const high = basin({ id: 'high', approach: { slope: 0.04, roughness: 0.012, width: 2 }, passesTo: 'basin' });
  const second = pipe('high', { id: 'second', to: 'basin', length: 10 });

  it('takes what falls in and passes the rest to the next, and none is lost', () => {
    const plan = planJob(job(ground(100, 'high'), high, basin(), out(), second, pipe('basin')));
    const told = plan.onSlope.get('high')!;
    // By hand: q = 0.004 / 2 = 0.002 m²/s; d = (0.002 × 0.012 / 0.2)^0.6 = 4.45 mm; V = 0.449 m/s; falls in 0.449 √(2 × 0.00445 / g) = 13.5 mm,
    // less than the 152 mm that are open: all of what comes on to the grate's own 0.305 m of the 2 m.
    expect(told.depth).toBeCloseTo(0.00445, 4);
    expect(told.needed).toBeCloseTo(0.0135, 3);
    expect(told.share).toBeCloseTo(0.30475 / 2, 5);
    expect(plan.landings.high!.entering).toBeCloseTo(0.004 * told.share, 9);
    expect(plan.landings.basin!.entering).toBeCloseTo(0.004 * (1 - told.share), 9);
    expect(plan.landings.out!.passing).toBeCloseTo(0.004, 12);
    expect(codes(plan)).not.toContain('carriesOver');
  });

  it('is told when what runs past is led nowhere, and refused when it goes round', () => {
    const { passesTo: _next, ...alone } = high;
    expect(codes(planJob(job(ground(100, 'high'), alone, basin(), out(), second, pipe('basin'))))).toContain(
      'carriesOver',
    );
    const faults = jobFaults(job(high, basin({ passesTo: 'high' }), out()));
    expect(faults.map((fault) => fault.sentence).join()).toMatch(/passes water round/);
  });
});

it('two pipes side by side carry what one does twice', () => {
  const one = planJob(job(ground(300, 'basin'), basin(), out(), pipe('basin'))).runs.pipe!;
  const two = planJob(job(ground(600, 'basin'), basin(), out(), pipe('basin', { parallel: 2 }))).runs.pipe!;
  expect(two.capacity).toBeCloseTo(2 * one.capacity, 12);
  expect(two.depth).toBeCloseTo(one.depth, 12);
  expect(two.waterUp).toBeCloseTo(one.waterUp, 12);
});

it('an existing main is told near full, and without room', () => {
  const main = (used: number): string[] =>
    codes(
      planJob(
        job(
          ground(100, 'basin'),
          basin(),
          out({ form: 'main', groundLevel: -0.2, controlLevel: -1.5, mainCapacity: 0.02, mainUsed: used }),
          pipe('basin'),
        ),
      ),
    );
  expect(main(0.01)).not.toContain('mainFull');
  const plan = planJob(
    job(
      ground(100, 'basin'),
      basin(),
      out({ form: 'main', groundLevel: -0.2, controlLevel: -1.5, mainCapacity: 0.02, mainUsed: 0.018 }),
      pipe('basin'),
    ),
  );
  expect(plan.snags.find((snag) => snag.code === 'mainFull')).toMatchObject({ severity: 'stop' });
  expect(main(0.0155)).toContain('mainFull');
});

it('sizes the sample so that nothing is left to mend, once its cover lets the fall suffice', () => {
  const sample = quillfeather();
  expect(sizeJob(sample, planJob(sample))).toBeNull();
  const less = applyChange(
    sample,
    put('Less cover', { ...sample.elements.get('job')!, settings: { cover: 0.2794 } } as Element),
  ).job;
  const sizing = sizeJob(less, planJob(less))!;
  const sized = planJob(applyChange(less, sizing.best.change).job);
  expect(sized.snags.filter((snag) => snag.severity !== 'mind')).toEqual([]);
  for (const other of sizing.others) expect(other.cost).toBeGreaterThanOrEqual(sizing.best.cost);
});

it('a channel whose grate falls is judged against a sill by its upper end', () => {
  const channel = (more: object): Element =>
    ({
      id: 'channel',
      kind: 'channel',
      name: 'Channel',
      groundLevel: 0,
      width: 0.2,
      depth: 0.15,
      length: 10,
      slope: 0,
      sillLevel: 0.3,
      ...more,
    }) as Element;
  const left = (more: object): number =>
    (planJob(job(ground(50, 'channel'), channel(more), out(), pipe('channel'))).inlets.channel as { freeboard: number })
      .freeboard;
  expect(left({})).toBeCloseTo(0.3, 9);
  expect(left({ topSlope: 0.02 })).toBeCloseTo(0.3 - 0.02 * 10, 9);
});
