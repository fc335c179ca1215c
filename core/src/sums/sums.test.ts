import { brimfulInflow } from '../hydraulics/channelCapacity';
import fc from 'fast-check';
import { CASES, check } from '../verification/cases';
import { readGiven, sumOf, SUMS } from './index';

it.each(CASES.map((each, k) => [`${k + 1} ${each.sum}`, each] as const))('case %s', (_, each) => {
  for (const { quantity, wanted, got, difference } of check(each)) {
    if (difference > each.tolerance)
      throw new Error(`${quantity}: ${String(got)} instead of ${String(wanted)} (${each.source})`);
  }
});

const out = (name: string, given: object): Record<string, number> => {
  const result = sumOf(name, given);
  if (!result.ok) throw new Error(`${result.error.field} ${result.error.sentence}`);
  return result.out as Record<string, number>;
};

const pipe = { diameter: 0.2, slope: 0.01, roughness: 0.012 };

describe('what cannot be', () => {
  it.each([
    ['pipe.full', '{"diameter": 0, "slope": 0.01, "roughness": 0.01}', 'diameter'],
    ['pipe.full', '{"diameter": 0.1, "slope": 0, "roughness": 0.01}', 'slope'],
    ['pipe.full', '{"diameter": NaN, "slope": 0.01, "roughness": 0.01}', 'diameter'],
    ['pipe.full', '{"diameter": Infinity, "slope": 0.01, "roughness": 0.01}', 'diameter'],
    ['pipe.full', '{"diameter": 0.1, "slope": 0.01}', 'roughness'],
    ['pipe.full', '{"diameter": 0.1, "slope": 0.01, "roughness": 0.01, "colour": 1}', 'colour'],
    ['pipe.normalDepth', '{"diameter": 0.1, "slope": 0.01, "roughness": 0.01, "flow": -1}', 'flow'],
    ['rain.intensity', '{"durations": [], "intensities": [], "duration": 300}', 'durations'],
    ['rain.intensity', '{"durations": [600, 300], "intensities": [1e-5, 2e-5], "duration": 300}', 'durations'],
    ['rain.intensity', '{"durations": [300, 600], "intensities": [1e-5], "duration": 300}', 'intensities'],
    [
      'section.normalDepth',
      '{"bottomWidth": 0, "sideSlopeLeft": 0, "sideSlopeRight": 0, "slope": 0.01, "roughness": 0.03, "flow": 1}',
      'bottomWidth',
    ],
    ['inlet.sagDepth', '{"weirLength": 1, "openArea": 0.01, "clogging": 1, "flow": 0.01}', 'clogging'],
    [
      'fall.shallowest',
      '{"stations": [0, 1], "ground": [1], "cover": 0, "diameter": 0.1, "leastSlope": 0.01}',
      'ground',
    ],
    [
      'waterline.solve',
      '{"nodes": [{"id": "A", "invert": 1}, {"id": "B", "invert": 1}], "runs": [{"from": "A", "to": "B", "length": 1, "diameter": 0.1, "roughness": 0.01}, {"from": "B", "to": "A", "length": 1, "diameter": 0.1, "roughness": 0.01}], "outlet": {"node": "B"}}',
      'outlet.node',
    ],
    [
      'waterline.solve',
      '{"nodes": [{"id": "A", "invert": 1}, {"id": "B", "invert": 1}], "runs": [{"from": "A", "to": "C", "length": 1, "diameter": 0.1, "roughness": 0.01}], "outlet": {"node": "B"}}',
      'runs.0.to',
    ],
    ['no.such', '{}', 'sum'],
  ])('%s of %s is named by its field', (name, text, field) => {
    const result = sumOf(name, readGiven(text));
    expect(result.ok).toBe(false);
    expect(!result.ok && result.error.field).toBe(field);
  });

  it('never gives NaN and never hangs, whatever finite numbers come', () => {
    const wild = fc.oneof(
      fc.double({ min: 1e-6, max: 1e6, noNaN: true }),
      fc.double({ noNaN: true, noDefaultInfinity: true }),
      fc.constant(0),
    );
    for (const { name, fields } of SUMS.values()) {
      if (Object.keys(fields).some((key) => ['nodes', 'areas', 'durations', 'stations'].includes(key))) continue;
      fc.assert(
        fc.property(fc.record(Object.fromEntries(Object.keys(fields).map((key) => [key, wild]))), (given) => {
          const result = sumOf(name, given);
          const odd: unknown[] = [];
          JSON.stringify(result, (_, value: unknown) => {
            if (typeof value === 'number' && !Number.isFinite(value)) odd.push(value);
            return value;
          });
          expect(odd).toEqual([]);
        }),
        { numRuns: name.startsWith('channel') ? 25 : 200 },
      );
    }
  });

  it('gives up soon on channels that nobody could build, where it once looked for their capacity without end', () => {
    const extremes = [1e-6, 1, 1e6];
    for (const width of extremes)
      for (const depth of extremes)
        for (const slope of [0, 1e-6, 1e6]) {
          const result = sumOf('channel.capacity', { width, depth, length: 1e-6 / width, slope, roughness: 1e6 });
          if (!result.ok) expect(['lateralInflow', 'flow']).toContain(result.error.field);
        }
    // No inflow fills it, or any overtops it: told after a bounded number of looks.
    let looks = 0;
    const never = (over: number) => (): number => (looks++, over);
    expect(brimfulInflow(1, never(-1))).toBeNaN();
    expect(brimfulInflow(1, never(1))).toBe(0);
    expect(looks).toBeLessThan(100);
  });

  it('a grate that is blocked altogether takes nothing, at any depth', () => {
    const blocked = { weirLength: 1.2, openArea: 0.04, clogging: 1 };
    for (const depth of [0, 0.05, 1])
      expect(sumOf('inlet.sagCapacity', { ...blocked, depth })).toMatchObject({ ok: true, out: { flow: 0 } });
    expect(sumOf('inlet.sagCapacity', { ...blocked, clogging: 1.01, depth: 0.05 }).ok).toBe(false);
  });

  it('leaves words alone when it reads NaN as no number', () =>
    expect(readGiven('{"a": "NaN", "b": NaN, "c": [-Infinity, "x \\" NaN"]}')).toEqual({
      a: 'NaN',
      b: null,
      c: [null, 'x " NaN'],
    }));
});

