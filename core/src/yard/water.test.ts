import { changed, put } from '../job/change';
import type { Job } from '../job/job';
import type { Element } from '../job/kinds';
import { planJob } from '../verdict/planJob';
import { cellAt } from '../ground/grid';
import { distance, type Place } from '../site/place';
import { basin, channel, jobOf, out } from '../testing/parts';
import { at, levelled } from '../testing/levelledYard';
import { lawnOn } from './catchments';
import { pondAt, unseenPonds } from './seen';
import { catchmentCells } from './situate';
import { flowPath, upstreamOf, yardWater } from './water';

/** 24 m square that falls north, 2 %. */
const plane = (place: Place): number => 1 - 0.02 * place.north;
const yard = (...more: Element[]): Job => jobOf(...levelled(plane), ...more);

it('water goes straight down a plane, round a house and along a wall, and through a fence', () => {
  const ends = (job: Job, from: Place): Place => flowPath(yardWater(job)!, from).at(-1)!;
  expect(ends(yard(), at(12, 2)).east).toBeCloseTo(12, 0);
  const house: Element = {
    id: 'house',
    kind: 'building',
    name: 'House',
    outline: [at(8, 8), at(15, 8), at(15, 14), at(8, 14)],
  };
  const round = flowPath(yardWater(yard(house))!, at(12, 2));
  expect(round.every(({ east, north }) => !(east > 8.3 && east < 14.7 && north > 8.3 && north < 13.7))).toBe(true);
  expect(round.at(-1)!.north).toBeGreaterThan(22);
  const barrier = (form: 'wall' | 'fence'): Element => ({
    id: 'edge',
    kind: 'barrier',
    name: 'Edge',
    form,
    way: [at(4, 12), at(20, 12)],
  });
  const walled = flowPath(yardWater(yard(barrier('wall')))!, at(12, 2));
  expect(Math.max(...walled.map(({ east }) => Math.abs(east - 12)))).toBeGreaterThan(7);
  const fenced = flowPath(yardWater(yard(barrier('fence')))!, at(12, 2));
  expect(Math.max(...fenced.map(({ east }) => Math.abs(east - 12)))).toBeLessThan(1);
});

it('what lies upstream of an inlet is what it gathers, where no other takes it first', () => {
  const job = yard(basin({ place: at(12, 20) }), out());
  const water = yardWater(job)!;
  const gathered = catchmentCells(job, 'basin')!;
  const own = cellAt(water.grid, at(12, 20));
  const up = upstreamOf(water, [own]).length;
  expect(gathered.cells.length).toBeGreaterThanOrEqual(up);
  // Two cells wide or three, as a grate lies a little low, and the whole way up to the yard's edge.
  expect(gathered.cells.length * gathered.cell ** 2).toBeGreaterThan(20 * 2 * gathered.cell * 0.95);
  for (const { north } of gathered.cells) expect(north).toBeLessThan(20 + 2 * gathered.cell);
});

it('a channel across a slope gathers all along its way, and leaves little to a basin below', () => {
  const drain = channel({ way: [at(4, 12), at(20, 12)], length: 16 });
  const job = yard(drain, basin({ place: at(12, 20) }), out());
  const [above, below] = ['channel', 'basin'].map((id) => catchmentCells(job, id)!.cells.length);
  expect(above).toBeGreaterThan((16 * 10) / catchmentCells(job, 'channel')!.cell ** 2);
  expect(below).toBeLessThan(above! / 8);
  const areas = planJob(job).sources.contributingAreas.map(({ id }) => id.split('~')[1]);
  expect(new Set(areas)).toEqual(new Set(['channel', 'basin']));
});

it('lawn sheds by its soil and its fall', () => {
  expect([0.01, 0.04, 0.1].map((slope) => lawnOn('clay', slope))).toEqual([
    'lawnClayFlat',
    'lawnClay',
    'lawnClaySteep',
  ]);
  expect(lawnOn('sand', 0.01)).toBe('lawnSandFlat');
  expect(lawnOn('siltLoam', 0.04)).toBe('lawnLoam');
  // The job's own soil is what the plan takes where nothing is drawn.
  const job = yard(basin({ place: at(12, 20) }), out());
  const cover = (each: Job): string => planJob(each).sources.contributingAreas[0]!.id.split('~')[2]!;
  expect(cover(job)).toBe('lawnLoam');
  const head = job.elements.get('job') as Extract<Element, { kind: 'job' }>;
  expect(cover(changed(job, put('Clay', { ...head, soil: 'clay' })))).toBe('lawnClay');
});

it('ponds nobody has seen are told until somebody notes them, or an inlet stands in them', () => {
  const bowl = levelled((place) => plane(place) - 0.4 * Math.exp(-(distance(place, at(12, 12)) ** 2) / 9));
  const job = jobOf(...bowl);
  const [pond] = unseenPonds(job);
  expect(pond!.depth).toBeGreaterThan(0.2);
  const water = yardWater(job)!;
  expect(pondAt(water, at(12, 12.5))).toBe(water.ponds[0]);
  expect(pondAt(water, at(2, 2))).toBeNull();
  const seen: Element = { id: 'wet', kind: 'wetSpot', name: 'Wet', form: 'standing', place: at(12, 13) };
  expect(unseenPonds(changed(job, put('Seen', seen)))).toEqual([]);
  expect(unseenPonds(changed(job, put('Drained', basin({ place: at(12, 13) }))))).toEqual([]);
});
