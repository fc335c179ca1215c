/** A channel of several outlets is put together here once more, stretch by stretch, from where its own answer says that the water divides. */
import fc from 'fast-check';
import { channelCapacity } from './channelCapacity';
import { channelProfile } from './channelDrain';
import { multiOutletCapacity, multiOutletProfile } from './channelOutlets';
import { depthForHole, type OutletHole } from './outletHole';

const evenly = (min: number, max: number): fc.Arbitrary<number> =>
  fc.integer({ min: 0, max: 100_000 }).map((share) => min + ((max - min) * share) / 100_000);

const LENGTH = 12;
const body = { width: 0.12, depth: 0.15, length: LENGTH, roughness: 0.011 };
const HOLES: (OutletHole | undefined)[] = [undefined, { across: 0.075, where: 'floor' }, { across: 0.1, where: 'end' }];

const cases = fc.record({
  section: fc.constantFrom('flat' as const, 'round' as const),
  slope: fc.oneof(fc.constant(0), evenly(0.001, 0.012)),
  /** Of its slope, what its bed has against its own top. */
  own: fc.constantFrom(0, 1),
  places: fc
    .uniqueArray(fc.integer({ min: 0, max: 12 }), { minLength: 1, maxLength: 4 })
    .map((all) => all.sort((a, b) => a - b)),
  lateralInflow: evenly(5e-5, 1.2e-3),
  outletDepth: fc.oneof(fc.constant(0), evenly(0.02, 0.2)),
  hole: fc.constantFrom(...HOLES),
});

/** Stations from the upper end and depths of one stretch, on one side of its outlet. */
interface Side {
  stations: number[];
  depths: number[];
  over: number;
}

it('is on each side of each outlet a channel of its own, which carries what falls there to what stands there', () => {
  const met = { inside: 0, atOne: 0, over: 0, alone: 0 };
  fc.assert(
    fc.property(cases, ({ places, own, hole, ...given }) => {
      const { slope, lateralInflow: q, outletDepth } = given;
      const whole = { ...body, ...given, hole, ownFall: own * slope, outlets: places };
      const many = multiOutletProfile(whole);
      expect(many.outlets.map(({ at }) => at)).toEqual(places);
      expect(many.outlets.reduce((sum, { flow }) => sum + flow, 0)).toBeCloseTo(q * LENGTH, 12);
      const steps = Math.max(40, Math.round(200 / places.length));
      const sides: Side[] = [];
      let from = 0;
      places.forEach((at, k) => {
        const to = from + many.outlets[k]!.flow / q;
        if (k === places.length - 1) expect(to).toBeCloseTo(LENGTH, 9);
        const line = Math.max(0, outletDepth - slope * (LENGTH - at));
        const stands = hole ? depthForHole(hole, many.outlets[k]!.flow, line) : line;
        const side = (long: number, way: 1 | -1): Side => {
          const profile = channelProfile({
            ...body,
            section: given.section,
            depth: 0.15 - own * slope * (LENGTH - at),
            length: long,
            slope: way * slope,
            ownFall: way * own * slope,
            lateralInflow: q,
            outletDepth: stands,
            steps,
          });
          return {
            stations: profile.stations.map((x) => at - way * (long - x)),
            depths: profile.depths,
            over: profile.over,
          };
        };
        if (at - from > 1e-9) sides.push(side(at - from, 1));
        if (to - at > 1e-9) {
          const below = side(to - at, -1);
          sides.push({ ...below, stations: below.stations.reverse(), depths: below.depths.reverse() });
        }
        from = to;
      });
      const stations = sides.flatMap((side) => side.stations);
      expect(many.stations.length).toBe(stations.length);
      stations.forEach((x, j) => expect(Math.abs(many.stations[j]! - x)).toBeLessThan(1e-9));
      const depths = sides.flatMap((side) => side.depths);
      // Where a search has ended is rounded once more here.
      depths.forEach((y, j) => expect(Math.abs(many.depths[j]! - y)).toBeLessThan(1e-5));
      expect(many.maxDepth).toBeGreaterThanOrEqual(Math.max(...many.depths));
      expect(many.over).toBeCloseTo(Math.max(...sides.map(({ over }) => over)), 5);
      const top = (x: number): number => 0.15 - own * slope * (LENGTH - x);
      const overLength = sides.reduce((sum, side) => {
        const stands = side.stations.filter((x, j) => side.depths[j]! > top(x) + 1e-9).length;
        return sum + (stands / side.stations.length) * (side.stations.at(-1)! - side.stations[0]!);
      }, 0);
      expect(Math.abs(many.overLength - overLength)).toBeLessThan((2.5 * LENGTH) / steps);
      if (overLength > 0) met.over++;
      if (places.length === 1) met.alone++;
      // Between two outlets the water divides where both sides stand alike, or at one of them, which then takes none from there.
      let divide = 0;
      for (let k = 0; k + 1 < places.length; k++) {
        divide += many.outlets[k]!.flow / q;
        const [a, b] = [places[k]!, places[k + 1]!];
        expect(divide).toBeGreaterThanOrEqual(a - 1e-9);
        expect(divide).toBeLessThanOrEqual(b + 1e-9);
        const upper = many.depths[many.stations.findLastIndex((x) => x < divide + 1e-7) - 1]!;
        if (divide - a > 0.05 && b - divide > 0.05) {
          met.inside++;
          const at = many.stations.flatMap((x, j) => (Math.abs(x - divide) < 1e-7 ? [many.depths[j]!] : []));
          expect(at.length).toBe(2);
          expect(Math.abs(at[0]! - at[1]!)).toBeLessThan(1e-3);
        } else if (upper > 0) met.atOne++;
      }
    }),
    { numRuns: 40, seed: 20, endOnFailure: true },
  );
  for (const count of Object.values(met)) expect(count).toBeGreaterThan(3);
});

