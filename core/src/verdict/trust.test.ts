/** Jobs that were told to hold and do not: each with other numbers beside, so that the rule is held and not the case. */
import { SURFACE_FACTS } from '../catalogue/surfaces';
import { put } from '../job/change';
import { changed } from '../job/change';
import type { Discharge, Element } from '../job/kinds';
import type { Job } from '../job/job';
import { fixOf } from '../design/fixes';
import { tellSnag } from '../snags/tell';
import { basin, channel, codes, face, ground, jobOf, out, pipe, rain, spout, withFields } from '../testing/parts';
import { told } from '../testing/told';
import { planJob, type Plan } from './planJob';

const IN = 0.0254;
const GPM = 6.309019640344e-5;
const G = 9.80665;

const snagOf = (plan: Plan, code: string) => plan.snags.find((snag) => snag.code === code);
const holds = ({ verdict }: Plan): boolean => verdict.state === 'holds' || verdict.state === 'mind';

describe('the laid level is judged', () => {
  // 4 in at 1 %, and with one pitch all of the line at that: −0.305 − 0.102 at the head, 76 m further 0.76 m lower, less the growth to 6 in.
  const line = (control: number, style: 'ground' | 'single'): Job =>
    jobOf(
      { id: 'job', kind: 'job', name: 'Line', units: 'metric', pitchStyle: style } as Element,
      ground(40, 'a'),
      basin({ id: 'a', groundLevel: 0 }),
      basin({ id: 'b', groundLevel: -0.3 }),
      basin({ id: 'c', groundLevel: -0.5 }),
      ground(20, 'b'),
      ground(20, 'c'),
      out({ groundLevel: control, bank: { length: 3, topLevel: -0.6 } }),
      pipe('a', { to: 'b', length: 20, nominal: 0.1016 }),
      pipe('b', { to: 'c', length: 28 }),
      pipe('c', { length: 28 }),
    );

  it('on one pitch, where half of the line could lie flatter by itself', () => {
    const plan = planJob(line(-1.15, 'single'));
    const end = plan.ends[0]!;
    expect(end.invert).toBeCloseTo(plan.runs['pipe-c']!.invertDown, 12);
    expect(end.invert).toBeLessThan(-1.15);
    expect(plan.verdict.state).toBe('stop');
    expect(codes(plan)).toContain('outOfFall');
    // The bar of the budget says the same as what is laid.
    expect(plan.budgets[0]!.left).toBeCloseTo(end.over, 9);
  });

  it.each(['ground', 'single'] as const)('along the %s: at the very level, and 1 cm above it', (style) => {
    const deep = planJob(line(-3, style)).budgets[0]!;
    const reached = deep.left - 3;
    expect(codes(planJob(line(reached - 0.001, style)))).not.toContain('outOfFall');
    expect(codes(planJob(line(reached + 0.01, style)))).toContain('outOfFall');
  });

  it('where an end is set by hand under it', () => {
    const job = withFields(line(-1.6, 'ground'), 'pipe-c', { grade: { type: 'levels', down: -1.75 } });
    const snag = snagOf(planJob(job), 'outOfFall')!;
    expect(snag.limit).toBeCloseTo(-0.15, 9);
    expect(told(job, 'outOfFall')).toMatch(/^Line A lacks .* of fall: it runs out .* before Swale\.$/);
    const fix = fixOf(job, planJob(job), snag)!;
    expect(codes(planJob(changed(job, fix.change)))).not.toContain('outOfFall');
  });
});

it('an end set by hand over the ground hangs in the air, bank or no bank', () => {
  const job = (down: number): Job =>
    jobOf(
      ground(30, 'basin'),
      basin(),
      out({ stone: true }),
      pipe('basin', { length: 8, grade: { type: 'levels', down } }),
    );
  expect(snagOf(planJob(job(-1)), 'hangsOut')).toMatchObject({ severity: 'fix', figure: expect.closeTo(0.5, 9) });
  expect(codes(planJob(job(-1.45)))).not.toContain('hangsOut');
  const fix = fixOf(job(-1), planJob(job(-1)), snagOf(planJob(job(-1)), 'hangsOut')!)!;
  expect(codes(planJob(changed(job(-1), fix.change)))).not.toContain('hangsOut');
});

