import fc from 'fast-check';
import { changed, put } from '../job/change';
import { jobFaults } from '../job/faults';
import { jobFrom, ofKind, type Job } from '../job/job';
import type { Building, Element, Run } from '../job/kinds';
import { putDown } from '../job/places';
import { planJob } from '../verdict/planJob';
import { wayLength, type Place } from '../site/place';
import { basin, jobOf, out, pipe } from '../testing/parts';
import { crossingsOfRun } from './crossings';
import { slopesAway } from './diagnosis';
import { at, bowl, levelled, moved, spot } from '../testing/levelledYard';
import { groundOf } from './ground';
import { levelsOf } from './levels';
import { nextLevels } from './nextLevel';
import { routeAround } from './route';
import { catchmentCells, situated } from './situate';
import { yardWater } from './water';

const inBowl = (turn = 0, by = at(0, 0)): Job =>
  jobOf(
    ...levelled(bowl, turn, by),
    basin({ place: moved(at(12, 12), turn, by), levelFrom: 'ground', groundLevel: 9 }),
    out({ place: moved(at(12, 26), turn, by), groundLevel: -0.6 }),
    pipe('basin', { lengthFrom: 'plan', length: 99 }),
  );

describe('a job with places', () => {
  it('takes lengths from the plan, levels from the ground, and gathers what runs to an inlet', () => {
    const job = inBowl();
    const plan = planJob(job);
    expect(plan.runs['pipe-basin']!.length).toBeCloseTo(14, 6);
    expect(plan.landings.basin!.groundLevel).toBeCloseTo(bowl(at(12, 12)), 6);
    const gathered = plan.sources.contributingAreas.filter(({ id }) => id.startsWith('ground~basin'));
    const area = gathered.reduce((sum, each) => sum + each.area, 0);
    const cells = catchmentCells(job, 'basin')!;
    expect(area).toBeCloseTo(cells.cells.length * cells.cell ** 2, 6);
    // All that falls on the bowl's own catchment: uphill of it, to the south, and no more than the yard.
    expect(area).toBeGreaterThan(60);
    expect(area).toBeLessThan(24 * 24);
    // What is stored stays as it is.
    expect(job.elements.get('basin')).toMatchObject({ groundLevel: 9 });
    expect((job.elements.get('pipe-basin') as Run).length).toBe(99);
  });

  it('is itself without places, and situating twice is situating once', () => {
    const plain = jobOf(basin(), out(), pipe('basin'));
    expect(situated(plain)).toBe(plain);
    const once = situated(inBowl());
    expect(situated(once)).toBe(once);
  });

  it('moved and turned, no figure changes', () => {
    const before = planJob(inBowl());
    const area = (plan: typeof before): number =>
      plan.sources.contributingAreas.reduce((sum, each) => sum + each.area, 0);
    for (const turn of [Math.PI / 2, Math.PI]) {
      const after = planJob(inBowl(turn, at(300, -70)));
      expect(after.runs['pipe-basin']!.length).toBeCloseTo(before.runs['pipe-basin']!.length, 6);
      expect(after.landings.basin!.groundLevel).toBeCloseTo(before.landings.basin!.groundLevel, 6);
      // To the step of the grid, whose cells lie otherwise on the ground then.
      expect(Math.abs(area(after) / area(before) - 1)).toBeLessThan(0.06);
    }
  });

  it('raised as a whole, ponds and catchments stay', () => {
    const figures = (up: number) => {
      const job = jobOf(...levelled((place) => bowl(place) + up), basin({ place: at(12, 12) }), out());
      const water = yardWater(job)!;
      return [
        water.ponds.map(({ area, depth }) => [Math.round(area * 1e6), Math.round(depth * 1e6)]),
        catchmentCells(job, 'basin')!.cells.length,
      ];
    };
    expect(figures(50)).toEqual(figures(0));
  });

  it('shares the yard between two inlets without loss, whatever stands where', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 23, noNaN: true }),
        fc.double({ min: 1, max: 23, noNaN: true }),
        (east, north) => {
          const both = jobOf(
            ...levelled(bowl),
            basin({ place: at(12, 12) }),
            basin({ id: 'other', place: at(east, north) }),
            out(),
          );
          const count = (id: string): number => catchmentCells(both, id)!.cells.length;
          const water = yardWater(both)!;
          const all = water.flow.order.length;
          const alone = catchmentCells(jobOf(...levelled(bowl), basin({ place: at(12, 12) }), out()), 'basin')!.cells
            .length;
          expect(count('basin') + count('other')).toBeLessThanOrEqual(all);
          expect(count('basin') + count('other')).toBeGreaterThanOrEqual(alone);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('leaves typed ground as it was typed: an inlet that somebody gave ground takes none from the plan', () => {
    const ground: Element = {
      id: 'typed',
      kind: 'surface',
      name: 'Lawn',
      cover: 'lawnLoam',
      area: 100,
      feeds: [{ to: 'basin', share: 1 }],
    };
    const plan = planJob(changed(inBowl(), put('Typed', ground)));
    expect(plan.sources.contributingAreas.map(({ id }) => id)).toEqual(['typed']);
  });

  it('counts drawn ground once: by its cover where the ground leads it, and not where it is led by hand', () => {
    const square = [at(6, 6), at(18, 6), at(18, 18), at(6, 18)];
    const paving: Element = {
      id: 'patio',
      kind: 'surface',
      name: 'Patio',
      cover: 'paving',
      outline: square,
      feeds: [],
    };
    const areas = (job: Job): Map<string, number> =>
      new Map(planJob(job).sources.contributingAreas.map(({ id, area }) => [id, area]));
    const bare = [...areas(inBowl())].reduce((sum, [, area]) => sum + area, 0);
    const paved = areas(changed(inBowl(), put('Patio', paving)));
    expect(paved.get('ground~basin~paving')).toBeGreaterThan(30);
    expect([...paved.values()].reduce((sum, area) => sum + area, 0)).toBeCloseTo(bare, 6);
    const led = areas(
      changed(inBowl(), put('Patio', { ...paving, feeds: [{ to: 'other', share: 1 }] }, basin({ id: 'other' }))),
    );
    expect(led.get('patio')).toBeCloseTo(144, 6);
    expect(led.has('ground~basin~paving')).toBe(false);
  });
});

