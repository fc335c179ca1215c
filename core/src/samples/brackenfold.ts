/**
 * Brackenfold Terrace: three row houses on flat clay, metric. Their back gardens lie lower than the lane, which falls to the east: from
 * the end house gravity just reaches its gully, from the other two it does not. Zero is the end house's door sill.
 */
import { jobFrom, type Job } from '../job/job';
import type { Element, SpotLevel } from '../job/kinds';
import type { Place } from '../site/place';

const at = (east: number, north: number): Place => ({ east, north });
const round = (metres: number): number => Math.round(metres * 1000) / 1000;

/** Houses from west to east: west wall, ground of the garden behind. */
const HOUSES = [
  { id: 'one', name: 'Number 1', west: 0, garden: -0.55 },
  { id: 'two', name: 'Number 2', west: 6.5, garden: -0.5 },
  { id: 'three', name: 'Number 3', west: 13, garden: -0.4 },
] as const;
const WIDE = 6.5;
const DEEP = 9;
/** Depth of the gardens, m; the lane runs in front of the houses. */
const GARDEN = 12;

/** Ground: the lane before the houses falls east; each garden falls a little to its middle. */
function ground({ east, north }: Place): number {
  if (north > DEEP + 0.5) return round(-0.12 - 0.02 * (east + 2) - 0.01 * (north - DEEP));
  const house = HOUSES.find(({ west }) => east <= west + WIDE) ?? HOUSES[2];
  const across = Math.abs(east - house.west - WIDE / 2) / WIDE;
  const down = Math.abs(north + GARDEN * 0.6) / GARDEN;
  return round(house.garden + 0.06 * across + 0.08 * down);
}

const levels: SpotLevel[] = [
  ...HOUSES.flatMap(({ name, west }) =>
    [0.3, WIDE / 2, WIDE - 0.3].flatMap((off) =>
      [-0.5, -4, -GARDEN * 0.6, -GARDEN + 0.3].map((north) => ({
        name: `Garden of ${name}`,
        place: at(west + off, north),
      })),
    ),
  ),
  ...[-2, 3, 8, 13, 18, 21.5].flatMap((east) =>
    [DEEP + 0.8, DEEP + 3.5].map((north) => ({ name: 'Lane', place: at(east, north) })),
  ),
  ...[2, 5, 8].map((north) => ({ name: 'Passage', place: at(20.3, north) })),
].map(({ name, place }, k) => ({
  id: `level${k + 1}`,
  kind: 'spotLevel',
  name: `${name}, ${k + 1}`,
  place,
  level: ground(place),
}));

const houses: Element[] = HOUSES.flatMap(({ id, name, west, garden }): Element[] => [
  {
    id: `house-${id}`,
    kind: 'building',
    name,
    outline: [at(west, 0), at(west + WIDE, 0), at(west + WIDE, DEEP), at(west, DEEP)],
    floorLevel: 0.02,
    storeys: 2,
  },
  {
    id: `roof-${id}`,
    kind: 'roofFace',
    name: `Rear roof of ${name}`,
    storey: 2,
    outline: [at(west, 0), at(west + WIDE, 0), at(west + WIDE, DEEP / 2), at(west, DEEP / 2)],
    eave: [at(west, 0), at(west + WIDE, 0)],
    shape: { type: 'outline', pitch: 0.7 },
    feeds: [{ to: `spout-${id}`, share: 1 }],
  },
  {
    id: `spout-${id}`,
    kind: 'downspout',
    name: `Rear downspout of ${name}`,
    storey: 2,
    size: 'rect2x3',
    groundLevel: garden + 0.1,
    place: at(west + WIDE - 0.2, 0),
    levelFrom: 'ground',
  },
  {
    id: `basin-${id}`,
    kind: 'basin',
    name: `Garden basin of ${name}`,
    grate: 'flat12',
    groundLevel: garden,
    place: at(west + WIDE / 2, -GARDEN * 0.6),
    levelFrom: 'ground',
  },
  {
    id: `wet-${id}`,
    kind: 'wetSpot',
    name: `Garden of ${name} stands wet`,
    form: 'standing',
    place: at(west + WIDE / 2 + 0.8, -GARDEN * 0.6 + 0.6),
    depth: 0.04,
    hours: 36,
    seenOn: '2026-11-10',
  },
]);

const ELEMENTS: Element[] = [
  {
    id: 'job',
    kind: 'job',
    name: 'Brackenfold Terrace',
    site: 'Brackenfold Lane',
    units: 'metric',
    pitchStyle: 'ground',
    soil: 'clay',
  },
  { id: 'rain', kind: 'rain', intensity: 110 / 3.6e6, source: { type: 'typed' } },
  ...houses,
  {
    id: 'gully',
    kind: 'discharge',
    name: 'Lane gully',
    form: 'main',
    receiving: 'street',
    groundLevel: -0.6,
    controlLevel: -1.04,
    mainDiameter: 0.225,
    mainPitch: 0.02,
    place: at(21.6, 11.7),
    consent: 'needed',
  },
  {
    id: 'sideFence',
    kind: 'barrier',
    name: 'Garden fence',
    form: 'fence',
    way: [at(19.5, 0), at(19.5, -GARDEN), at(0, -GARDEN), at(0, 0)],
  },
  {
    id: 'gardenSoil',
    kind: 'soilTest',
    name: 'Hole in the garden',
    place: at(10, -9),
    test: {
      type: 'hole',
      radius: 0.05,
      readings: [
        { time: 0, depth: 0.3 },
        { time: 3600, depth: 0.296 },
        { time: 7200, depth: 0.292 },
      ],
    },
  },
  {
    id: 'spout-run',
    kind: 'run',
    from: 'basin-three',
    to: 'spout-three',
    length: 7.8,
    lengthFrom: 'plan',
    material: 'smooth',
    nominal: 0.1,
    grade: { type: 'auto' },
  },
  {
    id: 'lane-run',
    kind: 'run',
    from: 'spout-three',
    to: 'gully',
    bends: [at(20.3, 0.4)],
    length: 12,
    lengthFrom: 'plan',
    material: 'smooth',
    nominal: 0.1,
    grade: { type: 'auto' },
  },
  ...levels,
];

/** The sample, fresh. */
export const brackenfold = (): Job => jobFrom('brackenfold', ELEMENTS);