describe('a main', () => {
  const main = (more: Partial<Discharge>, length = 10): Job =>
    jobOf(
      face(60, 'spout'),
      spout({ groundLevel: 0.3 }),
      out({
        form: 'main',
        name: 'Old main',
        groundLevel: 0,
        controlLevel: -0.3,
        mainDiameter: 0.2,
        mainPitch: 0.01,
        ...more,
      }),
      pipe('spout', { length, nominal: 0.1016 }),
    );

  it('is joined at its invert where the planned cover would lead under it', () => {
    const plan = planJob(main({}));
    expect(plan.ends[0]).toMatchObject({ over: expect.closeTo(0, 9), drop: 0 });
    expect(plan.runs['pipe-spout']!.cover).toBeGreaterThanOrEqual(0.1524);
    expect(holds(plan)).toBe(true);
    expect(plan.verdict.sentence).toMatch(/ to the main with /);
  });

  it('that lies higher than any cover allows is a Stop', () => {
    expect(codes(planJob(main({ controlLevel: -0.2 })))).toContain('outOfFall');
    expect(codes(planJob(main({ controlLevel: 0.1 }, 25)))).toContain('outOfFall');
  });

  it('that lies deep is come to by a drop, which is told and can be laid away', () => {
    const job = main({ controlLevel: -2.2, groundLevel: -0.2 });
    const plan = planJob(job);
    expect(plan.ends[0]!.drop).toBeCloseTo(plan.ends[0]!.invert + 2.2 - 0.2, 9);
    expect(told(job, 'dropAtMain')).toMatch(/^Line A comes in 1,\d\d\d mm above Old main\.$/);
    // Down to the main the trench is 2 m deep, wherever the line comes in.
    expect(snagOf(plan, 'deepTrench')).toMatchObject({ figure: expect.closeTo(2, 9) });
    const shallow = main({ controlLevel: -0.9 });
    const fix = fixOf(shallow, planJob(shallow), snagOf(planJob(shallow), 'dropAtMain')!)!;
    expect(planJob(changed(shallow, fix.change)).ends[0]!.drop).toBeCloseTo(0, 9);
  });

  it('stands as high as its size, pitch and load make it, unless somebody says how high', () => {
    const level = (more: Partial<Discharge>): number => planJob(main(more)).landings.out!.waterLevel!;
    // 8 in of old clay at 1 %: 0.2 m full holds (0.05^⅔ 0.1 / 0.015) 0.03142 = 28.4 L/s; half of that runs half full.
    expect(level({ mainUsed: 0.5 * 0.02843 - 60 * 4e-5 })).toBeCloseTo(-0.3 + 0.1, 2);
    expect(level({ mainUsed: 0.02, standingLevel: -0.05 })).toBeGreaterThanOrEqual(-0.05);
    expect(codes(planJob(main({ mainUsed: 0.03 })))).toContain('mainFull');
    expect(codes(planJob(main({ mainUsed: 0.02, mainDiameter: undefined, mainPitch: undefined })))).toContain(
      'mainUnknown',
    );
    const full = main({ mainUsed: 0.03 });
    expect(tellSnag(full, planJob(full), snagOf(planJob(full), 'mainFull')!).instead).toMatch(/another way out/);
  });

  it('whose depth nobody has said is a Stop, and no figure is made of it', () => {
    const plan = planJob(main({ controlLevel: undefined }));
    expect(codes(plan)).toContain('mainLevelMissing');
    expect(codes(plan)).not.toContain('outOfFall');
  });
});

