/** Water along a channel drain against its own equation, followed here by a plain fourth-order method in fine steps. */
import fc from 'fast-check';
import { channelProfile, closedEndDepth } from './channelDrain';

/** Drawn alike all over a range: doubles as such come mostly near nothing. */
const evenly = (min: number, max: number): fc.Arbitrary<number> =>
  fc.integer({ min: 0, max: 100_000 }).map((share) => min + ((max - min) * share) / 100_000);

const G = 9.80665;

interface Given {
  width: number;
  length: number;
  slope: number;
  roughness: number;
  section: 'flat' | 'round';
  lateralInflow: number;
}

/** Area, surface and wetted way of a channel on a flat floor or a half round. */
function shape({ width, section }: Given, y: number): { area: number; top: number; wet: number } {
  if (section === 'flat') return { area: width * y, top: width, wet: width + 2 * y };
  const r = width / 2;
  if (y >= r) return { area: (Math.PI * r * r) / 2 + width * (y - r), top: width, wet: Math.PI * r + 2 * (y - r) };
  const half = Math.acos(1 - y / r);
  return { area: r * r * (half - Math.sin(half) * Math.cos(half)), top: 2 * r * Math.sin(half), wet: 2 * r * half };
}

const froude2 = (given: Given, x: number, y: number): number => {
  const { area, top } = shape(given, y);
  return ((given.lateralInflow * x) ** 2 * top) / (G * area ** 3);
};

/** Chow's numerator: S0 − Sf − 2Qq/gA². */
function pull(given: Given, x: number, y: number): number {
  const { area, wet } = shape(given, y);
  const flow = given.lateralInflow * x;
  const friction = (flow * given.roughness) ** 2 / (area ** 2 * (area / wet) ** (4 / 3));
  return given.slope - friction - (2 * flow * given.lateralInflow) / (G * area ** 2);
}

const slopeAt = (given: Given, x: number, y: number): number => pull(given, x, y) / (1 - froude2(given, x, y));

/** Depth at `to`, followed from a depth at `from`. */
function followed(given: Given, from: number, start: number, to: number, steps = 1000): number {
  const h = (to - from) / steps;
  let y = start;
  for (let k = 0; k < steps; k++) {
    const x = from + k * h;
    const a = slopeAt(given, x, y);
    const b = slopeAt(given, x + h / 2, y + (h / 2) * a);
    const c = slopeAt(given, x + h / 2, y + (h / 2) * b);
    const d = slopeAt(given, x + h, y + h * c);
    y += (h / 6) * (a + 2 * b + 2 * c + d);
  }
  return y;
}

