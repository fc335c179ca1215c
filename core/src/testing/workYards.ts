/** A yard for every snag of the other works: three numbers from 0 to 1 make one that has it, on most draws. */
import { changed, put } from '../job/change';
import type { Culvert, Discharge, Drain, Element, PavedBed, StoneDrain, Swale } from '../job/kinds';
import type { Job } from '../job/job';
import { basin, face, ground, house, jobOf, out, pipe, rain, spout } from './parts';
import { drainOf, swaleOf, culvertOf, bermOf, stoneOf, bedOf, pumpOf } from './someWorks';

export type MakeJob = (a: number, b: number, c: number) => Job;

const leaves = (from: string, more: object = {}): Element => pipe(from, { nominal: 0.1016, ...more });
const ends = (more: Partial<Discharge> = {}): Discharge => out({ stone: true, groundLevel: -1.6, ...more });

const drained = (more: Partial<Drain>, ...others: Element[]): Job =>
  jobOf(drainOf(more), ends(), leaves('drain'), ...others);
const swaled = (area: number, more: Partial<Swale> = {}, ...others: Element[]): Job =>
  jobOf(ground(area, 'swale'), swaleOf(more), ...others);
const culverted = (area: number, more: Partial<Culvert> = {}): Job => jobOf(ground(area, 'culvert'), culvertOf(more));
const pumped = (area: number, pump: Partial<NonNullable<Discharge['pump']>> = {}): Job =>
  jobOf(ground(area, 'basin'), basin(), pipe('basin', { nominal: 0.1524 }), out(pumpOf(7, 0.008, pump)));
const soaked = (area: number, store: Partial<NonNullable<Discharge['store']>>, more: Partial<Discharge> = {}): Job =>
  jobOf(
    ground(area, 'basin'),
    basin(),
    pipe('basin', { nominal: 0.1524 }),
    out({
      form: 'dryWell',
      groundLevel: 0,
      bank: undefined,
      store: { area: 4, depth: 1, cover: 0.5, voids: 0.9, soil: 'sand', ...store },
      ...more,
    }),
  );
const bedded = (more: Partial<PavedBed>, pipeMore: object = {}): Job =>
  jobOf(bedOf(more), ends(), leaves('bed', pipeMore));
const stony = (area: number, more: Partial<StoneDrain> = {}): Job =>
  jobOf(ground(area, 'stone'), stoneOf(more), ends(), pipe('stone', { nominal: 0.3048 }));
const way = (...ends: [number, number][]): { east: number; north: number }[] =>
  ends.map(([east, north]) => ({ east, north }));
const withRarer = (job: Job, times: number): Job =>
  changed(
    job,
    put(
      'Rarer',
      rain({
        openings: { returnPeriod: 100, intensity: 4e-5 * times },
        source: { type: 'own', place: 'Here', returnPeriod: 10 },
      }),
    ),
  );

