/** What is on a site besides its drainage, from a seed: house and doors, levels, trees, services, and what was booked about it. */
import type { Job } from '../job/job';
import { ofKind } from '../job/job';
import type { Element } from '../job/kinds';
import { SERVICE_FORMS } from '../job/kinds/site/service';
import { at, HOUSE, type Lie } from './lie';

const HASH = 'a'.repeat(64);

/** Spot levels every 4 m, on the ground as it lies. */
function levels({ level }: Lie): Element[] {
  const spots: Element[] = [];
  for (let east = -10; east <= 26; east += 4)
    for (let north = -30; north <= 14; north += 4)
      spots.push({
        id: `level${spots.length}`,
        kind: 'spotLevel',
        name: `Level ${spots.length}`,
        place: at(east, north),
        level: level(at(east, north)),
      });
  return spots;
}

function doors({ hand }: Lie): Element[] {
  return [0, 0, 1, 2].flatMap((wall, k): Element[] =>
    hand.chance(0.4)
      ? [
          {
            id: `door${k}`,
            kind: 'opening',
            name: `Door ${k}`,
            form: hand.pick(['door', 'garageDoor', 'windowWell', 'vent', 'basementSteps'] as const),
            building: 'house',
            wall,
            along: hand.between(1, (wall === 1 ? HOUSE.north : HOUSE.east) - 1),
            ...(hand.chance(0.9) ? { sillLevel: hand.between(0.02, 0.4) } : {}),
          },
        ]
      : [],
  );
}

/** What was booked on levelled ground. */
const booked = ({ hand, level }: Lie): Element[] => [
  {
    id: 'kerb',
    kind: 'breakline',
    name: 'Slab edge',
    form: 'slabEdge',
    way: [at(1, -12.2), at(13, -12.2)],
    levels: [level(at(1, -12.2)), level(at(13, -12.2))],
  },
  {
    id: 'book',
    kind: 'levelBook',
    name: 'Book',
    readings: [
      { point: 'level0', sight: 'back', rod: 1.2 },
      { point: 'level1', sight: 'fore', rod: hand.between(1, 1.4) },
    ],
  },
];

/** What hardly touches the water. */
function beside(lie: Lie, job: Job): Element[] {
  const { hand, measured } = lie;
  const run = ofKind(job, 'run')[0];
  const all: Element[] = [
    {
      id: 'tree',
      kind: 'tree',
      name: 'Tree',
      place: at(hand.between(-4, 18), -hand.between(5, 14)),
      crown: hand.between(2, 8),
    },
    {
      id: 'service',
      kind: 'service',
      name: 'Service',
      form: hand.pick(SERVICE_FORMS),
      way: [at(-8, -hand.between(2, 12)), at(22, -hand.between(2, 12))],
      ...(hand.chance(0.6) ? { markedBy: 'Locating office', markedOn: '2026-05-04' } : {}),
    },
    {
      id: 'fence',
      kind: 'barrier',
      name: 'Fence',
      form: hand.pick(['wall', 'fence', 'propertyLine'] as const),
      way: [at(-8, -hand.between(15, 30)), at(22, -hand.between(15, 30))],
      ...(hand.chance(0.5) ? { consent: 'given' as const } : {}),
    },
    { id: 'wet', kind: 'wetSpot', name: 'Wet spot', form: hand.pick(['standing', 'soft'] as const), place: at(4, -9) },
    {
      id: 'ribbon',
      kind: 'soilTest',
      name: 'Ribbon',
      place: at(9, -7),
      test: { type: 'ribbon', length: hand.between(0, 0.06) },
    },
    { id: 'photo', kind: 'photo', name: 'Photo', file: HASH, place: at(2, -2) },
    {
      id: 'map',
      kind: 'underlay',
      name: 'Map',
      file: HASH,
      ratio: 1.4,
      a: { spot: { across: 0, down: 0 }, place: at(-10, 14) },
      b: { spot: { across: 1, down: 1 }, place: at(26, -30) },
    },
    { id: 'asked', kind: 'clearance', of: 'locate', state: hand.pick(['asked', 'granted'] as const) },
    { id: 'dig', kind: 'step', of: 'dig', hours: hand.between(1, 9) },
    { id: 'other', kind: 'variant', name: 'Other', elements: [], links: {} },
    ...(run
      ? [
          {
            id: 'sleeve',
            kind: 'sleeve' as const,
            name: 'Sleeve',
            nominal: 0.2,
            use: 'pipe' as const,
            length: 2,
            holds: run.id,
          },
        ]
      : []),
    ...(measured ? booked(lie) : []),
  ];
  return all.filter(() => hand.chance(0.4));
}

export function siteOf(lie: Lie, job: Job): Element[] {
  const outline = [at(0, 0), at(HOUSE.east, 0), at(HOUSE.east, HOUSE.north), at(0, HOUSE.north)];
  return [
    { id: 'house', kind: 'building', name: 'House', outline, ...(lie.hand.chance(0.3) ? { footingDepth: 0.6 } : {}) },
    ...doors(lie),
    ...(lie.measured ? levels(lie) : []),
    ...beside(lie, job),
  ];
}
