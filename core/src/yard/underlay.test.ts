import fc from 'fast-check';
import type { Underlay } from '../job/kinds';
import { distance } from '../site/place';
import { scaledBy, spotAt } from './underlay';

const unit = fc.double({ min: 0, max: 1, noNaN: true });
const picture = fc
  .record({
    ratio: fc.double({ min: 0.5, max: 2, noNaN: true }),
    turn: fc.double({ min: -3, max: 3, noNaN: true }),
    wide: fc.double({ min: 5, max: 80, noNaN: true }),
  })
  .map(({ ratio, turn, wide }): Underlay => ({
    id: 'sheet',
    kind: 'underlay',
    name: 'Sheet',
    file: '0'.repeat(64),
    ratio,
    a: { spot: { across: 0, down: 0.5 }, place: { east: 3, north: -2 } },
    b: {
      spot: { across: 1, down: 0.5 },
      place: { east: 3 + wide * Math.cos(turn), north: -2 + wide * Math.sin(turn) },
    },
  }));

/** Where a spot of a picture lies, worked out from its corners. */
function placeOf({ a, b, ratio }: Underlay, across: number, down: number) {
  const [right, up] = [b.place.east - a.place.east, b.place.north - a.place.north];
  // One picture height, upward on the picture: a quarter turn left of its width.
  const [high, over] = [-up / ratio, right / ratio];
  return {
    east: a.place.east + across * right + (0.5 - down) * high,
    north: a.place.north + across * up + (0.5 - down) * over,
  };
}

it('a spot of the picture and its place are one, and off the picture there is none', () => {
  fc.assert(
    fc.property(picture, unit, unit, (sheet, across, down) => {
      const place = placeOf(sheet, across, down);
      const spot = spotAt(sheet, place);
      if (across > 0.001 && across < 0.999 && down > 0.001 && down < 0.999) {
        expect(spot!.across).toBeCloseTo(across, 6);
        expect(spot!.down).toBeCloseTo(down, 6);
      }
      expect(spotAt(sheet, placeOf(sheet, 1.2, down))).toBeNull();
    }),
  );
});

it('scaled by two places, they are as far apart as was taped, and the first has not moved', () => {
  fc.assert(
    fc.property(picture, unit, unit, fc.double({ min: 1, max: 60, noNaN: true }), (sheet, across, down, length) => {
      const [first, second] = [placeOf(sheet, 0.1 + 0.3 * across, 0.2), placeOf(sheet, 0.9, 0.3 + 0.6 * down)];
      const next = scaledBy(sheet, first, second, length)!;
      expect(distance(next.a.place, next.b.place)).toBeCloseTo(length, 6);
      const spot = spotAt(next, first)!;
      expect(spot.across).toBeCloseTo(0.1 + 0.3 * across, 6);
      expect(spotAt(next, next.b.place)!.across).toBeCloseTo(0.9, 6);
      expect(scaledBy(sheet, first, first, length)).toBeNull();
    }),
  );
});