describe('cover', () => {
  it.each([
    [12, -1.2, 'cars', 'singleWall', true],
    [18, -1, 'cars', 'doubleWall', true],
    [25, -0.8, 'turf', 'smooth', true],
  ] as const)(
    'over %d m of ground that falls to %d m, under %s on %s: short %s',
    (length, to, under, material, short) => {
      const open = under === 'cars' ? 36 * IN : 120 * IN;
      const job = jobOf(
        ground(40, 'basin'),
        basin(),
        out({ groundLevel: to, bank: { length: open, topLevel: (to * (length - open)) / length } }),
        pipe('basin', { length, under, material, nominal: 0.1016 }),
      );
      const plan = planJob(job);
      const run = plan.runs['pipe-basin']!;
      // By hand at the last place asked, straight ground and a straight crown.
      const at = length - run.comesOutOver;
      const cover = (to * at) / length - (run.crownUp + ((run.crownDown - run.crownUp) * at) / length);
      expect(run.cover).toBeCloseTo(Math.min(-run.crownUp, cover), 9);
      expect(codes(plan).includes('coverShort')).toBe(short);
    },
  );

  it('is kept by an end laid as low as what takes the water lets it, and over the bank it is not asked', () => {
    const job = (more: Partial<Discharge>): Job =>
      jobOf(
        ground(40, 'basin'),
        basin(),
        out({ groundLevel: -1, ...more }),
        pipe('basin', { length: 15, nominal: 0.1016 }),
      );
    // Ground that falls evenly, 3.048 m before its end.
    const even = { length: 3.048, topLevel: (-1 * (15 - 3.048)) / 15 };
    expect(codes(planJob(job({ bank: even })))).toContain('coverShort');
    expect(codes(planJob(job({ bank: even, controlLevel: -1.4 })))).not.toContain('coverShort');
    expect(codes(planJob(job({ bank: { length: 2, topLevel: -0.2 } })))).not.toContain('coverShort');
    expect(planJob(job({ bank: { length: 2, topLevel: 1 } })).runs['pipe-basin']!.trenchDepth).toBeGreaterThan(1.5);
  });
});

describe('an inlet is one hydraulic thing', () => {
  const drain = (gpm: number, nominal = 3 * IN): Plan =>
    planJob(
      jobOf(
        ground((gpm * GPM) / 4e-5, 'channel'),
        channel({ width: 4 * IN, depth: 4 * IN, length: 8 }),
        out(),
        pipe('channel', { nominal }),
      ),
    );

  it('a channel’s water starts from the head of its hole', () => {
    // A 3 in hole in the floor: 60 gpm is 3.785 L/s, (0.003785 / (0.6 × 0.00456))² / 2g = 0.0976 m, of 0.1016 m that there are.
    const { profile } = drain(60).inlets.channel as { profile: { depths: number[] } };
    expect(profile.depths.at(-1)).toBeCloseTo((0.003785412 / (0.6 * 0.004560367)) ** 2 / (2 * G), 4);
    expect(codes(drain(60))).toContain('channelOvertops');
    expect(codes(drain(56))).toContain('channelOvertops');
    expect(codes(drain(50))).not.toContain('channelOvertops');
    expect(codes(drain(60, 4 * IN))).not.toContain('channelOvertops');
  });

  it('a channel under its pipe stands full, and is told; left to itself its pipe starts under its floor', () => {
    const job = jobOf(ground(20, 'channel'), channel({ depth: 0.5 }), out({ groundLevel: -1.4 }), pipe('channel'));
    expect(planJob(job).landings.channel!.crown!).toBeLessThanOrEqual(-0.5);
    const high = withFields(job, 'pipe-channel', { grade: { type: 'levels', up: -0.42 } });
    expect(snagOf(planJob(high), 'channelHolds')).toMatchObject({ severity: 'fix', figure: expect.closeTo(0.08, 9) });
    expect(fixOf(high, planJob(high), snagOf(planJob(high), 'channelHolds')!)).not.toBeNull();
  });

  it('over a drowned grate water stands on the line by the grate’s own head', () => {
    const job = (standingLevel: number): Job =>
      jobOf(ground(60, 'basin'), basin({ sillLevel: 0.6 }), out({ standingLevel }), pipe('basin', { length: 5 }));
    const inlet = planJob(job(0.3)).inlets.basin as { freeboard: number; ponding: number };
    const line = planJob(job(0.3)).landings.basin!.waterLevel!;
    expect(line).toBeGreaterThan(0.3);
    expect(inlet.freeboard).toBeCloseTo(0.6 - line - inlet.ponding, 9);
  });

  it('a downspout’s foot loses head as any entry does', () => {
    const plan = planJob(
      jobOf(face(100, 'spout'), spout(), out({ groundLevel: -1 }), pipe('spout', { nominal: 0.1016 })),
    );
    const run = plan.runs['pipe-spout']!;
    const half = Math.acos(1 - (2 * (run.waterUp - run.invertUp)) / run.diameter);
    const area = ((half - Math.sin(half) * Math.cos(half)) * run.diameter ** 2) / 4;
    expect(plan.landings.spout!.waterLevel! - run.waterUp).toBeCloseTo((1.5 * (run.flow / area) ** 2) / (2 * G), 6);
  });

  it('gutters are tried in the rarer rain too', () => {
    const job = jobOf(
      rain({
        openings: { returnPeriod: 100, intensity: 7e-5 },
        source: { type: 'own', place: 'Here', returnPeriod: 10 },
      }),
      face(100, 'spout'),
      spout(),
      basin({ sillLevel: 0.5 }),
      ground(20, 'basin'),
      out(),
      pipe('spout', { nominal: 0.1524 }),
      pipe('basin'),
    );
    const snag = snagOf(planJob(job), 'gutterSpills')!;
    expect(snag).toMatchObject({ severity: 'mind', at: 'spout', years: 100 });
    // 100 m² at 7e-5 m/s less what a hole of 12 in² takes under 3 in: 0.6 × 0.007742 × √(2 g 0.0762) = 5.68 L/s.
    expect(snag.figure).toBeCloseTo(7e-3 - 0.6 * 12 * IN ** 2 * Math.sqrt(2 * G * 0.0762), 6);
    const spilling = withFields(job, 'spout', { spillsTo: 'basin' });
    expect(codes(planJob(spilling))).not.toContain('gutterSpills');
  });
});

