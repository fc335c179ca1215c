import { changed, put } from '../job/change';
import { moveWhole } from '../job/edits/move';
import { elementOf, type Job } from '../job/job';
import type { Building, Element, RoofFace, Swale } from '../job/kinds';
import { placesOf } from '../job/places';
import { planJob } from '../verdict/planJob';
import { wayLength, type Place } from '../site/place';
import { basin, face, jobOf, out, pipe, rain, spout } from '../testing/parts';
import { at, bowl, levelled } from '../testing/levelledYard';
import { cutAlong } from './cut';
import { leadingIn, splashesOf } from './downhill';
import { groundPicture } from './picture';
import { groundSays } from './says';

/** Falls north, 2 %. */
const plane = (place: Place): number => 1 - 0.02 * place.north;
const roof = face(50, 'spout');
const down = spout({ place: at(12, 4), groundLevel: 0.92 });
const inlet = basin({ place: at(12, 18), groundLevel: 0.64 });
const yard = (level: (place: Place) => number, ...more: Element[]): Job => jobOf(rain(), ...levelled(level), ...more);

describe('a downspout that lets out on the ground', () => {
  const job = yard(plane, roof, down, inlet, out({ place: at(12, 23) }), pipe('basin', { length: 5 }));

  it('sends its roof to the inlet that the ground leads it to, and no more once a pipe takes it', () => {
    const splashed = planJob(job).landings['basin']!.passing;
    const dry = planJob(changed(job, { puts: [], removes: ['face-spout'] })).landings['basin']!.passing;
    // 50 m² at C = 1 in 4e-5 m/s; the rain is the same for all times.
    expect(splashed - dry).toBeCloseTo(50 * 4e-5, 9);
    const led = changed(job, put('Lead', pipe('spout')));
    expect(planJob(led).landings['basin']!.passing).toBeCloseTo(dry, 12);
    expect(splashesOf(led)).toEqual([]);
  });

  it('still wants a way out of its own, and its snag says where the water goes', () => {
    const [snag] = planJob(job).snags.filter(({ code }) => code === 'noDischarge');
    expect(snag).toMatchObject({ at: 'spout', severity: 'stop', other: 'basin' });
  });

  it('is taken by a swale in between, and lost off the yard where nothing stands below', () => {
    const swale: Swale = {
      id: 'swale',
      kind: 'swale',
      name: 'Swale',
      section: 'v',
      sideSlope: 3,
      depth: 0.3,
      lining: 'grass',
      way: [at(4, 10), at(20, 10)],
    };
    const [met] = splashesOf(changed(job, put('Dig', swale)));
    expect(met).toMatchObject({ id: 'spout', to: 'swale' });
    // From 4 to 1.5 short of 10 m north, straight down 2 %.
    expect(met!.length).toBeGreaterThan(3.5);
    expect(met!.length).toBeLessThan(6.5);
    expect(met!.slope).toBeCloseTo(0.02, 2);
    expect(splashesOf(yard(plane, roof, down, basin({ place: at(3, 2) })))).toEqual([]);
  });

  it('at the very wall of a house lets out beside it, on whichever side it hangs', () => {
    const house: Building = {
      id: 'house',
      kind: 'building',
      name: 'House',
      outline: [at(8, 4), at(16, 4), at(16, 10), at(8, 10)],
    } as Building;
    // On its lower wall, on a corner, and 20 cm within it, as a finger puts it down.
    for (const place of [at(12, 10), at(16, 10), at(12, 9.8)]) {
      const hung = yard(plane, house, roof, spout({ place }), basin({ place: at(place.east, 18), groundLevel: 0.64 }));
      expect(splashesOf(hung)).toMatchObject([{ id: 'spout', to: 'basin' }]);
    }
    // In the middle of the house is nowhere.
    expect(splashesOf(yard(plane, house, roof, spout({ place: at(12, 7) }), inlet))).toEqual([]);
  });

  it('comes to an inlet anywhere in the pond that it runs into', () => {
    const pond = yard(bowl, roof, down, basin({ place: at(13, 13), groundLevel: 0.6 }));
    expect(splashesOf(pond).map(({ to }) => to)).toEqual(['basin']);
  });

  it('steady water with a place and no target is led the same way', () => {
    const spring: Element = { id: 'spring', kind: 'fixedFlow', name: 'Spring', flow: 1e-4, feeds: [], place: at(6, 3) };
    const caught = basin({ place: at(6, 15), groundLevel: 0.7 });
    const wet = yard(plane, spring, caught, out(), pipe('basin', { length: 5 }));
    const gone = changed(wet, put('Move', { ...spring, place: at(20, 3) } as Element));
    expect(planJob(wet).landings['basin']!.passing - planJob(gone).landings['basin']!.passing).toBeCloseTo(1e-4, 12);
    expect(leadingIn(gone)!.from(at(20, 3), 'spring')).toBeNull();
  });
});