/** Critical depth there, by halving. */
function critical(given: Given, x: number): number {
  let [low, high] = [1e-9, 5];
  for (let k = 0; k < 100; k++) {
    const middle = (low + high) / 2;
    if (froude2(given, x, middle) > 1) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

const channels = fc.record({
  width: fc.constantFrom(0.05, 0.1, 0.2),
  length: evenly(2, 20),
  slope: fc.oneof(fc.constant(0), evenly(-0.003, 0.008), evenly(0.01, 0.05)),
  roughness: fc.constantFrom(0.01, 0.012),
  section: fc.constantFrom('flat' as const, 'round' as const),
  lateralInflow: evenly(5e-5, 1.5e-3),
});

it('follows its equation all along: slow to its outlet, or slow to where it turns and fast from there, or drowned by what stands at its outlet', () => {
  const met = { free: 0, drowned: 0, none: 0, jump: 0 };
  fc.assert(
    fc.property(channels, evenly(0, 4), (given, share) => {
      const { length } = given;
      const outletDepth = share * critical(given, length);
      const { stations, depths, outletControl, maxDepth, over } = channelProfile({ ...given, depth: 0.2, outletDepth });
      const at = (share: number): { x: number; y: number } => {
        const k = Math.round(share * 200);
        return { x: stations[k]!, y: depths[k]! };
      };
      met[outletControl]++;
      expect(stations[0]).toBe(0);
      expect(stations.at(-1)).toBeCloseTo(length, 9);
      expect(maxDepth).toBeGreaterThanOrEqual(Math.max(...depths));
      expect(over).toBeCloseTo(maxDepth - 0.2, 12);
      const atEnd = critical(given, length);
      /** Follows from one share of the length to another, on one side of every singular place. */
      const agrees = (from: number, to: number): void => {
        const [a, b] = [at(from), at(to)];
        const wanted = followed(given, a.x, a.y, b.x === 0 ? 1e-9 * length : b.x);
        if (Number.isFinite(wanted)) expect(Math.abs(b.y - wanted)).toBeLessThan(3e-4 + 0.01 * wanted);
      };
      const turns = given.slope > 0 && pull(given, length, atEnd) > 0;
      if (!turns) {
        expect(outletControl).toBe(outletDepth > atEnd ? 'drowned' : 'free');
        expect(depths.at(-1)).toBeCloseTo(Math.max(atEnd, outletDepth), 6);
        agrees(0.9, 0.5);
        agrees(0.5, 0);
        return;
      }
      // Where the pull is naught at critical depth.
      let [low, high] = [1e-9 * length, length];
      for (let k = 0; k < 80; k++) {
        const middle = (low + high) / 2;
        if (pull(given, middle, critical(given, middle)) < 0) low = middle;
        else high = middle;
      }
      const turn = low / length;
      if (turn < 0.05 || turn > 0.9) return;
      const shares = stations.map((x) => x / length);
      const slow = (k: number): boolean => froude2(given, stations[k]!, depths[k]!) < 1;
      if (outletControl === 'none') {
        // Slow above the turning place, fast below it, and followed away from it on both sides.
        shares.forEach((share, k) => {
          if (share > 0 && Math.abs(share - turn) > 0.01) expect(slow(k)).toBe(share < turn);
        });
        agrees(Math.max(0.01, turn - 0.03), 0);
        if (turn < 0.85) agrees(turn + 0.05, 1);
        return;
      }
      expect(outletDepth).toBeGreaterThan(atEnd);
      expect(depths.at(-1)).toBeCloseTo(outletDepth, 9);
      const jump = shares.findIndex((share, k) => share > turn + 0.02 && slow(k));
      if (jump <= 0 || shares[jump - 1]! < turn + 0.05) return;
      met.jump++;
      agrees(1, shares[jump]!);
      // At the jump both sides push alike, to a station's length.
      const push = (k: number): number => {
        const { area } = shape(given, depths[k]!);
        const steps = 400;
        let moment = 0;
        for (let j = 0; j < steps; j++)
          moment += (shape(given, ((j + 0.5) * depths[k]!) / steps).area * depths[k]!) / steps;
        return (given.lateralInflow * stations[k]!) ** 2 / (G * area) + moment;
      };
      const [before, after] = [push(jump - 1), push(jump)];
      expect(Math.abs(after - before) / after).toBeLessThan(0.15);
    }),
    { numRuns: 130, seed: 11, endOnFailure: true },
  );
  for (const count of Object.values(met)) expect(count).toBeGreaterThan(2);
});

it('tells the depth at its closed end as its whole profile does', () => {
  fc.assert(
    fc.property(channels, evenly(0, 0.25), (given, outletDepth) => {
      const loaded = { ...given, depth: 0.2, outletDepth };
      expect(Math.abs(closedEndDepth(loaded) - channelProfile(loaded).depths[0]!)).toBeLessThan(2e-4);
    }),
    { numRuns: 40, seed: 11, endOnFailure: true },
  );
});

it('without water stands level with what is at its outlet, or dry, and is over its top by what its own fall leaves of it', () => {
  const still = { width: 0.1, depth: 0.1, length: 10, slope: 0.01, roughness: 0.011, lateralInflow: 0 };
  const { depths, outletControl, over, overtops } = channelProfile({ ...still, outletDepth: 0.06 });
  expect([depths[0], depths[100], depths[200], outletControl]).toEqual([0, expect.closeTo(0.01, 12), 0.06, 'drowned']);
  expect([over, overtops]).toEqual([expect.closeTo(-0.04, 12), false]);
  expect(channelProfile(still)).toMatchObject({ maxDepth: 0, outletControl: 'free', overtops: false });
  expect([closedEndDepth({ ...still, outletDepth: 0.06 }), closedEndDepth({ ...still, outletDepth: 0.16 })]).toEqual([
    0,
    expect.closeTo(0.06, 12),
  ]);
  // A bed that falls against a level top is 0.1 shallower at its closed end: dry there, and yet to the brim.
  const sloped = channelProfile({ ...still, ownFall: 0.01, outletDepth: 0.09 });
  expect(sloped.over).toBeCloseTo(0, 12);
  expect(channelProfile({ ...still, ownFall: 0.01, outletDepth: 0.12 })).toMatchObject({
    over: expect.closeTo(0.02, 12),
    overtops: true,
  });
});
