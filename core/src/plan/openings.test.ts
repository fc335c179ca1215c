import fc from 'fast-check';
import { applyChange } from '../job/change';
import type { Job } from '../job/job';
import { told } from '../testing/told';
import { planJob } from '../verdict/planJob';
import { fixOf } from '../design/fixes';
import { basin, channel, codes, ground, jobOf, out, pipe, rain, withFields } from '../testing/parts';

const hundred = { returnPeriod: 100, intensity: 8e-5 };

describe('a sill in the rarer rain', () => {
  // 8 L/s in the design rain stand 0.0397 m over a 12 in grate half clogged. The 100-year rain gives 16 L/s, and no more for Cf, as C is 1 already:
  // (0.016 / (1.66 × 0.6095))^⅔ = 0.0630 m as a weir, and (0.016 / (0.67 × 0.0200))² / 2g = 0.0727 m as an orifice, which governs.
  const job = (more: object): Job =>
    jobOf(
      rain({ openings: hundred }),
      ground(200, 'basin'),
      basin({ spillLevel: 1, ...more }),
      out(),
      pipe('basin', { nominal: 0.2032 }),
    );

  it('is judged by that rain as well', () => {
    const orifice = (0.016 / (0.67 * 62 * 0.0254 ** 2 * 0.5)) ** 2 / (2 * 9.80665);
    const plan = planJob(job({ sillLevel: 0.2 }));
    expect(plan.openings).toMatchObject({ returnPeriod: 100, intensity: 8e-5 });
    expect(plan.openings!.freeboards.basin).toBeCloseTo(0.2 - orifice, 6);
    expect(codes(plan)).not.toContain('openingFloods');
  });

  it('that floods only then is a Stop that names the rain', () => {
    const low = job({ sillLevel: 0.07, groundLevel: -0.05 });
    expect(codes(planJob(low))).not.toContain('openingFloods');
    const lower = job({ sillLevel: 0.06, groundLevel: 0 });
    // Nearer than the margin in the design rain already: told once, by that.
    expect(codes(planJob(lower))).toContain('nearOpening');
    expect(codes(planJob(lower))).not.toContain('openingFloods');
    const slackMargin = withFields(lower, 'job', { settings: { openingMargin: 0.01 } });
    expect(planJob(slackMargin).verdict.state).toBe('stop');
    expect(told(slackMargin, 'openingFloods')).toMatch(
      /^In the 100-year rain water stands 13 mm over the sill at Basin\.$/,
    );
  });

  it('is saved by ground that leads the excess off below it', () => {
    const base = job({ sillLevel: 0.06, spillLevel: 0.03 });
    // 200 m² at 8e-5 m/s: 16 L/s over 10 ft of ground, (0.016 / (1.7 × 3.048))^⅔ = 0.0212 m over it.
    expect(planJob(base).openings!.freeboards.basin).toBeCloseTo(0.03 - 0.0212, 4);
    const longer = job({ sillLevel: 0.06, spillLevel: 0.03, spillLength: 30 });
    expect(planJob(longer).openings!.freeboards.basin).toBeCloseTo(0.03 - (0.016 / 51) ** (2 / 3), 9);
  });

  it('without such a rain is minded, and without a sill nothing is asked', () => {
    expect(codes(planJob(jobOf(ground(50, 'basin'), basin({ sillLevel: 0.5 }), out(), pipe('basin'))))).toContain(
      'openingRainMissing',
    );
    expect(codes(planJob(jobOf(ground(50, 'basin'), basin(), out(), pipe('basin'))))).not.toContain(
      'openingRainMissing',
    );
    expect(
      planJob(jobOf(rain({ openings: hundred }), ground(50, 'basin'), basin(), out(), pipe('basin'))).openings,
    ).toBeNull();
  });

  it('raises the water at a channel by what overtops it, and counts Cf of a rare storm', () => {
    const paving = ground(100, 'channel', { coefficient: 0.8 });
    const plan = planJob(
      jobOf(
        rain({ openings: hundred }),
        paving,
        channel({ sillLevel: 0.3 }),
        out(),
        pipe('channel', { nominal: 0.2032 }),
      ),
    );
    const alone = planJob(
      jobOf(
        rain({ intensity: 8e-5 }),
        { ...paving, coefficient: 1 },
        channel(),
        out(),
        pipe('channel', { nominal: 0.2032 }),
      ),
    );
    const inlet = alone.inlets.channel!;
    expect(inlet.kind === 'channel' && plan.openings!.freeboards.channel).toBeCloseTo(
      0.3 - (inlet.kind === 'channel' ? inlet.profile.over : NaN),
      9,
    );
  });
});