describe('a pop-up', () => {
  const yard = (lid: number, more: Partial<Discharge> = {}, length = 20): Job =>
    jobOf(
      ground(30, 'basin'),
      basin(),
      out({ form: 'popup', groundLevel: lid, ...more }),
      pipe('basin', { length, nominal: 0.1016, grade: { type: 'levels', up: -0.5, down: -0.9 } }),
    );

  it.each([
    [-0.5, 0.4, 20],
    [-0.7, 0.2, 10],
    [-0.8, 0.1, 5],
  ])('with its lid at %d m over a foot at −0.9 m holds %d m of water over %d m', (lid, depth, length) => {
    const snag = snagOf(planJob(yard(lid)), 'popupHolds')!;
    expect(snag.figure).toBeCloseTo(depth, 9);
    expect(snag.length).toBeCloseTo(length, 6);
    expect(told(yard(lid), 'popupHolds')).toMatch(/with nothing to drain it\.$/);
  });

  it('whose foot lies at its lid holds nothing', () => expect(codes(planJob(yard(-0.9)))).not.toContain('popupHolds'));

  it('drains through what is under it: soil and area say how soon', () => {
    const { volume } = planJob(yard(-0.7)).standing.out!;
    const leach = (area: number, soil: 'sand' | 'loam' | 'clay') =>
      yard(-0.7, { drain: { type: 'leach', area, soil } });
    expect(planJob(leach(0.5, 'loam')).standing.out!.drainTime).toBeCloseTo(volume / (4e-6 * 0.5), 6);
    expect(codes(planJob(leach(0.5, 'loam')))).not.toContain('popupHolds');
    expect(snagOf(planJob(leach(0.5, 'clay')), 'popupHolds')).toMatchObject({ severity: 'fix' });
    // A tenth of the area takes ten times as long: more than a day, and less than three.
    expect(snagOf(planJob(leach(0.12, 'loam')), 'popupHolds')).toMatchObject({ severity: 'mind' });
    const fix = fixOf(yard(-0.7), planJob(yard(-0.7)), snagOf(planJob(yard(-0.7)), 'popupHolds')!)!;
    expect(codes(planJob(changed(yard(-0.7), fix.change)))).not.toContain('popupHolds');
  });

  it('is told when a drip keeps it full, and is not blamed where the pipe is too small', () => {
    const drip = {
      id: 'drip',
      kind: 'fixedFlow',
      name: 'Drip',
      flow: 1e-5,
      feeds: [{ to: 'basin', share: 1 }],
    } as Element;
    expect(snagOf(planJob(changed(yard(-0.7), put('Drip', drip))), 'popupHolds')).toMatchObject({ fed: true });
    const small = planJob(withFields(yard(-0.7), 'ground-basin', { area: 900 }));
    expect(codes(small)).toContain('waterOverGrate');
    expect(codes(small)).not.toContain('lidAboveInlet');
    expect(codes(planJob(yard(0.1)))).toContain('lidAboveInlet');
  });
});