describe('levels', () => {
  it('know their readings, and move with them', () => {
    const job = jobFrom('j', [
      { id: 'job', kind: 'job', name: 'J', units: 'us', pitchStyle: 'ground' },
      { ...spot('bm', at(0, 0), 10), benchmark: true },
      { id: 'a', kind: 'spotLevel', name: 'a', place: at(5, 0) },
      { id: 'b', kind: 'spotLevel', name: 'b', place: at(0, 5) },
      {
        id: 'book',
        kind: 'levelBook',
        name: 'Book',
        readings: [
          { point: 'bm', sight: 'back', rod: 1.5 },
          { point: 'a', sight: 'between', rod: 2 },
          { point: 'b', sight: 'fore', rod: 1.7 },
        ],
      },
    ]);
    expect(levelsOf(job).byId.get('a')).toBeCloseTo(9.5, 9);
    expect(groundOf(job).surface!.levelAt(at(1, 1))).not.toBeNull();
    const book = ofKind(job, 'levelBook')[0]!;
    const readings = book.readings.map((each, k) => (k === 1 ? { ...each, rod: 2.1, was: [2] } : each));
    const again = changed(job, put('Put right', { ...book, readings }));
    expect(levelsOf(again).byId.get('a')).toBeCloseTo(9.4, 9);
    // An instrument whose sight points 1 mm a metre up reads too high at a distance, and is put right there.
    const bent = {
      ...book,
      twoPeg: { distance: 30, midA: 1.5, midB: 1.5, endA: 1.5, endB: 1.53 },
      readings: book.readings.map((each, k) => (k === 1 ? { ...each, away: 20 } : each)),
    };
    expect(levelsOf(changed(job, put('Tested', bent))).byId.get('a')).toBeCloseTo(9.52, 9);
  });

  it('that lie in a line, or are two, make no ground, and nothing fails for it', () => {
    for (const levels of [[], [at(0, 0), at(1, 1)], [at(0, 0), at(1, 1), at(4, 4)]]) {
      const job = jobOf(
        ...levels.map((place, k) => spot(`l${k}`, place, k)),
        basin({ place: at(1, 1), levelFrom: 'ground' }),
        out(),
        pipe('basin'),
      );
      expect(groundOf(job).surface).toBeNull();
      expect(yardWater(job)).toBeNull();
      expect(planJob(job).landings.basin!.groundLevel).toBe(0);
      expect(nextLevels(job)).toEqual([]);
    }
  });
});

