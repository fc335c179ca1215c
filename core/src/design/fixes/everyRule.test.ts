/** A law over every rule, each with a generator of its own: a fix leaves a sound job, its snag gone, and nothing as bad or worse come. */
import fc from 'fast-check';
import { changed, put } from '../../job/change';
import { jobFaults } from '../../job/faults';
import type { Element, Junction } from '../../job/kinds';
import type { Job } from '../../job/job';
import { planJob } from '../../verdict/planJob';
import { RULES } from '../../snags/rules';
import { basin, channel, face, ground, jobOf, out, pipe, rain, spout, node } from '../../testing/parts';
import { WORK_YARDS, WORKS_WITHOUT_FIX } from '../../testing/workYards';
import { brokenFix } from '../../trial/trial';
import { fixOf } from '.';

/** Three numbers from 0 to 1 make a job that has the rule's snag, on most draws. */
type Make = (a: number, b: number, c: number) => Job;

const yard = (area: number, ...more: Element[]): Job =>
  jobOf(ground(area, 'basin'), basin(), out(), pipe('basin'), ...more);
/** A yard whose basin and pipe have other fields, on another way out. */
const yardWith = (area: number, by: { basin?: object; pipe?: object; out?: object }): Job =>
  jobOf(
    ground(area, 'basin'),
    { ...basin(), ...by.basin } as Element,
    { ...out(), ...by.out } as Element,
    { ...pipe('basin'), ...by.pipe } as Element,
  );
const levels = (up: number, down?: number): object => ({
  grade: { type: 'levels', up, ...(down === undefined ? {} : { down }) },
});
const roof = (area: number, more: object = {}, faceMore: object = {}): Job =>
  jobOf(
    face(area, 'spout', faceMore),
    { ...spout(), ...more } as Element,
    out({ stone: true }),
    pipe('spout', { nominal: 0.1524 }),
  );
const drain = (area: number, more: object, pipeMore: object = {}): Job =>
  jobOf(ground(area, 'channel'), { ...channel(), ...more } as Element, out({ stone: true }), {
    ...pipe('channel', { nominal: 0.1016 }),
    ...pipeMore,
  } as Element);
/** A roof’s line into the upper end of a channel. */
const intoChannel = (area: number, by: object): Job =>
  jobOf(
    face(area, 'spout'),
    spout({ groundLevel: 0.4 }),
    { ...out({ id: 'head', form: 'channel' }), into: 'channel' } as Element,
    pipe('spout', { to: 'head', length: 6, nominal: 0.1524 }),
    ground(30, 'channel'),
    { ...channel(), width: 0.2, length: 6, slope: 0, ...by } as Element,
    out({ groundLevel: -1.2, stone: true }),
    pipe('channel', { nominal: 0.2032 }),
  );
const rarer = (times: number): Element =>
  rain({
    openings: { returnPeriod: 100, intensity: 4e-5 * times },
    source: { type: 'own', place: 'Here', returnPeriod: 10 },
  });
/** A basin 1 m before a door that it does not name; `sill`: nothing where nobody measured it. */
const byTheDoor = (area: number, sill: { sillLevel?: number }, times: number): Job =>
  jobOf(
    rarer(times),
    {
      id: 'house',
      kind: 'building',
      name: 'House',
      outline: [0, 1, 2].map((k) => ({ east: 9 * (k % 2), north: 4 * k })),
    },
    { id: 'door', kind: 'opening', name: 'Door', form: 'door', building: 'house', wall: 0, ...sill },
    ground(area, 'basin'),
    basin({ place: { east: 5, north: 1 } }),
    out({ stone: true }),
    pipe('basin', { nominal: 0.3048 }),
  );
const through = (form: Junction['form'], side: number): Job =>
  jobOf(
    ground(60, 'basin'),
    basin(),
    node(form, { groundLevel: -0.1 }),
    basin({ id: 'other' }),
    ground(side, 'other'),
    out({ stone: true }),
    pipe('basin', { to: 'node', length: 8 }),
    pipe('other', { to: 'node', length: 6 }),
    pipe('node', { nominal: 0.2032 }),
  );
const main = (more: object): Job =>
  yardWith(50, {
    out: { form: 'main', groundLevel: 0, controlLevel: -0.8, mainDiameter: 0.3, mainPitch: 0.01, ...more },
  });
const dry = (...elements: Element[]): Job => changed(jobOf(...elements), { puts: [], removes: ['rain'] });