export const WORK_YARDS: Record<string, MakeJob> = {
  drainUnderHouse: (a) => drained({ way: way([-5, 1 + 6 * a], [15, 1 + 6 * a]) }, house),
  drainUphill: (a) => drained({ pitch: -0.001 - 0.02 * a }),
  roofInPerforated: (a) =>
    jobOf(
      house,
      face(40, 'spout'),
      spout({ place: { east: 10, north: -0.2 } }),
      ends({ place: { east: 30, north: -1 - a } }),
      leaves('spout', { perforated: true }),
    ),
  rainInPerforated: (a) => jobOf(ground(20 + 40 * a, 'basin'), basin(), ends(), leaves('basin', { perforated: true })),
  drainShallow: (a) => drained({ depth: 0.15 + 0.14 * a }),
  drainWide: (a) => drained({ spacing: 20 + 30 * a }),
  drainFull: (a) =>
    drained(
      { nominal: 0.0508 },
      { id: 'spring', kind: 'fixedFlow', name: 'Spring', flow: 0.0015 + 0.002 * a, feeds: [{ to: 'drain', share: 1 }] },
    ),
  soilUnlikely: (a) => drained({ soil: 'clay', conductivity: 0.001 + 0.01 * a }),
  drainSlow: (a) => drained({ soil: 'clayLoam', spacing: 9 + 5 * a, recharge: 1e-9 }),
  fabricMissing: (a) => drained({ fabric: 'none', soil: a < 0.3 ? 'clay' : 'clayLoam' }),
  beddingPoor: (a) => drained(a < 0.5 ? { stone: 'pea' } : { fabric: 'woven' }),
  drainAmongRoots: (a) =>
    drained(
      { way: way([-10, 2], [10, 2]) },
      { id: 'tree', kind: 'tree', name: 'Willow', place: { east: 5 * a, north: 4 }, crown: 8 },
    ),
  swaleUphill: (a) => swaled(50, { footLevel: -0.3 + 0.3 * a }),
  swaleOver: (a) => swaled(4000 + 4000 * a, { depth: 0.12 }),
  swaleLow: (a) => swaled(900 + 300 * a, { depth: 0.15 }),
  swaleScours: (a) => swaled(200 + 300 * a, { lining: 'bare' }),
  swaleFlat: (a) => swaled(50, { footLevel: -0.3 - 0.02 - 0.25 * a }),
  swaleToNeighbour: () => swaled(50, { consent: 'needed' }),
  swaleAtDoor: (a) =>
    swaled(400 + 100 * a, { way: way([-5, -1], [15, -1]), length: undefined }, house, {
      id: 'door',
      kind: 'opening',
      name: 'Door',
      form: 'door',
      building: 'house',
      wall: 0,
      along: 5,
      sillLevel: -0.5,
    }),
  swaleOverRarer: (a) => withRarer(swaled(900, { depth: 0.15 }), 6 + 2 * a),
  culvertUphill: (a) => culverted(100, { invertDown: -0.99 + 0.1 * a }),
  culvertOverRoad: (a) => culverted(9000 + 3000 * a),
  culvertRarer: (a) => withRarer(culverted(3000), 4 + 2 * a),
  culvertAboveRoad: (a) => culverted(100, { roadLevel: -0.65 - 0.2 * a }),
  culvertCover: (a) => culverted(100, { roadLevel: -0.6 + 0.25 * a }),
  culvertScours: (a) => culverted(3000 + 500 * a, { stone: false, invertDown: -1.4 }),
  bermOver: (a) => jobOf(bermOf({ waterLevel: 0.32 + 0.2 * a })),
  bermLow: (a) => jobOf(bermOf({ waterLevel: 0.22 + 0.07 * a })),
  bermTraps: () => jobOf(bermOf()),
  bermDrainDrowns: (a) =>
    jobOf(
      ground(900 + 300 * a, 'basin'),
      basin({ grate: 'flat24', count: 4 }),
      out(),
      pipe('basin', { nominal: 0.1016 }),
      bermOf({ to: 'basin' }),
    ),
  bermAcross: (a) =>
    jobOf(
      swaleOf({ way: way([0, 0], [20, 0]), length: undefined }),
      bermOf({ way: way([5 + 5 * a, -3], [5 + 5 * a, 3]), length: undefined, to: 'swale' }),
    ),
  pumpTooWeak: (a) => pumped(20, { outletLevel: 6 + 2 * a }),
  pumpBehind: (a) => pumped(120 + 60 * a),
  pumpStarts: (a) => pumped(40, { area: 0.1 + 0.1 * a }),
  pumpOutage: (a) => pumped(60 + 20 * a),
  pumpBare: () => pumped(20, { alarm: false }),
  storeInWater: (a) => soaked(20, { waterTable: -1.4 + a }),
  storeNearWater: (a) => soaked(20, { waterTable: -1.55 - 0.5 * a }),
  storeOver: (a) => soaked(60 + 40 * a, {}),
  storeSlow: (a) => soaked(5, { conductivity: 2.6e-6 + 1e-6 * a }),
  storeInClay: () => soaked(5, { soil: 'clay' }),
  storeBySeptic: (a) =>
    changed(
      soaked(20, {}, { place: { east: 0, north: 0 } }),
      put('Septic', {
        id: 'septic',
        kind: 'service',
        name: 'Field',
        form: 'septicField',
        way: way([3 + 5 * a, 0], [12, 0]),
      }),
    ),
  bedTowardHouse: (a) => bedded({ fall: -0.002 - 0.02 * a }),
  bedOver: (a) => bedded({ depth: 0.1 + 0.08 * a, orifice: 0.01, liner: true }),
  bedSlow: (a) => bedded({ orifice: 0.001 + 0.001 * a, liner: true, depth: 0.6 }),
  barrelFreezes: () =>
    jobOf(
      face(30, 'spout'),
      spout(),
      { id: 'barrel', kind: 'barrel', name: 'Barrel', groundLevel: 0, volume: 0.2 },
      ends(),
      leaves('spout', { to: 'barrel', length: 3 }),
      leaves('barrel'),
    ),
  sumpFreezes: () =>
    jobOf(basin(), ends(), leaves('basin'), {
      id: 'sump',
      kind: 'fixedFlow',
      name: 'Sump',
      origin: 'sump',
      flow: 0.001,
      feeds: [{ to: 'basin', share: 1 }],
    }),
  waterAtDoor: (a) => stony(420 + 300 * a, { sillLevel: 0.005 }),
  stoneDrainClose: (a) => stony(40, { sillLevel: -0.04 + 0.05 * a }),
  stoneOver: (a) => stony(420 + 300 * a, { stone: 'angular' }),
  stoneHigh: (a) => stony(20, { groundLevel: -0.045 * a }),
  sleeveSmall: () =>
    jobOf(ground(20, 'basin'), basin(), ends(), leaves('basin'), {
      id: 'sleeve',
      kind: 'sleeve',
      name: 'Sleeve',
      nominal: 0.1016,
      use: 'pipe',
      length: 3,
      holds: 'pipe-basin',
    }),
  grateAtEnd: () => jobOf(ground(20, 'basin'), basin(), ends({ end: 'grate' }), leaves('basin')),
  oldFallUnknown: () => jobOf(ground(20, 'basin'), basin(), ends(), leaves('basin', { old: { fate: 'kept' } })),
  oldStateUnknown: () => jobOf(ground(20, 'basin'), basin(), ends(), leaves('basin', { old: { fate: 'kept' } })),
  oldPipePoor: () =>
    jobOf(ground(20, 'basin'), basin(), ends(), leaves('basin', { old: { fate: 'kept', state: 'roots' } })),
};

/** Those that only somebody on site can mend. */
export const WORKS_WITHOUT_FIX: readonly string[] = [
  'drainUnderHouse',
  'soilUnlikely',
  'drainAmongRoots',
  'swaleFlat',
  'swaleToNeighbour',
  'swaleAtDoor',
  'swaleOverRarer',
  'culvertRarer',
  'culvertAboveRoad',
  'bermTraps',
  'bermDrainDrowns',
  'bermAcross',
  'pumpOutage',
  'storeInWater',
  'storeNearWater',
  'storeInClay',
  'storeBySeptic',
  'bedSlow',
  'barrelFreezes',
  'oldPipePoor',
  'oldFallUnknown',
  'oldStateUnknown',
];