it('several pipes into one way out do not drown each other, and each ends at its own level', () => {
  const trunk = [ground(700, 'basin'), basin({ grate: 'flat24', count: 4 }), pipe('basin', { nominal: 0.3048 })];
  const small = [face(3, 'spout'), spout({ groundLevel: 0.2 }), pipe('spout', { nominal: 0.0762 })];
  const alone = planJob(jobOf(...trunk, out()));
  const both = planJob(jobOf(...trunk, ...small, out()));
  expect(both.landings.basin!.waterLevel).toBeCloseTo(alone.landings.basin!.waterLevel!, 12);
  expect(both.landings.spout!.waterLevel).toBeCloseTo(planJob(jobOf(...small, out())).landings.spout!.waterLevel!, 12);
  expect(both.runs['pipe-basin']!.invertDown).toBeCloseTo(-1.5, 9);
  expect(both.runs['pipe-spout']!.invertDown).toBeCloseTo(-1.5, 9);
});

describe('speed', () => {
  const steep = (length: number): Plan =>
    planJob(
      jobOf(
        ground(260, 'basin'),
        basin({ grate: 'flat24' }),
        out({ groundLevel: -0.5 - 0.6 * length, stone: true, bank: { length, topLevel: 0 } }),
        pipe('basin', { length, nominal: 0.1016 }),
      ),
    );

  it('over 15 ft/s is a Stop, and a stub shorter than its drawdown does not come to it', () => {
    expect(snagOf(steep(12), 'velocityHigh')).toMatchObject({ severity: 'stop' });
    const stub = steep(0.6).runs['pipe-basin']!;
    expect(stub.topVelocity).toBeLessThan(0.7 * stub.velocity);
    expect(snagOf(steep(0.6), 'velocityHigh')?.severity).not.toBe('stop');
    // Whatever else is set, what stops stops.
    const strict = {
      id: 'job',
      kind: 'job',
      name: 'Strict',
      units: 'metric',
      pitchStyle: 'ground',
      settings: { stopVelocity: 0.5 },
    };
    const slow = jobOf(strict as Element, ground(60, 'basin'), basin(), out({ stone: true }), pipe('basin'));
    expect(snagOf(planJob(slow), 'velocityHigh')).toMatchObject({ severity: 'stop', limit: 0.5 });
    // The longer the nearer to the speed of a pipe without end, and never beyond.
    const speeds = [0.3, 1, 3, 9].map((length) => steep(length).runs['pipe-basin']!.topVelocity);
    speeds.slice(1).forEach((speed, k) => expect(speed).toBeGreaterThan(speeds[k]!));
  });

  it('at a way out asks for the stone of the pipe that needs most, one of several side by side', () => {
    const fast = [ground(70, 'fast'), basin({ id: 'fast' }), pipe('fast', { nominal: 0.1016, length: 12 })];
    const large = [
      ground(700, 'large'),
      basin({ id: 'large', grate: 'flat24', count: 3 }),
      pipe('large', { nominal: 0.1524, length: 40 }),
    ];
    const stone = (...elements: Element[]): number =>
      snagOf(planJob(jobOf(...elements, out({ groundLevel: -2.6 }))), 'stoneMissing')!.stone!;
    expect(stone(...large, ...fast)).toBeCloseTo(Math.max(stone(...large), stone(...fast)), 12);
    const [, , one] = large;
    const two = planJob(jobOf(...large.slice(0, 2), { ...one, parallel: 2 } as Element, out({ groundLevel: -2.6 })));
    // 28 L/s in two pipes: half the flow each asks for 2^(4/3) less, and then the speed rules (Isbash, by hand).
    const { stone: less, figure: speed } = snagOf(two, 'stoneMissing')!;
    expect(less!).toBeGreaterThan(stone(...large) / 2 ** (4 / 3));
    expect(less!).toBeCloseTo(speed ** 2 / (2 * G * 0.86 ** 2 * 1.65), 9);
  });
});