describe('one blocked grate', () => {
  const job = (more: object): Job =>
    jobOf(rain({ openings: hundred }), ground(100, 'basin'), basin({ sillLevel: 0.2, ...more }), out(), pipe('basin'));

  it('floods a sill when nothing else is known to carry the water off', () => {
    expect(told(job({}), 'blockedGrate')).toBe('Full of leaves, Basin fills to the sill it protects.');
    expect(planJob(job({})).snags.find((snag) => snag.code === 'blockedGrate')).toMatchObject({
      severity: 'mind',
      at: 'basin',
    });
  });

  it('does not when the ground leads it off far enough below, and is told how near when not', () => {
    expect(codes(planJob(job({ spillLevel: 0.1 })))).not.toContain('blockedGrate');
    // Over an edge without end water stands at the level of its ground.
    const endless = 1000;
    expect(told(job({ spillLevel: 0.15, spillLength: endless }), 'blockedGrate')).toMatch(
      /comes within 50 mm of its sill/,
    );
    expect(told(job({ spillLevel: 0.25, spillLength: endless }), 'blockedGrate')).toMatch(/stands 50 mm over its sill/);
    // 4 L/s over the usual 10 ft of it: (0.004 / (1.7 × 3.048))^⅔ = 8.4 mm more.
    expect(told(job({ spillLevel: 0.15 }), 'blockedGrate')).toMatch(/comes within 42 mm of its sill/);
    expect(codes(planJob(job({ spillLevel: 0.122 })))).toContain('blockedGrate');
    expect(codes(planJob(job({ spillLevel: 0.122, spillLength: endless })))).not.toContain('blockedGrate');
  });

  it('is mended by a second one, which takes the flow by itself', () => {
    const now = job({});
    const plan = planJob(now);
    const fix = fixOf(
      now,
      plan,
      plan.snags.find((snag) => snag.code === 'blockedGrate')!,
    )!;
    expect(fix.label).toBe('Set 2 of this grate');
    expect(codes(planJob(applyChange(now, fix.change).job))).not.toContain('blockedGrate');
  });

  it('matters not on a slope, where water runs past', () => {
    expect(codes(planJob(job({ approach: { slope: 0.03, roughness: 0.012 } })))).not.toContain('blockedGrate');
  });
});

it('says that a sill floods, and not by feet, where the pipe is under pressure: water in the open has run off by then', () => {
  const job = jobOf(
    rain({ intensity: 2e-5, openings: hundred }),
    ground(400, 'basin', { coefficient: 0.5 }),
    basin({ sillLevel: 0.3, grate: 'flat24' }),
    out(),
    pipe('basin', { nominal: 0.1016 }),
  );
  expect(planJob(job).landings.basin!.waterLevel).toBeLessThan(0.2);
  expect(planJob(job).openings!.freeboards.basin).toBeCloseTo(-0.1524, 9);
  expect(told(job, 'openingFloods')).toMatch(/stands 152 mm or more over the sill/);
});

describe('the verdict', () => {
  const job = (sillLevel: number): Job =>
    jobOf(
      rain({
        openings: { returnPeriod: 100, intensity: 8e-5 },
        source: { type: 'own', place: 'Here', returnPeriod: 10 },
      }),
      ground(100, 'basin', { coefficient: 0.7 }),
      basin({ sillLevel, spillLevel: sillLevel + 0.2, count: 2, grate: 'flat18' }),
      out({ stone: true }),
      pipe('basin', { nominal: 0.1524, grade: { type: 'pitch', pitch: 0.02 } }),
    );

  it('says that openings stay dry, once they were checked', () => {
    expect(planJob(job(0.2)).verdict.sentence.replaceAll('\u00a0', ' ')).toMatch(
      /^Carries the 10-year rain to the swale with \d+ mm of fall to spare, for pitch alone; openings stay dry in the 100-year\.$/,
    );
  });

  it('says what is carried before what is not', () => {
    const tight = withFields(job(0.015), 'job', { settings: { openingMargin: 0.001 } });
    const { state, sentence, at } = planJob(tight).verdict;
    expect({ state, at }).toEqual({ state: 'stop', at: 'basin' });
    expect(sentence.replaceAll('\u00a0', ' ')).toMatch(
      /^Carries the 10-year rain; in the 100-year rain water stands \d+ mm over the sill at Basin\.$/,
    );
  });
});

it('never leaves more to a sill in more rain, nor less with a lower way off', () => {
  const given = fc.record({
    area: fc.double({ min: 5, max: 800, noNaN: true }),
    sill: fc.double({ min: 0.01, max: 0.6, noNaN: true }),
    factor: fc.double({ min: 1, max: 3, noNaN: true }),
    spill: fc.double({ min: -0.1, max: 0.6, noNaN: true }),
    isChannel: fc.boolean(),
  });
  fc.assert(
    fc.property(given, ({ area, sill, factor, spill, isChannel }) => {
      const left = (times: number, spillLevel?: number): number => {
        const inlet = isChannel
          ? channel({ sillLevel: sill, ...(spillLevel === undefined ? {} : { spillLevel }) })
          : basin({ sillLevel: sill, ...(spillLevel === undefined ? {} : { spillLevel }) });
        return planJob(
          jobOf(
            rain({ openings: { returnPeriod: 100, intensity: 4e-5 * times } }),
            ground(area, inlet.id),
            inlet,
            out(),
            pipe(inlet.id),
          ),
        ).openings!.freeboards[inlet.id]!;
      };
      expect(left(factor)).toBeLessThanOrEqual(left(1) + 1e-9);
      expect(left(factor, spill)).toBeGreaterThanOrEqual(left(factor) - 1e-9);
      expect(left(factor, spill - 0.05)).toBeGreaterThanOrEqual(left(factor, spill) - 1e-9);
    }),
    { numRuns: 60 },
  );
});