it('with one in the middle falls to it from both ends', () => {
  for (const outletDepth of [0, 0.09]) {
    const given = { ...body, slope: 0.004, lateralInflow: 6e-4, outletDepth, steps: 50 };
    const middle = multiOutletProfile({ ...given, ownFall: 0.004, outlets: 'middle' });
    const half = channelProfile({ ...given, ownFall: 0.004, length: LENGTH / 2 });
    expect(middle.outlets).toEqual([{ at: 6, flow: expect.closeTo(6e-4 * LENGTH, 12) }]);
    expect(middle.depths).toEqual([...half.depths, ...[...half.depths].reverse()]);
    expect(middle.stations.at(-1)).toBeCloseTo(LENGTH, 12);
    expect([middle.over, middle.outletControl]).toEqual([half.over, half.outletControl]);
  }
});

it('takes two outlets that a hole would span for one', () => {
  const given = { ...body, slope: 0.002, lateralInflow: 5e-4 };
  expect(multiOutletProfile({ ...given, outlets: [3, 3.005, 9] })).toEqual(
    multiOutletProfile({ ...given, outlets: [3, 9] }),
  );
  expect(multiOutletProfile({ ...given, outlets: [3, 3.02, 9] }).outlets).toHaveLength(3);
});

it('takes just so much that it brims, and nothing where a stretch climbs to its outlet by more than its depth', () => {
  for (const outlets of [[4, 12], [6], [0, 5, 12], 'middle'] as const) {
    const whole = { ...body, slope: 0.004, ownFall: 0.004, outlets };
    const q = multiOutletCapacity(whole) / LENGTH;
    expect(q).toBeGreaterThan(1e-5);
    expect(Math.abs(multiOutletProfile({ ...whole, lateralInflow: q }).over)).toBeLessThan(1e-4);
  }
  const alone = { ...body, slope: 0.004, ownFall: 0.004 };
  expect(multiOutletCapacity({ ...alone, outlets: 'end' }) / channelCapacity(alone).flow).toBeCloseTo(1, 3);
  // A level top, and a bed 0.16 deeper at the lower end than at the outlet, which is higher up.
  expect(multiOutletCapacity({ ...body, slope: 0.02, outlets: [4] })).toBe(0);
  expect(multiOutletCapacity({ ...body, slope: 0.0185, outlets: [4] })).toBeGreaterThan(0);
});