describe('laws', () => {
  const size = fc.double({ min: 0.05, max: 2, noNaN: true });
  const factor = fc.double({ min: 1.01, max: 10, noNaN: true });

  it('Manning: flow goes with √S, 1/n and D^(8/3)', () => {
    fc.assert(
      fc.property(size, factor, (diameter, k) => {
        const base = out('pipe.full', { ...pipe, diameter }).flow!;
        expect(out('pipe.full', { ...pipe, diameter, slope: pipe.slope * k * k }).flow! / base).toBeCloseTo(k, 9);
        expect((out('pipe.full', { ...pipe, diameter, roughness: pipe.roughness * k }).flow! * k) / base).toBeCloseTo(
          1,
          9,
        );
        expect(out('pipe.full', { ...pipe, diameter: diameter * k }).flow! / base).toBeCloseTo(k ** (8 / 3), 5);
      }),
    );
  });

  it('a deeper weir takes d^1.5, and depth for a flow gives that flow back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-6, max: 5, noNaN: true }),
        size,
        fc.double({ min: 0, max: 0.9, noNaN: true }),
        (flow, weirLength, clogging) => {
          const inlet = { weirLength, openArea: 0.05, clogging };
          const { depth } = out('inlet.sagDepth', { ...inlet, flow });
          expect(out('inlet.sagCapacity', { ...inlet, depth }).flow! / flow).toBeCloseTo(1, 9);
        },
      ),
    );
  });

  it('normal depth gives its flow back, and critical depth has Froude number 1', () => {
    fc.assert(
      fc.property(size, fc.double({ min: 0.001, max: 0.99, noNaN: true }), (diameter, share) => {
        const flow = out('pipe.full', { ...pipe, diameter }).flow! * share;
        const { depth, velocity } = out('pipe.normalDepth', { ...pipe, diameter, flow }) as {
          depth: number;
          velocity: number;
        };
        const angle = 2 * Math.acos(1 - (2 * depth) / diameter);
        expect((velocity * (diameter ** 2 / 8) * (angle - Math.sin(angle))) / flow).toBeCloseTo(1, 7);
        const { depth: critical } = out('pipe.criticalDepth', { diameter, flow }) as { depth: number };
        const at = 2 * Math.acos(1 - (2 * critical) / diameter);
        const area = (diameter ** 2 / 8) * (at - Math.sin(at));
        expect((flow ** 2 * diameter * Math.sin(at / 2)) / (9.80665 * area ** 3)).toBeCloseTo(1, 6);
      }),
    );
  });

  it('a channel’s capacity fills it to the brim, whatever its fall', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.3, noNaN: true }),
        fc.double({ min: 2, max: 30, noNaN: true }),
        fc.constantFrom(0, 0.002, 0.01, 0.04),
        (depth, length, slope) => {
          const channel = { width: 0.15, depth, length, slope, roughness: 0.011 };
          const { lateralInflow } = out('channel.capacity', channel);
          expect(out('channel.profile', { ...channel, lateralInflow }).maxDepth! / depth).toBeCloseTo(1, 4);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('a steep channel, slow above its turning place and fast below, keeps its momentum all along', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 0.06, noNaN: true }),
        fc.double({ min: 1e-4, max: 1e-3, noNaN: true }),
        fc.double({ min: 8, max: 30, noNaN: true }),
        (slope, q, length) => {
          const [width, roughness] = [0.15, 0.011];
          const result = sumOf('channel.profile', { width, depth: 1, length, slope, roughness, lateralInflow: q });
          const { stations, depths, outletControl } = (
            result as { out: { stations: number[]; depths: number[]; outletControl: string } }
          ).out;
          if (outletControl !== 'none') return;
          const momentum = (k: number): number =>
            (q * stations[k]!) ** 2 / (9.80665 * width * depths[k]!) + (width * depths[k]! ** 2) / 2;
          for (let k = 20; k < 200; k += 9) {
            const area = width * depths[k]!;
            const friction =
              (q * stations[k]! * roughness) ** 2 / (area ** 2 * (area / (width + 2 * depths[k]!)) ** (4 / 3));
            const gained = (momentum(k + 1) - momentum(k - 1)) / (stations[k + 1]! - stations[k - 1]!);
            expect(Math.abs(gained - area * (slope - friction)) / (area * slope)).toBeLessThan(2e-3);
          }
        },
      ),
      { numRuns: 40 },
    );
  });
});