/** A basin's line of 40 m to its way out on the plan, over ground of 11 by 3 levels that `rise` lifts. */
const onGround = (rise: (east: number) => number, pipeMore: object, ...more: Element[]): Job =>
  jobOf(
    ground(40, 'basin'),
    basin({ place: { east: 0, north: 0 } }),
    out({ place: { east: 40, north: 0 }, stone: true }),
    pipe('basin', { length: 40, nominal: 0.1016, ...pipeMore }),
    ...Array.from({ length: 33 }, (_, k): Element => {
      const [east, north] = [4 * (k % 11), 4 * Math.floor(k / 11) - 4];
      return { id: `level${k}`, kind: 'spotLevel', name: `Level ${k}`, place: { east, north }, level: rise(east) };
    }),
    ...more,
  );
const across = (east: number): { east: number; north: number }[] => [
  { east, north: -10 },
  { east, north: 10 },
];
const falls = (east: number): number => -0.0075 * east;

const MAKE: Record<string, Make> = {
  pipesCross: (a, b) =>
    jobOf(
      ground(40, 'basin'),
      basin({ place: { east: 0, north: 0 } }),
      basin({ id: 'other', place: { east: 10 + 20 * a, north: 10 } }),
      ground(20, 'other'),
      out({ place: { east: 40, north: 0 }, stone: true, groundLevel: -2.2 }),
      out({ id: 'away', place: { east: 10 + 20 * a, north: -30 }, stone: true, groundLevel: -2.2 }),
      pipe('basin', { length: 40, grade: { type: 'levels', up: -0.5, down: -0.7 } }),
      pipe('other', { to: 'away', length: 40, grade: { type: 'levels', up: -0.5 - 0.1 * a + 0.05 * b, down: -1 } }),
    ),
  serviceInWay: (a) =>
    onGround(
      falls,
      {},
      {
        id: 'water',
        kind: 'service',
        name: 'Water',
        form: 'water',
        depth: 0.3 + 0.2 * a,
        way: across(12),
      },
    ),
  serviceUnmarked: (a, b) =>
    onGround(
      falls,
      {},
      { id: 'gas', kind: 'service', name: 'Gas', form: b < 0.5 ? 'gas' : 'telecom', way: across(4 + 30 * a) },
    ),
  footingUndermined: (a) =>
    onGround(
      falls,
      {},
      {
        id: 'house',
        kind: 'building',
        name: 'House',
        footingDepth: 0.1 + 0.1 * a,
        outline: [8, 20, 20, 8].map((east, k) => ({ east, north: k < 2 ? 0.15 : 6 })),
      },
    ),
  boundaryCrossed: (a) =>
    onGround(
      falls,
      {},
      { id: 'line', kind: 'barrier', name: 'Boundary', form: 'propertyLine', way: across(5 + 30 * a) },
    ),
  deepBetween: (a) => onGround((east) => falls(east) + (1.3 + a) * Math.exp(-(((east - 20) / 6) ** 2)), {}),
  groundBetween: (a, b) =>
    changed(
      onGround((east) => falls(east) - (0.38 + 0.05 * a) * Math.exp(-(((east - 11 - 2 * b) / 4) ** 2)), {}),
      put('Lower', out({ place: { east: 40, north: 0 }, stone: true, groundLevel: -1.3 })),
    ),
  rootsCrossed: (a) =>
    onGround(
      falls,
      { material: 'singleWall' },
      {
        id: 'tree',
        kind: 'tree',
        name: 'Willow',
        place: { east: 8 + 20 * a, north: 2 },
        crown: 6,
      },
    ),
  lengthDisagrees: (a) => onGround(falls, { length: 41.5 + 6 * a }),
  noRain: (a) => dry(ground(20 + 100 * a, 'basin'), basin(), out(), pipe('basin')),
  strayRun: (a) => yard(30 + 50 * a, pipe('basin', { id: 'second', length: 5 + 20 * a })),
  noDischarge: (a) => jobOf(ground(20 + 60 * a, 'basin'), basin(), out()),
  mainLevelMissing: () => main({ controlLevel: undefined }),
  outOfFall: (a, b) =>
    yardWith(40, { out: { groundLevel: -0.54 + 0.25 * a, bank: undefined }, pipe: { length: 20 + 10 * b } }),
  adversePitch: (a, b) => yardWith(40, { pipe: levels(-1.2 - a, -0.9 - b) }),
  lidAboveInlet: (a) => yardWith(30, { out: { form: 'popup', groundLevel: -0.02 + 0.4 * a, bank: undefined } }),
  waterOverGrate: (a) => yardWith(500 + 600 * a, { basin: { grate: 'flat24', count: 4 }, pipe: { nominal: 0.1016 } }),
  nearOpening: (a, b) => yardWith(200 + 100 * a, { basin: { sillLevel: 0.03 + 0.06 * b } }),
  openingFloods: (a, b) =>
    changed(
      yardWith(150, { basin: { sillLevel: 0.14 + 0.02 * b }, pipe: { nominal: 0.1016 } }),
      put('Rarer', rarer(3 + 2 * a)),
    ),
  mainFull: (a) => main({ mainUsed: 0.075 + 0.05 * a }),
  channelUnsaid: (a) =>
    jobOf(face(20 + 40 * a, 'spout'), spout(), out({ form: 'channel' }), pipe('spout', { nominal: 0.0762 })),
  pipeOverChannel: (a) => intoChannel(20 + 60 * a, { depth: 0.06 + 0.05 * a }),
  nearBuilding: (a) => yardWith(40, { out: { buildingDistance: 2.9 * a, groundLevel: -1.2 } }),
  deepTrench: (a) => yardWith(40, { out: { groundLevel: -2.6 }, pipe: levels(-1.6 - 0.4 * a) }),
  capacityExceeded: (a) => yardWith(250 + 250 * a, { basin: { grate: 'flat18' }, pipe: { nominal: 0.0762 } }),
  grateSmall: (a) => yardWith(150 + 250 * a, { basin: { grate: 'round6' } }),
  channelOvertops: (a) => drain(150 + 150 * a, { width: 0.06, depth: 0.06 }, { nominal: 0.1524 }),
  channelOutlet: (a) => drain(200 + 150 * a, { width: 0.3, depth: 0.12 }, { nominal: 0.0762 }),
  channelHolds: (a) => drain(30, { depth: 0.3 }, levels(-0.28 + 0.1 * a)),
  carriesOver: (a) => yardWith(60, { basin: { approach: { slope: 0.02 + 0.05 * a, roughness: 0.012, width: 3 } } }),
  downspoutSmall: (a) => roof(160 + 120 * a, { size: 'rect2x3' }),
  valleyOvershoots: (a) =>
    roof(60, { gutter: 'gutter5' }, { valley: { gutterRun: 8 + 12 * a }, shape: { type: 'area', area: 90 + 60 * a } }),
  teeLoaded: (a) => through('tee', 30 + 60 * a),
  throatLeft: (a) => yardWith(40, { pipe: { throat: 0.06 + 0.06 * a } }),
  underLeastPitch: (a) => yardWith(40, { pipe: levels(-0.6, -0.61 - 0.05 * a) }),
  coverShort: (a, b) =>
    b < 0.5
      ? yardWith(30, { out: { stone: true }, pipe: levels(-0.2 - 0.05 * a) })
      : yardWith(30, { out: { bank: undefined, groundLevel: -1 - b }, pipe: { length: 12 + 10 * a } }),
  areaDisagrees: (a) =>
    jobOf(
      basin(),
      out(),
      pipe('basin'),
      ground(110 + 40 * a, 'basin', {
        outline: [
          { east: 0, north: 0 },
          { east: 10, north: 0 },
          { east: 10, north: 10 },
          { east: 0, north: 10 },
        ],
      }),
    ),
  bankAssumed: (a) => yardWith(30, { out: { receiving: 'slope', bank: undefined }, pipe: { length: 12 + 10 * a } }),
  hangsOut: (a) => yardWith(30, { out: { stone: true }, pipe: { length: 12, ...levels(-0.5, -0.6 - 0.6 * a) } }),
  largerIntoSmaller: (a) =>
    jobOf(
      ground(40 + 20 * a, 'basin'),
      basin(),
      node('bend'),
      out({ stone: true }),
      pipe('basin', { to: 'node', length: 8, nominal: 0.2032 }),
      pipe('node', { nominal: 0.1016 }),
    ),
  lostWater: (a) => yard(30, ground(20 + 20 * a, 'basin', { id: 'lost', feeds: [] })),
  popupHolds: (a) =>
    yardWith(30, { out: { form: 'popup', groundLevel: -0.75 + 0.2 * a, bank: undefined }, pipe: levels(-0.5, -0.9) }),
  noCleanout: (a) =>
    yardWith(60, { out: { groundLevel: -1.2, stone: true }, pipe: { length: 32 + 25 * a, nominal: 0.1016 } }),
  willSilt: (a) =>
    yardWith(30 + 12 * a, {
      pipe: { nominal: 0.254 },
      out: { stone: true, groundLevel: -0.85, bank: { length: 3, topLevel: 0 } },
    }),
  stoneMissing: (a) => yardWith(150 + 100 * a, { out: { groundLevel: -2.2 } }),
  flatInMulch: (a) => yard(20, ground(60 + 60 * a, 'basin', { id: 'bed', cover: 'mulch', coefficient: 0.3 })),
  velocityHigh: (a) =>
    yardWith(250, {
      basin: { grate: 'flat24' },
      out: { groundLevel: -7 - 3 * a, stone: true, bank: undefined },
      pipe: { length: 18, nominal: 0.1016 },
    }),
  blockedGrate: (a) => yardWith(60, { basin: { sillLevel: 0.12 + 0.1 * a } }),
  standsInPipe: (a) => yardWith(40, { out: { standingLevel: -1.4 + 0.2 * a } }),
  dropAtMain: (a) => main({ controlLevel: -1 - 0.3 * a, mainDiameter: 0.2 }),
  mainUnknown: () => main({ mainDiameter: undefined }),
  mainSanitary: () => main({ mainIs: 'sanitary' }),
  mainNotKnown: () => main({ mainIs: 'unknown' }),
  gutterSpills: (a) =>
    changed(roof(90, {}), put('Rarer', rarer(1.6 + a), basin({ sillLevel: 0.5 }), ground(20, 'basin'), pipe('basin'))),
  nothingLeads: (a) => yard(40, node('wye'), pipe('node', { to: 'basin', length: 3 + 5 * a })),
  sedimentTrapMissing: (a) =>
    jobOf(
      ground(60, 'basin'),
      basin(),
      node('bend', { groundLevel: -0.9 - 0.3 * a }),
      out({ groundLevel: -2.2, stone: true }),
      pipe('basin', { to: 'node', length: 12, nominal: 0.1016 }),
      pipe('node', { length: 30, nominal: 0.1016, grade: { type: 'pitch', pitch: 0.012 } }),
    ),
  doorNear: (a) => byTheDoor(140, { sillLevel: 0.02 + 0.06 * a }, 1 + a),
  doorFloods: (a) => byTheDoor(200, { sillLevel: 0.118 + 0.02 * a }, 3 + a),
  doorNotJudged: (a) => byTheDoor(60 + 40 * a, {}, 2),
  openingRainMissing: (a) => yardWith(30, { basin: { sillLevel: 0.4 + a } }),
  assumedFigure: (a) => yardWith(30, { pipe: { assumed: true, length: 10 + 10 * a } }),
  ...WORK_YARDS,
};

