/** The clinic's site: its walls, what lies in the way, some ninety levels, and where everything of the job stands. Feet in, metres out. */
import type { Breakline, Element, Service, SpotLevel } from '../job/kinds';
import type { Place } from '../site/place';
import { METRES_PER_FOOT, METRES_PER_INCH } from '../units/constants';
import { quillfeatherGround } from './hiddenGround';
import { RODS } from './quillfeatherRods';

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
  service('gas', 'Gas main to the east wall', 'gas', [at(64, 40), at(62, 4), at(52, -12)], 3.5),
  service('power', 'Power to the east wall', 'power', [at(70, 40), at(68, 4), at(52, -20)], 3.5),
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
