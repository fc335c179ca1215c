import fc from 'fast-check';
import { bookLevels, type Reading } from './levelBook';
import { areaOf, bearing, centreOf, crossedSides, distance, isWithin, onward, signedArea, type Place } from './place';
import { soilByJar, soilByRibbon, inverseAugerHole } from './soilTest';
import { alongAndOff, tie } from './tie';
import { roofOver } from './roofs';
import { bearingsOf, closeTraverse, suspects, walked, type Side } from './traverse';

const coordinate = fc.double({ min: -80, max: 80, noNaN: true });
const place = fc.record({ east: coordinate, north: coordinate });

describe('places', () => {
  it('an outline turned and moved keeps its area and carries its centre with it', () => {
    const ell: Place[] = [
      [0, 0],
      [8, 0],
      [8, 3],
      [5, 3],
      [5, 9],
      [0, 9],
    ].map(([east, north]) => ({ east: east!, north: north! }));
    expect(areaOf(ell)).toBe(54);
    expect(signedArea([...ell].reverse())).toBe(-54);
    fc.assert(
      fc.property(place, fc.double({ min: 0, max: 6.28, noNaN: true }), (by, turn) => {
        const moved = (p: Place): Place =>
          onward(by, bearing({ east: 0, north: 0 }, p) + turn, Math.hypot(p.east, p.north));
        const there = ell.map(moved);
        expect(areaOf(there)).toBeCloseTo(54, 6);
        expect(distance(centreOf(there), moved(centreOf(ell)))).toBeLessThan(1e-6);
        expect(isWithin(there, moved({ east: 2, north: 8 }))).toBe(true);
        expect(isWithin(there, moved({ east: 7, north: 8 }))).toBe(false);
        expect(crossedSides(there)).toBeNull();
      }),
    );
    expect(crossedSides([ell[0]!, ell[2]!, ell[1]!, ell[5]!])).toEqual([0, 2]);
  });
});

describe('pacing round', () => {
  /** A house walked wall by wall, right turns only. */
  const house = (lengths: readonly number[]): Side[] =>
    bearingsOf(0, [0, ...lengths.slice(1).map(() => Math.PI / 2)]).map((along, k) => ({
      length: lengths[k]!,
      bearing: along,
    }));

  it('closes an exact walk on itself, and shares an error out by length', () => {
    const exact = closeTraverse(house([12, 8, 12, 8]));
    expect(exact.misclosure).toBeLessThan(1e-12);
    expect(exact.corners[2]!.east).toBeCloseTo(8, 12);
    const out = closeTraverse(house([12, 8, 12.2, 8]));
    expect(out.misclosure).toBeCloseTo(0.2, 12);
    // Half of the way round half of the error is taken back.
    expect(out.corners[2]!.north).toBeCloseTo(12 + (0.2 * 20) / 40.2, 9);
  });

  it('names the wall whose tape was misread, wherever the mistake lies', () => {
    const bearings = bearingsOf(0.2, [0, 1.2, 1.2]);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2 }), fc.double({ min: 0.4, max: 2, noNaN: true }), (wrong, by) => {
        const lengths = [6, 5, 7];
        const open: Side[] = lengths.map((length, k) => ({ length, bearing: bearings[k]! }));
        // Two last walls that close it exactly.
        const end = walked(open).at(-1)!;
        const corner = { east: end.east - 3, north: end.north - 4 };
        const last = [corner, { east: 0, north: 0 }];
        const sides: Side[] = [
          ...open,
          { length: distance(end, last[0]!), bearing: bearing(end, last[0]!) },
          { length: distance(last[0]!, last[1]!), bearing: bearing(last[0]!, last[1]!) },
        ];
        expect(closeTraverse(sides).misclosure).toBeLessThan(1e-9);
        const misread = sides.map((side, k) => (k === wrong ? { ...side, length: side.length + by } : side));
        const named = suspects(misread).find(({ side }) => side === wrong)!;
        expect(named.by).toBeCloseTo(-by, 6);
        expect(named.open).toBeLessThan(1e-6);
        // Only walls that run nearly the same way are named beside it.
        for (const { side } of suspects(misread)) {
          const across = Math.sin(sides[side]!.bearing - sides[wrong]!.bearing);
          expect(Math.abs(across) * by).toBeLessThan(0.021);
        }
      }),
    );
    // Two walls that face each other explain a mistake alike: both are named.
    expect(
      suspects(house([12, 8, 13, 8]))
        .map(({ side }) => side)
        .sort(),
    ).toEqual([0, 2]);
  });
});