describe('a thing moved whole', () => {
  const house: Building = {
    id: 'house',
    kind: 'building',
    name: 'House',
    outline: [at(2, 2), at(10, 2), at(10, 8), at(2, 8)],
  } as Building;
  const slope: RoofFace = { ...roof, outline: [at(2, 2), at(10, 2), at(10, 5), at(2, 5)], eave: [at(2, 2), at(10, 2)] };
  const job = jobOf(house, slope, spout({ place: at(2.125, 2) }), basin({ place: at(14, 4) }));

  it('takes its roof and its downspouts along, turns nothing, and comes back by the same way', () => {
    const change = moveWhole(job, 'house', at(3, -1))!;
    const there = changed(job, change);
    expect(change.puts.map(({ id }) => id).sort()).toEqual(['face-spout', 'house', 'spout']);
    expect(elementOf(there, 'roofFace', 'face-spout')!.eave).toEqual([at(5, 1), at(13, 1)]);
    expect(placesOf(elementOf(there, 'basin', 'basin')!)).toEqual([at(14, 4)]);
    const back = changed(there, moveWhole(there, 'house', at(-3, 1))!);
    for (const id of ['house', 'face-spout', 'spout'])
      expect(placesOf(back.elements.get(id)!)).toEqual(placesOf(job.elements.get(id)!));
  });

  it('is nothing that stands nowhere', () => expect(moveWhole(jobOf(spout()), 'spout', at(1, 1))).toBeNull());
});

describe('a section anywhere', () => {
  it('has the levels of the ground along it, and gaps where nothing was levelled', () => {
    const way = [at(-6, 12), at(12, 12), at(12, 30)];
    const cut = cutAlong(yard(plane), way);
    expect(cut.length).toBeCloseTo(wayLength(way), 9);
    const known = cut.ground.filter((each) => each !== null);
    for (const { along, level } of known)
      expect(level).toBeCloseTo(plane(along <= 18 ? at(along - 6, 12) : at(12, 12 + along - 18)), 6);
    expect(known[0]!.along).toBeGreaterThan(5.7);
    expect(known.at(-1)!.along).toBeLessThan(30.3);
    expect(cut.ground.at(-1)).toBeNull();
    // It falls from 12 to 24 m north.
    expect(cut.fall).toBeCloseTo(0.02 * 12, 2);
  });

  it('of one place or of none is none, and of a yard without levels has no fall', () => {
    expect(cutAlong(yard(plane), [at(1, 1)])).toMatchObject({ length: 0, fall: null });
    expect(cutAlong(jobOf(), [at(0, 0), at(3, 4)])).toMatchObject({ length: 5, fall: null, ground: [] });
  });
});

it('the picture and what the ground says of a bowl: one pond in its middle, arrows downhill, nothing of a yard without levels', () => {
  const job = yard(bowl, basin({ place: at(12, 20) }));
  const picture = groundPicture(job, 'basin')!;
  expect(picture.ponds).toHaveLength(1);
  expect(wayLength([picture.ponds[0]!.middle, at(12, 12)])).toBeLessThan(1.5);
  const levels = [...picture.arrows].map(([from, to]) => bowl(from) - bowl(to));
  expect(Math.min(...levels)).toBeGreaterThan(0);
  expect(picture.catchment!.cells.length).toBeGreaterThan(0);
  expect(groundSays(job)).toMatchObject({ ground: true, levels: 169, unseen: [{ pond: picture.ponds[0]!.pond }] });
  expect(groundPicture(jobOf(), null)).toBeNull();
  expect(groundSays(jobOf())).toMatchObject({ ground: false, levels: 0 });
});
