/** Situations that solid pipe alone does not cure, each with what a contractor would expect of its plan. */
import type { Job } from '../job/job';
import type { Berm, Culvert, Element, PavedBed, StoneDrain } from '../job/kinds';
import { basin, ft, ft2, gpm, inch, jobOf, lawn, pipe, roof, sound, spout, told, type Situation } from './yardParts';
import { drain, field, swale, ends } from './situationWorks';

const DAY = 86_400;

/** A spring runs 3 gpm into clay loam: closer pipes than habit, and the spring counts at the end. */
const springFed = (spacing: number | null): Job =>
  jobOf(
    spacing === null ? 'soggy-spring' : 'soggy-spring-wide',
    spacing === null ? 'A soggy yard with a spring, drained' : 'The same, its pipes 25 ft apart',
    field(spacing === null ? {} : { spacing: ft(spacing) }),
    {
      id: 'spring',
      kind: 'fixedFlow',
      name: 'Spring',
      origin: 'spring',
      flow: gpm(3),
      feeds: [{ to: 'field', share: 1 }],
    },
    pipe('field', 'out', 40, 4),
    ends(-4.2),
  );

/** Flat ground, and no way out in a pipe: a swale carries the roof and the lawn along the boundary, a drain under it. */
const nowhere = (fall: number): Job =>
  jobOf(
    fall > 0 ? 'nowhere-swale' : 'nowhere-uphill',
    fall > 0 ? 'Nowhere to discharge: a swale to the lane' : 'A swale that would run uphill',
    lawn('way', 6000),
    swale('way', 'Side swale', { headLevel: ft(-1.2), footLevel: ft(-1.2 - fall) }),
  );

const layered: Job = jobOf(
  'layers',
  'Layers: a berm, a swale with a drain under it, two 20 in basins, a sump line and sleeves',
  lawn('top', 9000),
  swale('top', 'Upper swale', { length: ft(150), headLevel: ft(-2), footLevel: ft(-4), depth: inch(16) }),
  lawn('back', 1500),
  { ...basin('back', -1.4, { grate: 'round20' }), name: 'Basin behind the berm' },
  { ...basin('low', -2.4, { grate: 'round20' }), name: 'Basin in the low lawn' },
  lawn('low', 3500),
  {
    id: 'berm',
    kind: 'berm',
    name: 'Berm',
    footLevel: ft(-2),
    height: inch(24),
    topWidth: inch(18),
    sideSlope: 3,
    length: ft(60),
    holds: 'top',
    to: 'back',
  } satisfies Berm,
  drain({ groundLevel: ft(-2.6), length: ft(100), soil: 'loam', depth: inch(24) }),
  { id: 'sump', kind: 'fixedFlow', name: 'Sump line', origin: 'sump', flow: gpm(8), feeds: [{ to: 'low', share: 1 }] },
  pipe('back', 'low', 50, 3),
  pipe('low', 'out', 60, 6),
  pipe('drain', 'drainOut', 30, 4),
  { ...ends(-6), id: 'drainOut', name: 'Drain’s own end' },
  ends(-5.2),
  { id: 'sleeve', kind: 'sleeve', name: 'Sleeve for sprinklers', nominal: inch(4), use: 'irrigation', length: ft(8) },
);

const culvert = (nominal: number): Job =>
  jobOf(
    `culvert-${nominal}`,
    `A ${nominal} in culvert under a drive`,
    lawn('ditch', 60_000),
    swale('ditch', 'Roadside ditch', {
      to: 'culvert',
      length: ft(200),
      headLevel: ft(-1),
      footLevel: ft(-3),
      depth: inch(24),
    }),
    {
      id: 'culvert',
      kind: 'culvert',
      name: 'Culvert',
      length: ft(20),
      nominal: inch(nominal),
      material: 'doubleWall',
      inlet: 'mitred',
      invertUp: ft(-3),
      invertDown: ft(-3.4),
      roadLevel: ft(-0.6),
      stone: true,
      old: 'out',
    } satisfies Culvert,
  );

/** Four low spots, each with its basin, into a garden that takes what a clay loam lets it. */
const lowSpots = (area: number): Job =>
  jobOf(
    area > 500 ? 'low-spots-garden' : 'low-spots-pit',
    area > 500 ? 'Four low spots into a rain garden' : 'Four low spots into a small dry well',
    ...['a', 'b', 'c', 'd'].flatMap((id, k): Element[] => [
      lawn(id, id === 'a' ? 3600 : 1800, 'lawnLoam'),
      basin(id, -0.2 * k),
      pipe(id, id === 'd' ? 'out' : ['b', 'c', 'd'][k]!, 30, id === 'a' ? 3 : 4),
    ]),
    {
      ...ends(-2.6, { bank: undefined }),
      form: area > 500 ? 'rainGarden' : 'dryWell',
      receiving: 'lawn',
      name: area > 500 ? 'Rain garden' : 'Dry well',
      store: {
        area: ft2(area),
        depth: area > 500 ? inch(10) : ft(3),
        cover: area > 500 ? 0 : inch(18),
        voids: area > 500 ? 1 : 0.95,
        soil: 'sandyLoam',
      },
    } as Element,
  );