it('the design flow never falls down a line that nothing joins, however slow it runs', () => {
  const table = { durations: [300, 600, 3600], intensities: [4e-5, 2.2e-5, 0.5e-5] };
  const plan = planJob(
    jobOf(
      rain({ table }),
      ground(100, 'a'),
      basin({ id: 'a' }),
      basin({ id: 'b', groundLevel: -0.4 }),
      basin({ id: 'c', groundLevel: -0.8 }),
      out({ groundLevel: -4 }),
      pipe('a', { to: 'b', length: 60, nominal: 0.3048 }),
      pipe('b', { to: 'c', length: 60, nominal: 0.3048 }),
      pipe('c', { length: 60, nominal: 0.3048 }),
    ),
  );
  const flows = ['a', 'b', 'c'].map((id) => plan.runs[`pipe-${id}`]!.flow);
  expect(flows).toEqual([flows[0], flows[0], flows[0]]);
});

it('sheet flow takes its time under the rain that the job uses, not under the table’s own', () => {
  const table = { durations: [300, 3600, 7200], intensities: [8e-5, 2e-5, 1e-5] };
  const slow = { sheet: { length: 25, slope: 0.01, roughness: 0.15 } };
  const time = (intensity: number): number =>
    planJob(jobOf(rain({ table, intensity }), ground(100, 'basin', slow), basin(), out(), pipe('basin'))).sources
      .contributingAreas[0]!.time;
  // Half the rain at every duration: the sheet is slower.
  expect(time(4e-5)).toBeGreaterThan(time(8e-5) * 1.2);
});

it('needs no rain for what always runs', () => {
  const drip: Element = { id: 'drip', kind: 'fixedFlow', name: 'Sump', flow: 5e-4, feeds: [{ to: 'basin', share: 1 }] };
  const dry = changed(jobOf(basin(), out(), pipe('basin'), drip), { puts: [], removes: ['rain'] });
  expect(codes(planJob(dry))).not.toContain('noRain');
  const roofed = changed(dry, put('Roof', face(50, 'basin')));
  expect(codes(planJob(roofed))).toContain('noRain');
  expect(SURFACE_FACTS.roof.usual).toBeGreaterThan(0.9);
});

it.each([
  ['wye', { id: 'x', kind: 'junction', form: 'wye', name: 'X', groundLevel: 0 }],
  ['tee', { id: 'x', kind: 'junction', form: 'tee', name: 'X', groundLevel: 0 }],
  ['basin', basin({ id: 'x' })],
  ['channel', channel({ id: 'x' })],
] as [string, Element][])('a %s that nothing leads to is told', (_, lonely) => {
  const job = jobOf(lonely, out(), pipe('x'));
  expect(codes(planJob(job))).toContain('nothingLeads');
  expect(codes(planJob(changed(job, put('Water', ground(20, 'x')))))).not.toContain('nothingLeads');
});

it('water that stands in the swale is spoken of once it reaches the pipe', () => {
  const swale = (standingLevel: number): string[] =>
    codes(planJob(jobOf(ground(20, 'basin'), basin(), out({ standingLevel }), pipe('basin'))));
  expect(swale(-1.51)).not.toContain('standsInPipe');
  expect(swale(-1.45)).toContain('standsInPipe');
});

it('a channel whose outlets lie on one another is planned without a NaN', () => {
  const plan = planJob(
    jobOf(ground(50, 'channel'), channel({ outlet: [0, 5e-324, 1] }), out(), pipe('channel', { nominal: 0.1016 })),
  );
  expect(JSON.stringify(plan.inlets)).not.toMatch(/null,null|NaN/);
  const { profile } = plan.inlets.channel as { profile: { outlets: { flow: number }[]; depths: number[] } };
  expect(profile.outlets.reduce((sum, { flow }) => sum + flow, 0)).toBeCloseTo(50 * 4e-5, 12);
  expect(profile.depths.every(Number.isFinite)).toBe(true);
});
