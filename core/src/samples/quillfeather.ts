/**
 * Quillfeather Animal Clinic: an L-shaped clinic with a kennel wing, drained to a roadside swale. Zero is the front door sill;
 * levels in feet here, as they were booked on site. It holds one Stop and one Fix for the user to solve. The kennel door's channel
 * drain has a line of its own, so that a roof storm in the trunk cannot drown it.
 */
import type { Element, Run } from '../job/kinds';
import { jobFrom, type Job } from '../job/job';
import { PLACES, SITE } from './quillfeatherSite';
import { METRES_PER_FOOT, METRES_PER_INCH, METRES_PER_SECOND_PER_INCH_PER_HOUR } from '../units/constants';

const feet = (count: number): number => round(count * METRES_PER_FOOT);
const inches = (count: number): number => round(count * METRES_PER_INCH);
/** Tidy numbers in the job file: a tenth of a millimetre is finer than anything on site. */
const round = (metres: number): number => Math.round(metres * 10_000) / 10_000;

function run(
  id: string,
  from: string,
  to: string,
  [lengthFeet, nominalInches]: readonly [number, number],
  material: Run['material'] = 'smooth',
): Run {
  return {
    id,
    kind: 'run',
    from,
    to,
    length: feet(lengthFeet),
    nominal: inches(nominalInches),
    material,
    grade: { type: 'auto' },
  };
}

const MINUTES = [5, 10, 15, 30, 60, 120, 180, 360, 720, 1440];

/** The rain office's table for Harrowmere, by its 5-minute intensity (in/h): i goes with 1 / (t + 9.5 min)^0.82. */
function harrowmere(peak: number): { intensity: number; table: { durations: number[]; intensities: number[] } } {
  const intensity = peak * METRES_PER_SECOND_PER_INCH_PER_HOUR;
  return {
    intensity,
    table: {
      durations: MINUTES.map((minutes) => minutes * 60),
      intensities: MINUTES.map((minutes) => intensity * (14.5 / (minutes + 9.5)) ** 0.82),
    },
  };
}

const ELEMENTS: Element[] = [
  {
    id: 'job',
    kind: 'job',
    name: 'Quillfeather Animal Clinic',
    site: 'Lane side, kennel yard behind',
    units: 'us',
    pitchStyle: 'ground',
  },
  {
    id: 'rain',
    kind: 'rain',
    ...harrowmere(6),
    openings: { returnPeriod: 100, ...harrowmere(9.42) },
    source: { type: 'office', station: 'harrowmere', place: 'Harrowmere', returnPeriod: 10, duration: 300 },
  },
  {
    id: 'faceStreet',
    kind: 'roofFace',
    name: 'Main roof, street side',
    storey: 1,
    shape: { type: 'sides', width: feet(52), run: feet(18), pitch: 0.5 },
    feeds: [{ to: 'ds1', share: 1 }],
  },
  {
    id: 'faceValley',
    kind: 'roofFace',
    name: 'Main roof, valley over entrance',
    storey: 1,
    shape: { type: 'sides', width: feet(34), run: feet(18), pitch: 0.5 },
    feeds: [
      { to: 'ds1', share: 1 },
      { to: 'ds2', share: 1 },
    ],
  },
  {
    id: 'faceYard',
    kind: 'roofFace',
    name: 'Main roof, yard side',
    storey: 1,
    shape: { type: 'sides', width: feet(44), run: feet(18), pitch: 0.5 },
    feeds: [{ to: 'ds2', share: 1 }],
  },
  {
    id: 'faceKennelUpper',
    kind: 'roofFace',
    name: 'Kennel wing, upper',
    storey: 2,
    shape: { type: 'area', area: round(620 * METRES_PER_FOOT ** 2) },
    feeds: [{ to: 'dsUpper', share: 1 }],
  },
  {
    id: 'faceKennelLower',
    kind: 'roofFace',
    name: 'Kennel wing, lower',
    storey: 1,
    shape: { type: 'sides', width: feet(36), run: feet(14), pitch: 0.25 },
    feeds: [{ to: 'ds3', share: 1 }],
  },
  {
    id: 'dsUpper',
    kind: 'downspout',
    name: 'Kennel upper downspout',
    storey: 2,
    size: 'rect2x3',
    landsOn: [{ to: 'ds3', share: 1 }],
    groundLevel: feet(-0.5),
  },
  { id: 'ds1', kind: 'downspout', name: 'Street downspout', storey: 1, size: 'rect3x4', groundLevel: feet(-0.4) },
  { id: 'ds2', kind: 'downspout', name: 'Entrance downspout', storey: 1, size: 'rect3x4', groundLevel: feet(-0.3) },
  { id: 'ds3', kind: 'downspout', name: 'Kennel downspout', storey: 1, size: 'rect3x4', groundLevel: feet(-0.5) },
  {
    id: 'lawn',
    kind: 'surface',
    name: 'Exercise lawn',
    cover: 'lawnClayFlat',
    area: round(1900 * METRES_PER_FOOT ** 2),
    feeds: [{ to: 'basin', share: 1 }],
  },
  { id: 'basin', kind: 'basin', name: 'Lawn basin', grate: 'flat12', groundLevel: feet(-0.9) },
  {
    id: 'parking',
    kind: 'surface',
    name: 'Customer parking',
    cover: 'paving',
    area: round(900 * METRES_PER_FOOT ** 2),
    feeds: [{ to: 'kennelDrain', share: 1 }],
  },
  {
    id: 'kennelDrain',
    kind: 'channel',
    name: 'Kennel door drain',
    groundLevel: feet(-0.55),
    width: inches(4),
    depth: inches(6),
    length: feet(16),
    slope: 0.005,
    sillLevel: feet(0),
    spillLevel: feet(-0.3),
  },
  { id: 'cleanout1', kind: 'junction', form: 'cleanout', name: 'Cleanout 1', groundLevel: feet(-0.95) },
  { id: 'wye1', kind: 'junction', form: 'wye', name: 'Wye 1', groundLevel: feet(-0.6) },
  { id: 'wye2', kind: 'junction', form: 'wye', name: 'Wye 2', groundLevel: feet(-0.9) },
  {
    id: 'swale',
    kind: 'discharge',
    form: 'daylight',
    name: 'Roadside swale',
    receiving: 'swale',
    groundLevel: feet(-2.9),
    controlLevel: feet(-3.24),
    bank: { length: feet(6), topLevel: feet(-1.7) },
    buildingDistance: feet(45),
  },
  run('runKennel', 'ds3', 'basin', [24, 4]),
  run('runBasin', 'basin', 'wye1', [38, 4]),
  run('runEntrance', 'ds2', 'wye1', [12, 4]),
  run('trunkUpper', 'wye1', 'wye2', [44, 6], 'doubleWall'),
  run('runStreet', 'ds1', 'wye2', [16, 4]),
  run('trunkLower', 'wye2', 'swale', [62, 6], 'doubleWall'),
  run('runDoor', 'kennelDrain', 'cleanout1', [60, 4]),
  run('runDoorLower', 'cleanout1', 'swale', [50, 4]),
];

/** Each where it stands, and the site around. */
const placed = ELEMENTS.map((element): Element => ({ ...element, ...PLACES[element.id] }) as Element);

/** The sample, fresh. */
export const quillfeather = (): Job => jobFrom('quillfeather', [...placed, ...SITE]);
