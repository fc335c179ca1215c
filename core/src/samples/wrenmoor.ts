/**
 * Wrenmoor Green Bowls Pavilion: a pavilion and a soggy green on sand over clay, US units. The green drains by a field of perforated pipe to a
 * leaching pit beyond the path, through a sleeve under it; the roof goes to the ditch by a line of its own. Invented; zero is the pavilion's floor.
 */
import { jobFrom, type Job } from '../job/job';
import type { Element, SpotLevel } from '../job/kinds';
import type { Place } from '../site/place';
import { METRES_PER_FOOT, METRES_PER_INCH } from '../units/constants';

const ft = (feet: number): number => feet * METRES_PER_FOOT;
const inch = (inches: number): number => inches * METRES_PER_INCH;
const at = (east: number, north: number): Place => ({ east: ft(east), north: ft(north) });
const DAY = 86_400;

/** Ground, ft: the green falls a little to the south-east, and the verge beyond the path to the ditch. */
function ground(east: number, north: number): number {
  const verge = Math.max(0, east - 92);
  return -0.6 - 0.008 * (east + 40) - 0.004 * -north - 0.09 * verge;
}

const levels: SpotLevel[] = [-48, -20, 10, 40, 70, 84, 94, 104, 116]
  .flatMap((east) => [36, 4, -24, -52, -80, -96].map((north) => ({ east, north })))
  .map(({ east, north }, k) => ({
    id: `level${k + 1}`,
    kind: 'spotLevel',
    name: `Level ${k + 1}`,
    place: at(east, north),
    level: Math.round(ft(ground(east, north)) * 1000) / 1000,
  }));

const ELEMENTS: Element[] = [
  {
    id: 'job',
    kind: 'job',
    name: 'Wrenmoor Green Bowls Pavilion',
    site: 'Wrenmoor Green',
    units: 'us',
    pitchStyle: 'ground',
    soil: 'loamySand',
  },
  {
    id: 'rain',
    kind: 'rain',
    intensity: inch(5) / 3600,
    table: {
      durations: [300, 600, 900, 1800, 3600, 7200, 21_600, 86_400],
      intensities: [5, 3.9, 3.3, 2.25, 1.45, 0.9, 0.4, 0.14].map((each) => inch(each) / 3600),
    },
    openings: { returnPeriod: 100, intensity: inch(8) / 3600 },
    source: { type: 'own', place: 'Wrenmoor', returnPeriod: 10 },
  },
  {
    id: 'pavilion',
    kind: 'building',
    name: 'Pavilion',
    outline: [at(0, 8), at(44, 8), at(44, 32), at(0, 32)],
    floorLevel: 0,
    storeys: 1,
  },
  ...[
    { id: 'south', name: 'Veranda roof', y: 8, mid: 20, spout: at(44, 8) },
    { id: 'north', name: 'Rear roof', y: 32, mid: 20, spout: at(44, 32) },
  ].flatMap(({ id, name, y, mid, spout }): Element[] => [
    {
      id: `roof-${id}`,
      kind: 'roofFace',
      name,
      storey: 1,
      outline: [at(0, y), at(44, y), at(44, mid), at(0, mid)],
      eave: [at(0, y), at(44, y)],
      shape: { type: 'outline', pitch: 0.4 },
      feeds: [{ to: `spout-${id}`, share: 1 }],
    },
    {
      id: `spout-${id}`,
      kind: 'downspout',
      name: id === 'south' ? 'Veranda downspout' : 'Rear downspout',
      storey: 1,
      size: 'rect3x4',
      groundLevel: ft(-1),
      place: spout,
      levelFrom: 'ground',
    },
  ]),
  {
    id: 'green',
    kind: 'drainField',
    name: 'Bowling green',
    // Its first corner is the lowest, where its pipe leaves.
    outline: [at(80, -84), at(-40, -84), at(-40, -4), at(80, -4)],
    groundLevel: ft(-1.9),
    levelFrom: 'ground',
    depth: inch(24),
    nominal: inch(4),
    soil: 'loamySand',
    spacing: ft(15),
    recharge: 0.025 / DAY,
    firm: inch(10),
    barrier: ft(1.5),
    stone: 'angular',
    fabric: 'sock',
  },
  {
    id: 'soggy',
    kind: 'wetSpot',
    name: 'Soggy end of the green',
    form: 'soft',
    place: at(62, -66),
    hours: 72,
    seenOn: '2026-11-14',
  },
  {
    id: 'auger',
    kind: 'soilTest',
    name: 'Auger hole on the green',
    place: at(50, -60),
    test: {
      type: 'hole',
      radius: inch(2),
      readings: [0.5, 0.455, 0.414, 0.376].map((depth, k) => ({ time: 60 * k, depth })),
    },
  },
  {
    id: 'path',
    kind: 'surface',
    name: 'Path round the green',
    cover: 'paving',
    outline: [at(84, -90), at(90, -90), at(90, 0), at(84, 0)],
    feeds: [],
  },
  {
    id: 'box',
    kind: 'junction',
    form: 'cleanout',
    name: 'Inspection box',
    groundLevel: ft(-2),
    place: at(82, -84),
    levelFrom: 'ground',
  },
  {
    id: 'pit',
    kind: 'discharge',
    name: 'Leaching pit',
    form: 'leachingPit',
    receiving: 'lawn',
    groundLevel: ft(-2.5),
    place: at(100, -84),
    levelFrom: 'ground',
    store: { area: 12, depth: ft(3), cover: inch(28), voids: 0.4, soil: 'loamySand', waterTable: ft(-12) },
  },
  {
    id: 'ditch',
    kind: 'discharge',
    name: 'Lane ditch',
    form: 'daylight',
    receiving: 'ditch',
    groundLevel: ft(-4.4),
    place: at(114, 30),
    controlLevel: ft(-5),
    stone: true,
    end: 'guard',
  },
  {
    id: 'wye',
    kind: 'junction',
    form: 'wye',
    name: 'Wye 1',
    groundLevel: ft(-1.2),
    place: at(60, 30),
    levelFrom: 'ground',
  },
  ...[
    { id: 'green-box', from: 'green', to: 'box', nominal: 4 },
    { id: 'box-pit', from: 'box', to: 'pit', nominal: 4 },
    // A little steeper than the least: what keeps 3 in clean under so small a roof.
    { id: 'veranda', from: 'spout-south', to: 'wye', nominal: 3, pitch: 0.0125 },
    { id: 'rear', from: 'spout-north', to: 'wye', nominal: 3 },
    { id: 'to-ditch', from: 'wye', to: 'ditch', nominal: 4 },
  ].map(
    ({
      id,
      from,
      to,
      nominal,
      pitch,
    }: {
      id: string;
      from: string;
      to: string;
      nominal: number;
      pitch?: number;
    }): Element => ({
      id,
      kind: 'run',
      from,
      to,
      length: ft(20),
      lengthFrom: 'plan',
      material: 'smooth',
      nominal: inch(nominal),
      grade: pitch === undefined ? { type: 'auto' } : { type: 'pitch', pitch },
    }),
  ),
  {
    id: 'sleeve',
    kind: 'sleeve',
    name: 'Sleeve under the path',
    way: [at(83, -84), at(91, -84)],
    nominal: inch(6),
    use: 'pipe',
    holds: 'box-pit',
  },
  ...levels,
];

/** The sample, the same job each time. */
export const wrenmoor = (): Job => jobFrom('wrenmoor', ELEMENTS);
