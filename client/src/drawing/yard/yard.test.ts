import { distance, jobFrom, type Element, type Place } from '@katabasis/core';
import { brackenfold, quillfeather } from '@katabasis/core/samples';
import fc from 'fast-check';
import { thingAt } from './hit';
import { sceneOf, unplaced, type Thing } from './scene';
import { snapTo } from './snap';
import { barLength, between, fitted, panned, placeAt, spotOf, zoomed, type Viewport } from './viewport';

const at = (east: number, north: number): Place => ({ east, north });
const coordinate = fc.double({ min: -200, max: 200, noNaN: true });
const place = fc.record({ east: coordinate, north: coordinate });
const view = fc.record({
  width: fc.integer({ min: 200, max: 2000 }),
  height: fc.integer({ min: 200, max: 1200 }),
  centre: place,
  scale: fc.double({ min: 1, max: 200, noNaN: true }),
  turn: fc.double({ min: -3.2, max: 3.2, noNaN: true }),
});
const spot = fc.record({
  x: fc.double({ min: 0, max: 800, noNaN: true }),
  y: fc.double({ min: 0, max: 800, noNaN: true }),
});

describe('what part of the plan is on the screen', () => {
  it('a place goes to the screen and back', () => {
    fc.assert(
      fc.property(view, place, (shown, there) => {
        expect(distance(placeAt(shown, spotOf(shown, there)), there)).toBeLessThan(1e-6);
      }),
    );
  });

  it('up is north and right is east until it is turned, and a quarter turn brings north to the right', () => {
    const plain: Viewport = { width: 400, height: 400, centre: at(0, 0), scale: 10, turn: 0 };
    expect(spotOf(plain, at(0, 5))).toEqual({ x: 200, y: 150 });
    expect(spotOf(plain, at(5, 0))).toEqual({ x: 250, y: 200 });
    const turned = spotOf({ ...plain, turn: Math.PI / 2 }, at(0, 5));
    expect([turned.x, turned.y].map(Math.round)).toEqual([250, 200]);
  });

  it('what lies under two fingers stays there while it is made larger and turned', () => {
    fc.assert(
      fc.property(
        view,
        spot,
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (shown, about, factor, turn) => {
          const held = placeAt(shown, about);
          const next = zoomed(shown, factor, about, turn);
          const now = spotOf(next, held);
          expect(Math.hypot(now.x - about.x, now.y - about.y)).toBeLessThan(1e-5);
          expect(next.scale / shown.scale).toBeCloseTo(factor, 9);
        },
      ),
    );
  });

  it('a finger takes the plan with it to the pixel', () => {
    fc.assert(
      fc.property(view, place, spot, (shown, there, by) => {
        const [before, after] = [spotOf(shown, there), spotOf(panned(shown, by.x, by.y), there)];
        expect(after.x - before.x).toBeCloseTo(by.x, 5);
        expect(after.y - before.y).toBeCloseTo(by.y, 5);
      }),
    );
  });

  it('the picture of one view laid over another lies where that would draw it', () => {
    fc.assert(
      fc.property(
        view,
        place,
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        (drawn, there, factor, turn) => {
          const shown = zoomed(panned(drawn, 30, -12), factor, { x: 100, y: 80 }, turn);
          const [a, b, c, d, e, f] = between(drawn, shown).slice(7, -1).split(',').map(Number) as [
            number,
            number,
            number,
            number,
            number,
            number,
          ];
          const { x, y } = spotOf(drawn, there);
          const wanted = spotOf(shown, there);
          fc.pre(Math.hypot(x, y) < 1e5);
          expect(a * x + c * y + e).toBeCloseTo(wanted.x, 3);
          expect(b * x + d * y + f).toBeCloseTo(wanted.y, 3);
        },
      ),
    );
  });

  it('all of a yard is fitted clear of the plan’s buttons, however it lies', () => {
    fc.assert(
      fc.property(
        fc.array(place, { minLength: 1, maxLength: 12 }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (places, turn) => {
          const shown = fitted(places, 390, 500, turn);
          for (const each of places) {
            const { x, y } = spotOf(shown, each);
            expect(x).toBeGreaterThan(20);
            expect(x).toBeLessThan(390 - 60);
            expect(y).toBeGreaterThan(20);
            expect(y).toBeLessThan(480);
          }
        },
      ),
    );
    expect(fitted([], 390, 500).scale).toBeGreaterThan(5);
  });

  it('a scale bar is round, and as long as there is room for', () => {
    expect(barLength(10, 120, false)).toEqual({ metres: 10, words: '10 m' });
    expect(barLength(10, 120, true)).toEqual({ metres: 20 * 0.3048, words: '20 ft' });
    fc.assert(
      fc.property(fc.double({ min: 0.6, max: 900, noNaN: true }), fc.boolean(), (scale, us) => {
        expect(barLength(scale, 120, us).metres * scale).toBeLessThanOrEqual(120);
      }),
    );
  });
});

describe('what lies on the plan', () => {
  it('is all that has a place, ground lowest and marks last, and the same object while it stays', () => {
    const job = quillfeather();
    const scene = sceneOf(job);
    const kinds = scene.map(({ kind }) => kind);
    expect(kinds.indexOf('surface')).toBeLessThan(kinds.indexOf('building'));
    expect(kinds.indexOf('building')).toBeLessThan(kinds.indexOf('run'));
    expect(kinds.lastIndexOf('run')).toBeLessThan(kinds.indexOf('basin'));
    expect(sceneOf(job).every((thing, k) => thing === scene[k])).toBe(true);
    // An opening lies on its wall: the clinic's fourth is its west wall of the wing, from south to north.
    const door = scene.find(({ id }) => id === 'kennelDoor')!;
    for (const end of door.places) expect(end.east).toBeCloseTo(24 * 0.3048, 3);
    // Roof faces of the clinic were measured by their sides and lie nowhere yet.
    expect(unplaced(job).map(({ kind }) => kind)).toEqual(['roofFace', 'roofFace', 'roofFace', 'roofFace', 'roofFace']);
    expect(unplaced(brackenfold())).toEqual([]);
  });

  it('a tap means a mark before a pipe, a pipe before a house, and a house only within it', () => {
    const scene = sceneOf(quillfeather());
    const shown = fitted(
      scene.flatMap(({ places }) => [...places]),
      1000,
      800,
    );
    const tap = (of: Place): string | undefined => thingAt(shown, scene, spotOf(shown, of))?.id;
    const thing = (id: string): Thing => scene.find((each) => each.id === id)!;
    for (const id of ['basin', 'wye1', 'ds1', 'swale', 'gas']) {
      const { places } = thing(id);
      expect(
        tap(
          places.length > 1
            ? at((places[0]!.east + places[1]!.east) / 2, (places[0]!.north + places[1]!.north) / 2)
            : places[0]!,
        ),
      ).toBe(id);
    }
    expect(tap(at(10 * 0.3048, -15 * 0.3048))).toBe('clinic');
    expect(thingAt(shown, [thing('clinic')], spotOf(shown, at(-6, 3)))).toBeNull();
  });
});

describe('where a finger means to put something', () => {
  const house: Element = {
    id: 'house',
    kind: 'building',
    name: 'House',
    outline: [at(0, 0), at(10, 0), at(10, 8), at(0, 8)],
  };
  const basin: Element = {
    id: 'basin',
    kind: 'basin',
    name: 'Basin',
    grate: 'flat12',
    groundLevel: 0,
    place: at(20, 4),
  };
  const things = sceneOf(jobFrom('j', [house, basin]));

  it('on a landing, a corner or a wall that is near; free where nothing is', () => {
    const snap = (east: number, north: number) => snapTo(at(east, north), { things, reach: 0.5 });
    expect(snap(20.3, 4.1)).toEqual({ place: at(20, 4), to: 'on it', id: 'basin' });
    expect(snap(9.8, 7.8)).toMatchObject({ place: at(10, 8), to: 'corner', id: null });
    expect(snap(4, -0.3)).toMatchObject({ place: at(4, 0), to: 'on the edge' });
    expect(snap(15, 15)).toEqual({ place: at(15, 15), to: null, id: null });
    expect(snapTo(at(20.3, 4.1), { things, reach: 0.5, not: 'basin' }).to).toBeNull();
  });

  it('square to the last stretch, or straight on, within a finger’s breadth', () => {
    const before = [at(30, 0), at(30, 10)];
    const snap = (east: number, north: number) => snapTo(at(east, north), { things, before, reach: 0.5 });
    const square = snap(36, 10.3);
    expect(square.to).toBe('square');
    expect(square.place.north).toBeCloseTo(10, 6);
    expect(snap(30.2, 16).place.east).toBeCloseTo(30, 6);
    expect(snap(35, 14)).toEqual({ place: at(35, 14), to: null, id: null });
  });
});
