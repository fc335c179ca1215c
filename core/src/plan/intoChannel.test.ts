/** A line that ends in the upper end of a channel drain, and runs on through it. */
import fc from 'fast-check';
import { channelProfile } from '../hydraulics/channelDrain';
import { shapeOf } from '../hydraulics/channelSection';
import { jobFaults } from '../job/faults';
import type { Element } from '../job/kinds';
import { basin, channel, codes, face, ground, jobOf, out, pipe, rain, spout, withFields } from '../testing/parts';
import { planJob } from '../verdict/planJob';

const G = 9.80665;
const DRAIN = { width: 0.15, depth: 0.2, length: 8, slope: 0, roughness: 0.011 };

describe('a channel through which a pipe’s water runs', () => {
  it('stands at its closed end as momentum says, on a flat bed without friction', () => {
    // Between its ends nothing pushes but water: Q²/(gA) + A y/2 is the same at both (Chow 1959, 12-4), for any q and Q.
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 0.006, noNaN: true }),
        fc.double({ min: 0.0001, max: 0.0008, noNaN: true }),
        (through, q) => {
          const { depths } = channelProfile({ ...DRAIN, roughness: 1e-6, lateralInflow: q, through });
          const push = (flow: number, y: number): number =>
            flow ** 2 / (G * DRAIN.width * y) + (DRAIN.width * y * y) / 2;
          const [head, foot] = [depths[0]!, depths.at(-1)!];
          expect(push(through, head) / push(through + q * DRAIN.length, foot)).toBeCloseTo(1, 2);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('stands as a longer channel does along its last metres, where that gathers on the way what the pipe brings', () => {
    const q = 0.0005;
    for (const slope of [0, 0.002, 0.005]) {
      const longer = channelProfile({ ...DRAIN, slope, length: 14, depth: 1, lateralInflow: q });
      const own = channelProfile({ ...DRAIN, slope, depth: 1, lateralInflow: q, through: 6 * q });
      own.stations.forEach((x, k) => {
        // At the fall itself the water turns down within a hand’s breadth: stations apart say nothing there.
        if (x > 7.8) return;
        const at = longer.stations.findIndex((station) => station >= x + 6 - 1e-9);
        const [a, b] = [Math.max(0, at - 1), at];
        const share = at === 0 ? 0 : (x + 6 - longer.stations[a]!) / (longer.stations[b]! - longer.stations[a]! || 1);
        const there = longer.depths[a]! + share * (longer.depths[b]! - longer.depths[a]!);
        expect(Math.abs(own.depths[k]! - there)).toBeLessThan(0.0006);
      });
    }
  });

  it('never stands lower for more through it, and falls free at critical depth for all that it carries', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.004, noNaN: true }),
        fc.double({ min: 0, max: 0.004, noNaN: true }),
        fc.constantFrom(0, 0.003, 0.01, 0.03),
        (less, more, slope) => {
          const at = (through: number) => channelProfile({ ...DRAIN, slope, lateralInflow: 0.0003, through });
          const [a, b] = [at(Math.min(less, more)), at(Math.max(less, more))];
          expect(b.maxDepth).toBeGreaterThanOrEqual(a.maxDepth - 2e-4);
          if (slope === 0)
            expect(b.depths.at(-1)).toBeCloseTo(
              shapeOf('flat', DRAIN.width).critical(Math.max(less, more) + 0.0024),
              6,
            );
        },
      ),
      { numRuns: 60 },
    );
  });
});

/** A roof trunk into the head of a courtyard channel, on to daylight. */
const courtyard = (area: number, by: object = {}, pipeBy: object = {}): ReturnType<typeof jobOf> =>
  jobOf(
    rain(),
    face(area, 'spout'),
    spout({ groundLevel: 0.3 }),
    { ...out({ id: 'head', form: 'channel', groundLevel: 0, stone: undefined } as never), into: 'channel' } as Element,
    pipe('spout', { to: 'head', length: 6, nominal: 0.1016, ...pipeBy }),
    ground(40, 'channel'),
    {
      ...channel({ id: 'channel', groundLevel: -0.15 }),
      width: 0.2,
      depth: 0.25,
      length: 8,
      slope: 0.005,
      ...by,
    } as Element,
    out({ stone: true, groundLevel: -1.2 }),
    pipe('channel', { nominal: 0.2032, length: 15 }),
  );

