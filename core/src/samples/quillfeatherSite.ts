/** The clinic's site: its walls, what lies in the way, some ninety levels, and where everything of the job stands. Feet in, metres out. */
import type { Breakline, Element, Service, SpotLevel } from '../job/kinds';
import type { Place } from '../site/place';
import { METRES_PER_FOOT, METRES_PER_INCH } from '../units/constants';
import { quillfeatherGround } from './hiddenGround';

/** A tenth of a millimetre. */
const round = (metres: number): number => Math.round(metres * 10_000) / 10_000;
const feet = (count: number): number => round(count * METRES_PER_FOOT);
/** East and north of the clinic's north-west corner. */
const at = (east: number, north: number): Place => ({ east: feet(east), north: feet(north) });

/** Where what drains stands. */
export const PLACES: Readonly<Record<string, Partial<Element>>> = {
  ds1: { place: at(0, 0) },
  ds2: { place: at(47, 0) },
  ds3: { place: at(52, -40) },
  dsUpper: { place: at(52, -64) },
  basin: { place: at(74, -30) },
  wye1: { place: at(58, 5) },
  wye2: { place: at(14, 8) },
  cleanout1: { place: at(-26, -22) },
  swale: { place: at(-46, 24) },
  kennelDrain: { way: [at(22, -42), at(22, -58)] },
  lawn: { outline: [at(56, -55), at(94, -55), at(94, -5), at(56, -5)] },
  parking: { outline: [at(-8, -72), at(22, -72), at(22, -42), at(-8, -42)] },
};

/** A level to the eighth of an inch, as it was booked. */
const EIGHTH = METRES_PER_INCH / 8;
const read = (place: Place): number => round(Math.round(quillfeatherGround(place) / EIGHTH) * EIGHTH);

/** Where the rod stood, by rows. */
const RODS: readonly [string, readonly (readonly [number, number])[]][] = [
  [
    'Street',
    [
      [-3, 3],
      [10, 3],
      [23, 3],
      [36, 3],
      [49, 3],
      [58, 5],
      [-10, 12],
      [4, 13],
      [18, 13],
      [32, 13],
      [46, 13],
      [60, 14],
    ],
  ],
  [
    'Verge',
    [
      [-20, 18],
      [-30, 20],
      [-38, 22],
      [-44, 23],
      [-44, 10],
      [-44, 36],
      [-46, 24],
      [-46, 10],
      [-46, 36],
      [-50, 24],
      [-30, 34],
      [-14, 32],
      [6, 30],
      [30, 28],
      [60, 28],
    ],
  ],
  [
    'West',
    [
      [-4, -8],
      [-4, -20],
      [-4, -32],
      [-14, -6],
      [-26, -8],
      [-26, -22],
      [-16, -22],
      [-38, -8],
      [-44, -22],
      [-30, -40],
      [-28, -60],
      [-28, -76],
    ],
  ],
  [
    'Parking',
    [
      [-8, -44],
      [2, -44],
      [12, -44],
      [21, -44],
      [-8, -54],
      [2, -54],
      [12, -54],
      [21, -54],
      [-8, -64],
      [2, -64],
      [12, -64],
      [21, -64],
      [-8, -74],
      [6, -76],
      [20, -76],
    ],
  ],
  [
    'Kennel',
    [
      [34, -75],
      [48, -75],
      [55, -74],
      [55, -62],
      [55, -50],
      [55, -40],
      [66, -76],
      [80, -76],
      [94, -74],
    ],
  ],
  [
    'Lawn',
    [
      [56, -8],
      [66, -8],
      [78, -8],
      [92, -8],
      [62, -18],
      [70, -18],
      [78, -18],
      [90, -18],
      [62, -26],
      [68, -26],
      [74, -24],
      [80, -26],
      [92, -30],
      [62, -34],
      [68, -34],
      [74, -30],
      [74, -36],
      [80, -34],
      [62, -44],
      [70, -44],
      [78, -44],
      [90, -44],
      [66, -56],
      [80, -58],
      [92, -58],
      [76, 6],
      [92, 6],
    ],
  ],
];

const levels: SpotLevel[] = RODS.flatMap(([row, places]) =>
  places.map(([east, north], k): SpotLevel => ({
    id: `level${row}${k + 1}`,
    kind: 'spotLevel',
    name: `${row} ${k + 1}`,
    place: at(east, north),
    level: read(at(east, north)),
  })),
);

const service = (id: string, name: string, form: Service['form'], way: Place[], depth: number): Service => ({
  id,
  kind: 'service',
  name,
  form,
  owner: 'public',
  way,
  depth: feet(depth),
  markedBy: 'Locating service',
  markedOn: '2026-11-20',
});

const bank = (id: string, name: string, form: Breakline['form'], way: Place[]): Breakline => ({
  id,
  kind: 'breakline',
  name,
  form,
  way,
  levels: way.map(read),
});

export const SITE: readonly Element[] = [
  {
    id: 'clinic',
    kind: 'building',
    name: 'Clinic and kennel wing',
    outline: [at(0, 0), at(52, 0), at(52, -72), at(24, -72), at(24, -34), at(0, -34)],
    floorLevel: feet(0.1),
    storeys: 1,
  },
  {
    id: 'kennelDoor',
    kind: 'opening',
    name: 'Kennel door',
    form: 'door',
    building: 'clinic',
    wall: 3,
    along: feet(22),
    width: feet(4),
    sillLevel: 0,
  },
  {
    id: 'frontDoor',
    kind: 'opening',
    name: 'Front door',
    form: 'door',
    building: 'clinic',
    wall: 0,
    along: feet(26),
    width: feet(6),
    sillLevel: 0,
  },
  {
    id: 'pear',
    kind: 'tree',
    name: 'Old pear',
    place: at(88, 2),
    trunk: feet(1.5),
    crown: feet(20),
    vigour: 'ordinary',
  },
  service('gas', 'Gas main to the east wall', 'gas', [at(64, 40), at(62, 4), at(52, -12)], 2.5),
  service('power', 'Power to the east wall', 'power', [at(70, 40), at(68, 4), at(52, -20)], 2),
  {
    id: 'roadLine',
    kind: 'barrier',
    name: 'Road boundary',
    form: 'propertyLine',
    way: [at(-56, -80), at(-56, 42), at(100, 42)],
    consent: 'needed',
  },
  {
    id: 'lawnFence',
    kind: 'barrier',
    name: 'Exercise fence',
    form: 'fence',
    way: [at(56, -55), at(94, -55), at(94, -5), at(56, -5)],
    height: feet(5),
  },
  bank('bankTop', 'Top of the road bank', 'bankTop', [at(-44, 40), at(-44, 23), at(-44, -30)]),
  bank('bankToe', 'Bottom of the swale', 'bankToe', [at(-46, 40), at(-46, 24), at(-46, -30)]),
  {
    id: 'wetLawn',
    kind: 'wetSpot',
    name: 'Wet lawn',
    form: 'standing',
    place: at(73, -29),
    depth: feet(0.25),
    hours: 30,
    seenOn: '2026-11-18',
  },
  {
    id: 'lawnSoil',
    kind: 'soilTest',
    name: 'Ribbon on the lawn',
    place: at(82, -22),
    test: { type: 'ribbon', length: 2.25 * METRES_PER_INCH },
  },
  ...levels,
];
