/** Every opening that is drawn, against all water in the open that can come to it: by where that goes over the ground. */
import { leftUnder } from '../inlets';
import { keptOf, ofKind, type Job } from '../job/job';
import type { Basin, Building, Channel, Opening } from '../job/kinds';
import { placesOf, sidesOnWall } from '../job/places';
import { step } from '../numeric/kept';
import { LEVEL_TOLERANCE } from '../numeric/tolerance';
import { footOnWay, type Place } from '../site/place';
import { leadingIn, type Leading } from '../yard/downhill';
import { yardWater, type YardWater } from '../yard/water';
import { openWaters, TRICKLE, type InRain, type OpenWater } from './openWater';
import { cellsOf, comesFrom, hollowAt, NEAR, type Comes, type Yard } from './reach';

/** What must be known before anybody can tell whether water comes to an opening. */
export const LACKING = ['sill', 'place', 'ground'] as const;
export type Lacking = (typeof LACKING)[number];

/** What is lacking, of which water, and how far that is, m; null where nobody can tell. */
interface Lack {
  what: Lacking;
  by: string;
  away: number | null;
}

/** An opening in a rain. */
export interface DoorPlan {
  opening: string;
  /** Sill over the highest water that comes to it, m; null where none does. */
  left: number | null;
  /** Where that water is from, by id; null where it is a hollow of the ground that fills, or none comes. */
  by: string | null;
  /** An inlet or a stone drain near it that names its sill, by id: what stands there is told of that one. */
  toldBy: string | null;
  /** What is lacking to tell, of the nearest water of which anything is; null where all is told. */
  lacking: Lack | null;
}

/** Whether water comes nearer to its sill than a margin, m. */
export const isWithin = ({ left }: DoorPlan, margin: number): boolean =>
  left !== null && left < margin - LEVEL_TOLERANCE;

interface Read {
  openings: readonly Opening[];
  buildings: readonly Building[];
  basins: readonly Basin[];
  channels: readonly Channel[];
  waters: readonly OpenWater[];
  margin: number;
  spillLength: number;
  water: YardWater | null;
  leading: Leading | null;
}

/** How far an opening is from places in turn, m; ∞ from none. */
export const away = (door: readonly Place[], places: readonly Place[]): number =>
  Math.min(
    ...places.map((place) => footOnWay(door, place)!.distance),
    ...(places.length > 1 ? door.map((side) => footOnWay(places, side)!.distance) : []),
  );

type Found = { level: number } | { lacking: Lacking } | null;

const isNearer = (one: number | null, other: number | null): boolean => (one ?? Infinity) < (other ?? Infinity);

/** How a water comes to an opening where no ground between them is measured: near by it stands as high as at its source; further off nobody can tell what runs. */
function unmeasured(
  door: readonly Place[] | null,
  { places, level, runs }: OpenWater,
  { over, most }: { over: Comes | null; most: number },
): Found {
  if (!door || places.length === 0) return { lacking: 'place' };
  if (away(door, places) <= NEAR) return { level };
  // What is taken in on its way, or leaves the measured ground lower than the sill, does not come to it.
  const goesOn = over ? over.leaves !== null && over.leaves > most : runs > TRICKLE;
  return goesOn ? { lacking: 'ground' } : null;
}

function overGround(over: Comes, cells: readonly number[]): Found {
  const level = over.at(cells);
  return level === null ? null : { level };
}

/** Whether the sill is one that the water's own element is judged by. */
const isItsOwn = ({ sillLevel }: OpenWater, sill: number): boolean =>
  sillLevel !== undefined && sillLevel <= sill + LEVEL_TOLERANCE;

interface Asked {
  opening: Opening;
  door: readonly Place[] | null;
  /** Cells before it, none where they are not measured. */
  cells: readonly number[];
  /** Level to which a hollow before it fills, m; null where there is none. */
  hollow: number | null;
}

function doorPlan(
  { opening, door, cells, hollow }: Asked,
  read: Read,
  comes: (water: OpenWater) => Comes | null,
): DoorPlan {
  const { margin, waters } = read;
  const { id, sillLevel: sill } = opening;
  const plan: DoorPlan = { opening: id, left: null, by: null, toldBy: null, lacking: null };
  // Lower than this no water matters.
  const most = sill === undefined ? Number.NEGATIVE_INFINITY : sill - margin;
  const stands = (level: number, by: string | null): void => {
    const left = leftUnder(sill!, level);
    if (plan.left === null || left < plan.left) Object.assign(plan, { left, by });
  };
  for (const water of waters) {
    // Water never stands higher than where it comes from.
    const isLower = water.level <= most;
    const over = isLower ? null : comes(water);
    const found = over && cells.length > 0 ? overGround(over, cells) : unmeasured(door, water, { over, most });
    if (!found) continue;
    if (sill !== undefined && isItsOwn(water, sill)) {
      plan.toldBy = water.id;
      continue;
    }
    if ('level' in found && sill !== undefined) stands(found.level, water.id);
    else if (!isLower) {
      const far = door && water.places.length > 0 ? away(door, water.places) : null;
      const lack = { what: 'lacking' in found ? found.lacking : ('sill' as const), by: water.id, away: far };
      if (plan.lacking === null || isNearer(far, plan.lacking.away)) plan.lacking = lack;
    }
  }
  if (hollow !== null && sill !== undefined) stands(hollow, null);
  return plan;
}

const judged = step('openings against water', (read: Read): readonly DoorPlan[] => {
  const { openings, buildings, basins, channels, water, leading, spillLength } = read;
  const yard: Yard | null = water && leading && { water, leading, spillLength };
  const outlines = new Map(buildings.map(({ id, outline }) => [id, outline]));
  const inlets = [...basins, ...channels].flatMap((inlet) => placesOf(inlet));
  const known = new Map<OpenWater, Comes | null>();
  const comes = (source: OpenWater): Comes | null => {
    if (!known.has(source)) known.set(source, yard && source.places.length > 0 ? comesFrom(yard, source) : null);
    return known.get(source)!;
  };
  return openings.map((opening) => {
    const door = sidesOnWall(outlines.get(opening.building ?? ''), opening);
    const cells = water && door ? cellsOf(water, door) : [];
    return doorPlan({ opening, door, cells, hollow: water && hollowAt(water, cells, inlets) }, read, comes);
  });
});

const NONE: readonly DoorPlan[] = [];

/** Every opening of a job in a rain, in the job's order. */
export function doorsIn(job: Job, rain: InRain): readonly DoorPlan[] {
  const openings = ofKind(job, 'opening');
  if (openings.length === 0) return NONE;
  const { openingMargin: margin, spillLength } = rain.settings;
  return keptOf(job).ask(judged, {
    openings,
    buildings: ofKind(job, 'building'),
    basins: ofKind(job, 'basin'),
    channels: ofKind(job, 'channel'),
    waters: openWaters(job, rain),
    margin,
    spillLength,
    water: yardWater(job),
    leading: leadingIn(job),
  });
}