/** A parking lot that sheds to a door, stone along its edge. */
const parkingLot = (length: number): Job =>
  jobOf(
    `lot-${length}`,
    `A parking lot that sheds to a door, ${length} ft of open stone before it`,
    {
      id: 'lot',
      kind: 'surface',
      name: 'Parking lot',
      cover: 'paving',
      area: ft2(4000),
      feeds: [{ to: 'stone', share: 1 }],
    },
    {
      id: 'stone',
      kind: 'stoneDrain',
      name: 'Stone before the door',
      groundLevel: ft(-0.3) - inch(2),
      slabLevel: ft(-0.3),
      sillLevel: 0,
      width: inch(15),
      depth: inch(24),
      length: ft(length),
      stone: length > 5 ? 'round' : 'pea',
      pipes: 2,
      fabric: 'wrapped',
    } satisfies StoneDrain,
    pipe('stone', 'out', 60, 8),
    ends(-4),
  );

const patio = (fall: number): Job =>
  jobOf(
    fall > 0 ? 'permeable-patio' : 'permeable-patio-back',
    fall > 0 ? 'A permeable patio with a downspout tied in' : 'The same, its bed falling to the house',
    roof('spout', 400),
    spout('spout', 0),
    pipe('spout', 'bed', 10, 4),
    {
      id: 'bed',
      kind: 'pavedBed',
      name: 'Patio',
      groundLevel: ft(-0.4),
      area: ft2(500),
      depth: inch(20),
      fall,
      soil: 'loam',
      length: ft(20),
    } satisfies PavedBed,
    pipe('bed', 'out', 40, 4),
    ends(-3.4),
  );

const barrel = (led: boolean): Job =>
  jobOf(
    led ? 'barrel-into-old' : 'barrel-nowhere',
    led ? 'A barrel that overflows into an old 4 in line' : 'A barrel with no overflow',
    roof('spout', 600),
    spout('spout', 0),
    pipe('spout', 'barrel', 4, 4),
    { id: 'barrel', kind: 'barrel', name: 'Barrel', groundLevel: ft(-0.1), volume: 0.208, opened: 11, shut: 4 },
    ...(led
      ? [pipe('barrel', 'out', 50, 4, { material: 'clay', old: { fate: 'kept', state: 'sound' } }), ends(-3)]
      : []),
  );

/** A green on sand over clay: 25 mm a day is what play asks. */
const green = field({
  soil: 'loamySand',
  area: ft2(9600),
  recharge: 0.025 / DAY,
  barrier: ft(1.5),
  firm: inch(10),
});

/** The situations, by what they are called. */
export const worksSituations = (): Readonly<Record<string, Situation>> => ({
  'a soggy yard fed by a spring': sound(springFed(null), ['drainWide', 'drainFull']),
  'the same with its pipes far apart': told(springFed(60), 'drainWide'),
  'nowhere to discharge but a swale': sound(nowhere(1.8), ['swaleFlat', 'swaleOver']),
  'a swale uphill': told(nowhere(-0.4), 'swaleUphill'),
  'layers with a berm, a swale and a drain': sound(layered, ['bermTraps', 'bermOver', 'swaleOver']),
  'a 15 in culvert': sound(culvert(15), ['culvertOverRoad', 'culvertCover']),
  'a culvert too small': told(culvert(6), 'culvertOverRoad'),
  'four low spots into a rain garden': sound(lowSpots(3600), ['storeOver']),
  'four low spots into a small dry well': told(lowSpots(20), 'storeOver'),
  'a parking lot that sheds to a door': sound(parkingLot(16), ['waterAtDoor', 'stoneOver']),
  'the same with a short run of pea stone': told(parkingLot(4), 'stoneOver', 'beddingPoor'),
  'a permeable patio': sound(patio(0.01), ['bedOver', 'bedSlow']),
  'a patio that falls to the house': told(patio(-0.01), 'bedTowardHouse'),
  'a barrel into an old line': sound(barrel(true), ['noDischarge', 'barrelFreezes']),
  'a barrel with no overflow': told(barrel(false), 'noDischarge'),
  'a green on sand over clay': sound(
    jobOf('green', 'A bowling green on sand over clay', green, pipe('field', 'out', 40, 4), ends(-4)),
    ['drainWide'],
  ),
});