describe('what a line meets', () => {
  it('is found, measured and in order: a service square across it, roots, a slab', () => {
    const job = jobOf(
      basin({ place: at(0, 0) }),
      out({ place: at(40, 0) }),
      pipe('basin', { lengthFrom: 'plan', length: 40 }),
      { id: 'gas', kind: 'service', name: 'Gas', form: 'gas', way: [at(10, -5), at(10, 5)] },
      { id: 'tree', kind: 'tree', name: 'Pear', place: at(20, 3), crown: 8, vigour: 'low' },
      {
        id: 'walk',
        kind: 'surface',
        name: 'Walk',
        cover: 'paving',
        outline: [at(30, -2), at(32, -2), at(32, 2), at(30, 2)],
        feeds: [],
      },
    );
    const met = crossingsOfRun(job, job.elements.get('pipe-basin') as Run);
    expect(met.map(({ id }) => id)).toEqual(['gas', 'tree', 'walk']);
    expect(met[0]).toMatchObject({ from: 10, angle: Math.PI / 2 });
    // Roots reach 4 m from a trunk 3 m off the line: half a chord of √7 to each side.
    expect(met[1]!.to - met[1]!.from).toBeCloseTo(2 * Math.sqrt(7), 0);
    expect(met[2]!.from).toBeCloseTo(30, 0);
  });

  it('a way round a house touches no wall, and is no longer than walking round it', () => {
    const house: Building = {
      id: 'house',
      kind: 'building',
      name: 'House',
      outline: [at(0, 0), at(10, 0), at(10, 8), at(0, 8)],
    };
    const route = routeAround(jobOf(house), at(-5, 4), at(15, 4));
    expect(route.length).toBeGreaterThan(2);
    expect(wayLength(route)).toBeLessThan(26);
    expect(routeAround(jobOf(house), at(-5, 4), at(-5, 9))).toHaveLength(2);
  });

  it('the ground falls away from three walls and toward the fourth', () => {
    const house: Building = {
      id: 'house',
      kind: 'building',
      name: 'House',
      outline: [at(8, 8), at(16, 8), at(16, 16), at(8, 16)],
    };
    const tilted = levelled((place) => 1 + 0.03 * place.north);
    const falls = slopesAway(jobOf(...tilted, house), house.outline!);
    expect(falls.map(({ fall }) => Math.round(fall * 1000))).toEqual([87, 0, -87, 0]);
  });
});

describe('bad input', () => {
  const faultsOf = (element: Element): string[] =>
    jobFaults(jobOf(element)).map(({ path, sentence }) => `${path} ${sentence}`);

  it('names crossed outlines, walls of nothing and areas of none', () => {
    const house = (outline: Place[]): Building => ({ id: 'house', kind: 'building', name: 'House', outline });
    expect(faultsOf(house([at(0, 0), at(4, 4), at(4, 0), at(0, 4)]))).toEqual([
      'elements.house.outline crosses itself: its 1st side and its 3rd',
    ]);
    expect(faultsOf(house([at(0, 0), at(0, 0), at(4, 0)]))).toEqual([
      'elements.house.outline has a side of no length, its 1st',
    ]);
    expect(faultsOf(house([at(0, 0), at(2, 0), at(4, 0)]))).toEqual([
      'elements.house.outline holds no area: its corners lie in a line',
    ]);
    expect(faultsOf({ id: 'lawn', kind: 'surface', name: 'Lawn', cover: 'lawnLoam', feeds: [] })).toEqual([
      'elements.lawn.area is missing: give its area, or draw its outline',
    ]);
  });

  it('a taped length that the plan does not bear out is told and never changed', () => {
    const job = jobOf(basin({ place: at(0, 0) }), out({ place: at(30, 0) }), pipe('basin', { length: 33 }));
    const plan = planJob(job);
    expect(plan.runs['pipe-basin']!.length).toBe(33);
    expect(
      plan.snags.some(
        ({ code, figure, limit }) => code === 'lengthDisagrees' && figure === 33 && Math.abs(limit - 30) < 1e-9,
      ),
    ).toBe(true);
    const near = planJob(changed(job, put('Near', pipe('basin', { length: 30.5 }))));
    expect(near.snags.map(({ code }) => code)).not.toContain('lengthDisagrees');
  });

  it('a thing is put down by its own shape', () => {
    expect(putDown(basin(), [at(1, 2), at(3, 4)])).toMatchObject({ place: at(1, 2) });
    expect(putDown({ id: 'f', kind: 'barrier', name: 'F', form: 'fence' }, [at(1, 2), at(3, 4)])).toMatchObject({
      way: [at(1, 2), at(3, 4)],
    });
  });
});