describe('tapes', () => {
  it('a tie gives the place back that its tapes were drawn to', () => {
    fc.assert(
      fc.property(place, place, place, (a, b, at) => {
        const turn = (b.east - a.east) * (at.north - a.north) - (b.north - a.north) * (at.east - a.east);
        fc.pre(Math.abs(turn) > 5);
        const tied = tie({ a, b, fromA: distance(a, at), fromB: distance(b, at), side: turn > 0 ? 'left' : 'right' });
        expect(tied.ok && distance(tied.place, at)).toBeLessThan(1e-6);
      }),
    );
  });

  it('says by how much tapes do not meet', () => {
    const [a, b] = [
      { east: 0, north: 0 },
      { east: 10, north: 0 },
    ];
    expect(tie({ a, b, fromA: 4, fromB: 5, side: 'left' })).toEqual({ ok: false, why: 'short', by: 1 });
    expect(tie({ a, b, fromA: 14, fromB: 3, side: 'left' })).toEqual({ ok: false, why: 'long', by: 1 });
    expect(tie({ a, b: a, fromA: 4, fromB: 4, side: 'left' })).toMatchObject({ ok: false, why: 'onePlace' });
    const sharp = tie({ a, b, fromA: 6, fromB: 8, side: 'left' });
    expect(sharp.ok && sharp.cut).toBeCloseTo(Math.PI / 2, 9);
  });

  it('along and off a wall: to the right of the way along it', () => {
    const at = alongAndOff({ east: 1, north: 1 }, { east: 1, north: 9 }, 3, 2);
    expect([at.east, at.north].map((x) => Math.round(x * 1e9) / 1e9)).toEqual([3, 4]);
  });
});

describe('the level book', () => {
  /** A walk of set-ups over true levels, each reading wrong by so much. */
  const walk = fc
    .array(
      fc.record({
        back: fc.double({ min: 0.3, max: 2, noNaN: true }),
        fore: fc.double({ min: 0.3, max: 2, noNaN: true }),
        between: fc.double({ min: 0.3, max: 2, noNaN: true }),
      }),
      { minLength: 1, maxLength: 8 },
    )
    .map((sets) =>
      sets.flatMap((set, k): Reading[] => [
        { point: k === 0 ? 'A' : `T${k}`, sight: 'back', rod: set.back },
        { point: `P${k}`, sight: 'between', rod: set.between },
        { point: k === sets.length - 1 ? 'Z' : `T${k + 1}`, sight: 'fore', rod: set.fore },
      ]),
    );

  it('is linear in what it begins on, and closes exactly on what it found itself', () => {
    fc.assert(
      fc.property(walk, fc.double({ min: -50, max: 50, noNaN: true }), (readings, up) => {
        const open = bookLevels([{ point: 'A', level: 10 }], readings);
        expect(open.misclosure).toBeNull();
        const z = open.points.find(({ point }) => point === 'Z')!.level;
        const closed = bookLevels(
          [
            { point: 'A', level: 10 + up },
            { point: 'Z', level: z + up },
          ],
          readings,
        );
        expect(Math.abs(closed.misclosure!)).toBeLessThan(1e-9);
        for (const { point, level } of closed.points)
          expect(level).toBeCloseTo(open.points.find((each) => each.point === point)!.level + up, 9);
      }),
    );
  });

  it('shares a misclosure by set-ups so that the last of them ends on what is known, or refuses it whole', () => {
    fc.assert(
      fc.property(walk, fc.double({ min: -0.05, max: 0.05, noNaN: true }), (readings, error) => {
        fc.pre(Math.abs(error) > 1e-6);
        const open = bookLevels([{ point: 'A', level: 10 }], readings);
        const z = open.points.find(({ point }) => point === 'Z')!.level - error;
        const closed = bookLevels(
          [
            { point: 'A', level: 10 },
            { point: 'Z', level: z },
          ],
          readings,
          0.02,
        );
        expect(closed.misclosure).toBeCloseTo(error, 9);
        expect(closed.adjusted).toBe(Math.abs(error) <= 0.02);
        const sets = readings.length / 3;
        closed.points.forEach(({ point, level }) => {
          const setUp = point.startsWith('P') ? Number(point.slice(1)) : Number(point.slice(1)) - 1;
          const correction = closed.adjusted ? (-error * (setUp + 1)) / sets : 0;
          expect(level).toBeCloseTo(open.points.find((each) => each.point === point)!.level + correction, 9);
        });
      }),
    );
  });

  it('reads an inverted rod as above the line of sight, and names what cannot be booked', () => {
    const read = (...readings: Reading[]) => bookLevels([{ point: 'A', level: 10 }], readings);
    expect(
      read({ point: 'A', sight: 'back', rod: 1.5 }, { point: 'soffit', sight: 'between', rod: -2.1 }).points,
    ).toEqual([{ point: 'soffit', level: 13.6 }]);
    expect(read({ point: 'x', sight: 'between', rod: 1 }).faults).toEqual([{ reading: 0, why: 'noSetUp' }]);
    expect(read({ point: 'x', sight: 'back', rod: 1 }).faults).toEqual([{ reading: 0, why: 'unknownBack' }]);
    expect(read({ point: 'A', sight: 'back', rod: 9.5 }).faults).toEqual([{ reading: 0, why: 'rodTooLong' }]);
    expect(read({ point: 'A', sight: 'back', rod: NaN }).faults).toEqual([{ reading: 0, why: 'rodTooLong' }]);
    expect(read({ point: 'A', sight: 'back', rod: 1 }, { point: 'A', sight: 'back', rod: 1 }).faults).toEqual([
      { reading: 1, why: 'backTwice' },
    ]);
  });
});