describe('a roof trunk through a channel', () => {
  it('loads the channel and the line below it with the roof’s water', () => {
    const [without, through] = [planJob(courtyard(0.001)), planJob(courtyard(120))];
    const inlet = (plan: typeof through) =>
      plan.inlets.channel as Extract<(typeof plan.inlets)[string], { kind: 'channel' }>;
    const brought = through.landings.head!.passing;
    expect(brought).toBeGreaterThan(0.002);
    expect(inlet(through).through).toBeCloseTo(brought, 9);
    expect(inlet(through).taken).toBeCloseTo(inlet(without).taken + brought, 4);
    expect(inlet(through).profile.maxDepth).toBeGreaterThan(inlet(without).profile.maxDepth);
    expect(through.runs['pipe-channel']!.flow).toBeCloseTo(inlet(through).taken, 9);
    // All that goes out at its outlets is what came in.
    expect(inlet(through).profile.outlets.reduce((sum, { flow }) => sum + flow, 0)).toBeCloseTo(
      inlet(through).taken,
      9,
    );
    expect(through.verdict.state).not.toBe('stop');
  });

  it('comes in between its bed and its grate, and the channel’s water stands against it', () => {
    const plan = planJob(courtyard(120));
    const run = plan.runs['pipe-spout']!;
    const bed = -0.15 - (0.25 - 0.005 * 8);
    expect(run.invertDown).toBeGreaterThanOrEqual(bed - 1e-9);
    expect(run.invertDown + run.diameter).toBeLessThanOrEqual(-0.15 + 1e-9);
    const inlet = plan.inlets.channel as Extract<(typeof plan.inlets)[string], { kind: 'channel' }>;
    expect(plan.landings.head!.waterLevel!).toBeGreaterThanOrEqual(inlet.headLevel - 1e-9);
  });

  it('is too much for a narrow one, which says so', () => {
    expect(codes(planJob(courtyard(400, { width: 0.1, depth: 0.15 })))).toContain('channelOvertops');
    expect(codes(planJob(courtyard(0.001, { width: 0.1, depth: 0.15 })))).not.toContain('channelOvertops');
  });

  it('wants a channel as deep as the pipe, and to be told which', () => {
    expect(codes(planJob(courtyard(40, { depth: 0.12 })))).toContain('pipeOverChannel');
    expect(codes(planJob(courtyard(40)))).not.toContain('pipeOverChannel');
    const unsaid = jobOf(face(40, 'spout'), spout(), out({ form: 'channel' }), pipe('spout'));
    expect(codes(planJob(unsaid))).toContain('channelUnsaid');
  });

  it('comes under the paving, whatever bank was typed while it was another way out', () => {
    const banked = withFields(courtyard(60), 'head', { bank: { length: 3, topLevel: -0.6 } });
    expect(codes(planJob(banked))).toEqual(codes(planJob(courtyard(60))));
  });

  it('never goes round', () => {
    const round = jobOf(
      { ...out({ id: 'head', form: 'channel' }), into: 'channel' } as Element,
      channel({ id: 'channel' }),
      pipe('channel', { to: 'head' }),
    );
    expect(
      jobFaults(round)
        .map(({ sentence }) => sentence)
        .join(),
    ).toMatch(/loop of pipes/);
    expect(planJob(round).verdict.state).toBe('stop');
  });
});

it('a basin’s line through a channel is asked for what the channel stands to, and no more', () => {
  const through = (depth: number) =>
    planJob(
      jobOf(
        rain(),
        ground(60, 'basin'),
        basin({ groundLevel: 0.4 }),
        { ...out({ id: 'head', form: 'channel' }), into: 'channel' } as Element,
        pipe('basin', { to: 'head', length: 10, nominal: 0.1016 }),
        { ...channel({ id: 'channel', groundLevel: -0.05 }), width: 0.2, depth, length: 6, slope: 0 } as Element,
        out({ groundLevel: -1.2, stone: true }),
        pipe('channel', { nominal: 0.2032, length: 12 }),
      ),
    );
  const [shallow, deep] = [through(0.14), through(0.3)];
  expect(deep.landings.head!.waterLevel!).toBeLessThan(shallow.landings.head!.waterLevel!);
});