it('has a generator for every rule', () =>
  expect(Object.keys(MAKE).sort()).toEqual(RULES.map(({ code }) => code).sort()));

/** Evenly between: a random double is mostly next to nothing. */
const unit = fc.integer({ min: 0, max: 10_000 }).map((part) => part / 10_000);
/** Rules that only somebody on site can mend. */
const NO_FIX = new Set([
  'channelUnsaid',
  'pipeOverChannel',
  'mainLevelMissing',
  'nearOpening',
  'openingFloods',
  'bankAssumed',
  'doorNear',
  'doorFloods',
  'doorNotJudged',
  'mainFull',
  'carriesOver',
  'standsInPipe',
  'mainUnknown',
  'mainSanitary',
  'mainNotKnown',
  'nothingLeads',
  'openingRainMissing',
  'serviceUnmarked',
  'footingUndermined',
  'boundaryCrossed',
  ...WORKS_WITHOUT_FIX,
]);

it.each(RULES.map(({ code }) => code))('%s: found, and every fix of it keeps its promise', (code) => {
  let [found, offered] = [0, 0];
  fc.assert(
    fc.property(unit, unit, unit, (a, b, c) => {
      const job = MAKE[code]!(a, b, c);
      const plan = planJob(job);
      const snag = plan.snags.find((each) => each.code === code);
      if (!snag) return;
      found++;
      const fix = fixOf(job, plan, snag);
      if (!fix) return;
      offered++;
      const after = changed(job, fix.change);
      expect(jobFaults(after)).toEqual([]);
      expect(brokenFix(snag, plan, planJob(after))).toBeNull();
    }),
    { numRuns: 12 },
  );
  expect(found).toBeGreaterThan(3);
  if (NO_FIX.has(code)) expect(offered).toBe(0);
  else expect(offered).toBeGreaterThan(0);
});