describe('soil', () => {
  it('a hole that empties by the formula gives its own conductivity back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -7, max: -4.3, noNaN: true }),
        fc.double({ min: 0.03, max: 0.15, noNaN: true }),
        (power, radius) => {
          const conductivity = 10 ** power;
          const times = [0, 300, 900, 1800];
          const depths = times.map((t) => (0.3 + radius / 2) * Math.exp((-2 * conductivity * t) / radius) - radius / 2);
          fc.pre(depths.every((depth) => depth > 0));
          expect(inverseAugerHole(radius, times, depths) / conductivity).toBeCloseTo(1, 6);
        },
      ),
    );
  });

  it('names soil by ribbon and jar as a hand would', () => {
    expect([0, 0.02, 0.04, 0.07].map(soilByRibbon)).toEqual(['sandyLoam', 'loam', 'clayLoam', 'clay']);
    expect(soilByJar(90, 5, 5)).toBe('sand');
    expect(soilByJar(40, 40, 20)).toBe('loam');
    expect(soilByJar(20, 25, 55)).toBe('clay');
    expect(soilByJar(15, 65, 20)).toBe('siltLoam');
    expect(soilByJar(4, 4, 2)).toBe(soilByJar(0.4, 0.4, 0.2));
  });
});

describe('roofs over an outline', () => {
  const turned = (corners: readonly [number, number][], turn: number): Place[] =>
    corners.map(([east, north]) =>
      onward({ east: 3, north: -2 }, bearing({ east: 0, north: 0 }, { east, north }) + turn, Math.hypot(east, north)),
    );
  const areas = (corners: readonly [number, number][], form: 'gable' | 'hip' | 'shed', turn = 0): number[] =>
    roofOver(turned(corners, turn), form)!.map(({ outline }) => Math.round(areaOf(outline) * 1e6) / 1e6);
  const FOUR: [number, number][] = [
    [0, 0],
    [12, 0],
    [12, 8],
    [0, 8],
  ];
  /** A house of 5 by 9 with a wing of 3 by 3 at its lower right. */
  const ELL: [number, number][] = [
    [0, 0],
    [8, 0],
    [8, 3],
    [5, 3],
    [5, 9],
    [0, 9],
  ];

  it('four walls: two halves, a hip of two trapezia and two triangles, or one slope', () => {
    expect(areas(FOUR, 'gable')).toEqual([48, 48]);
    expect(areas(FOUR, 'hip')).toEqual([32, 16, 32, 16]);
    expect(areas(FOUR, 'shed')).toEqual([96]);
  });

  it('an L: the wing’s roof runs on into the house’s in two valleys, worked by hand', () => {
    // The wing is 3 wide, so its ridge stands 1.5 pitches up and meets the house's slope 1.5 m in from the eave: a triangle of 3 × 1.5 / 2.
    const gable = roofOver(turned(ELL, 0.4), 'gable')!;
    expect(gable.map(({ outline }) => Math.round(areaOf(outline) * 1e6) / 1e6)).toEqual([
      22.5,
      22.5 - 2.25,
      4.5 + 1.125,
      4.5 + 1.125,
    ]);
    expect(gable.map(({ valley }) => valley)).toEqual([false, true, true, true]);
  });

  it('covers all of the outline once, however it is turned, and which way round', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 6, noNaN: true }),
        fc.constantFrom('gable' as const, 'hip' as const),
        fc.tuple(
          fc.integer({ min: 1, max: 6 }),
          fc.integer({ min: 1, max: 6 }),
          fc.integer({ min: 1, max: 6 }),
          fc.integer({ min: 1, max: 6 }),
        ),
        fc.boolean(),
        (turn, form, [w, h, a, b], backward) => {
          const ell = turned(
            [
              [0, 0],
              [w + a, 0],
              [w + a, h],
              [w, h],
              [w, h + b],
              [0, h + b],
            ],
            turn,
          );
          const roof = roofOver(backward ? [...ell].reverse() : ell, form);
          // Where either part is wider than the other is deep no wing can be told from the house.
          if (!roof) return expect(h > Math.min(w, h + b) && w > Math.min(h, w + a)).toBe(true);
          expect(roof.reduce((sum, { outline }) => sum + areaOf(outline), 0)).toBeCloseTo(areaOf(ell), 6);
          for (const { outline } of roof) expect(areaOf(outline)).toBeGreaterThan(0);
        },
      ),
    );
  });

  it('is none over what is not square, and no shed over an L', () => {
    expect(
      roofOver(
        turned(
          [
            [0, 0],
            [12, 0],
            [7, 8],
            [0, 8],
          ],
          0,
        ),
        'gable',
      ),
    ).toBeNull();
    expect(roofOver(turned(ELL, 0), 'shed')).toBeNull();
    expect(
      roofOver(
        turned(
          [
            [0, 0],
            [12, 0],
            [12, 8],
          ],
          0,
        ),
        'hip',
      ),
    ).toBeNull();
  });
});
