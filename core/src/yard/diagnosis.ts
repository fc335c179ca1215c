/** Why a place is wet: surface water, roof water, water in the ground, or several; with what speaks for each. */
import { cellAt, placeOf } from '../ground/grid';
import type { Pond } from '../ground/ponds';
import { ofKind, type Job, keeping } from '../job/job';
import { isLaid, type WetSpot } from '../job/kinds';
import { distance, distanceTo, footOnWay, isWithin, type Place } from '../site/place';
import { groundOf } from './ground';
import { seenOf, type Seen } from './seen';
import { soilAt, type FoundSoil } from './soils';
import { flowPath, upstreamOf, yardWater, type YardWater } from './water';
import { waysOut } from './waysOut';

export type Cause = 'surface' | 'roof' | 'subsurface' | 'steady';

export type Evidence =
  | { type: 'pond'; depth: number; area: number; volume: number }
  | { type: 'runsOff' }
  | { type: 'notLevelled' }
  | { type: 'downspout'; id: string; loose: boolean }
  | { type: 'steady'; id: string }
  | { type: 'slowSoil'; soil: FoundSoil['soil']; tested: boolean }
  | { type: 'fastSoil'; soil: FoundSoil['soil']; tested: boolean }
  | { type: 'stays'; hours: number }
  | { type: 'soft' }
  | { type: 'gathers'; area: number }
  | { type: 'towardWall'; building: string; fall: number };

export type Doubt = 'levelHere' | 'soilTest' | 'hoursAfter' | 'inDry';

export type Suggestion =
  | { type: 'basin'; place: Place }
  | { type: 'leadOff'; downspout: string }
  /** Through its middle, or side by side under all of it. */
  | { type: 'subsurfaceDrain'; place: Place }
  | { type: 'drainField'; place: Place }
  /** Where the soil takes water: let it soak away on the spot. */
  | { type: 'rainGarden'; place: Place }
  /** Where no way out is reached in a pipe. */
  | { type: 'swale'; place: Place }
  | { type: 'pump'; place: Place }
  | { type: 'regrade' }
  | { type: 'channel' };

export interface Diagnosis {
  wet: string;
  /** Likeliest first. */
  causes: { cause: Cause; likely: boolean; evidence: Evidence[] }[];
  /** What would change its mind. */
  doubts: Doubt[];
  suggestions: Suggestion[];
  pond: Pond | null;
}

/** Soil that takes less than this keeps water for a day, m/s (about 0.1 in/h). */
const SLOW = 1e-6;
/** Water that stands longer than this has more than the sky behind it, h. */
const LONG = 24;
/** How near water must pass to count, m. */
const NEAR = 2;
/** Ground that gathers from more than this brings water fast enough to carry soil, m². */
const MUCH = 100;
/** How near a wall ground is looked at, m: 10 ft. */
const BY_A_WALL = 3.048;

/** Ways that water takes by some places, and whether one passes near another place. */
function passesNear(water: YardWater | null, from: Place | undefined, place: Place, pond: Pond | null): boolean {
  if (!from) return false;
  if (distance(from, place) <= NEAR) return true;
  if (!water) return false;
  const cells = new Set(pond?.cells ?? []);
  return flowPath(water, from).some((at) => distance(at, place) <= NEAR || cells.has(cellAt(water.grid, at)));
}

/** Diagnosis of a wet spot; null of one that is not on the plan. */
export function diagnose(given: Job, wet: WetSpot): Diagnosis | null {
  const job = keeping(given);
  const { place } = wet;
  if (!place) return null;
  const seen = seenOf(job).find((each) => each.wet.id === wet.id)!;
  const water = yardWater(job);
  const { pond } = seen;
  const soil = soilAt(job, place);
  const led = new Set(ofKind(job, 'run').flatMap((run) => (isLaid(run) ? [run.from] : [])));
  const spouts = ofKind(job, 'downspout').filter(
    ({ id, landsOn, place: at }) => !(landsOn?.length ?? 0) && !led.has(id) && passesNear(water, at, place, pond),
  );
  const steady = ofKind(job, 'fixedFlow').filter(
    ({ place: at, feeds }) => feeds.length === 0 && passesNear(water, at, place, pond),
  );
  const stays = wet.hours !== undefined && wet.hours >= LONG;
  const surface: Evidence[] = surfaceEvidence(seen, water, place);
  const roof: Evidence[] = spouts.map(({ id }) => ({ type: 'downspout', id, loose: true }));
  const under: Evidence[] = [];
  if (wet.form === 'soft') under.push({ type: 'soft' });
  if (stays) under.push({ type: 'stays', hours: wet.hours! });
  if (soil.conductivity < SLOW) under.push({ type: 'slowSoil', soil: soil.soil, tested: soil.tested });
  const wall = wet.form === 'wetBasement' ? towardWall(job, place) : null;
  const causes: Diagnosis['causes'] = [];
  const add = (cause: Cause, likely: boolean, evidence: Evidence[]): void => {
    if (evidence.length > 0) causes.push({ cause, likely, evidence });
  };
  if (wall) surface.push(wall);
  add(
    'surface',
    pond !== null || wall !== null || (wet.form === 'washedOut' && surface.some(({ type }) => type === 'gathers')),
    pond || wall || wet.form !== 'soft'
      ? surface.filter(({ type }) => type !== 'runsOff' && type !== 'notLevelled')
      : [],
  );
  add('roof', true, roof);
  add(
    'steady',
    true,
    steady.map(({ id }) => ({ type: 'steady', id })),
  );
  add(
    'subsurface',
    wet.form === 'soft' || (stays && soil.conductivity < SLOW) || (stays && !pond),
    under.length > 0 && (wet.form === 'soft' || stays) ? under : [],
  );
  if (causes.length === 0)
    causes.push({
      cause: 'subsurface',
      likely: false,
      evidence: surface.length > 0 ? surface : [{ type: 'notLevelled' }],
    });
  causes.sort((a, b) => Number(b.likely) - Number(a.likely));
  const doubts: Doubt[] = [];
  if (!pond || !seen.levelled) doubts.push('levelHere');
  if (!soil.tested) doubts.push('soilTest');
  if (wet.hours === undefined) doubts.push('hoursAfter');
  if (steady.length === 0 && !pond && wet.form !== 'washedOut') doubts.push('inDry');
  return {
    wet: wet.id,
    causes,
    doubts,
    suggestions: suggest(
      job,
      { ...seen, wet: { ...wet, place } },
      { water, causes, conductivity: soil.conductivity, spouts },
    ),
    pond,
  };
}

function surfaceEvidence({ pond, levelled }: Seen, water: YardWater | null, place: Place): Evidence[] {
  if (!levelled || !water) return [{ type: 'notLevelled' }];
  const cells = pond ? pond.cells : [cellAt(water.grid, place)].filter((cell) => cell >= 0);
  const area = upstreamOf(water, cells).length * water.grid.cell ** 2;
  const gathers: Evidence[] = area > MUCH ? [{ type: 'gathers', area }] : [];
  return pond
    ? [{ type: 'pond', depth: pond.depth, area: pond.area, volume: pond.volume }, ...gathers]
    : [{ type: 'runsOff' }, ...gathers];
}

/** Ground that falls toward the wall that a wet basement lies behind. */
function towardWall(job: Job, place: Place): Evidence | null {
  const { surface } = groundOf(job);
  if (!surface) return null;
  let best: { id: string; away: number; outline: readonly Place[] } | null = null;
  for (const { id, outline } of ofKind(job, 'building')) {
    const away = outline ? distanceTo(outline, place) : Infinity;
    if (away <= BY_A_WALL && (!best || away < best.away)) best = { id, away, outline: outline! };
  }
  if (!best) return null;
  const falls = slopesAway(job, best.outline).filter(({ middle }) => distance(middle, place) < 2 * BY_A_WALL);
  const worst = falls.reduce((low, each) => Math.min(low, each.fall), Infinity);
  return worst < 0 ? { type: 'towardWall', building: best.id, fall: -worst } : null;
}

export interface SlopeAway {
  /** Which wall, from 0. */
  wall: number;
  middle: Place;
  /** How far the ground falls in the first 10 ft off the wall, m; less than 0 where it rises. */
  fall: number;
}

/** Fall of the ground away from each wall of an outline, where it is levelled. */
export function slopesAway(job: Job, outline: readonly Place[]): SlopeAway[] {
  const { surface } = groundOf(job);
  if (!surface) return [];
  return outline.flatMap((a, wall): SlopeAway[] => {
    const b = outline[(wall + 1) % outline.length]!;
    const length = distance(a, b) || 1;
    const middle = { east: (a.east + b.east) / 2, north: (a.north + b.north) / 2 };
    const out = { east: (b.north - a.north) / length, north: -(b.east - a.east) / length };
    const at = (away: number, side: number): Place => ({
      east: middle.east + side * away * out.east,
      north: middle.north + side * away * out.north,
    });
    // Outside is where the outline is not.
    const side = distanceTo(outline, at(0.3, 1)) > 0 ? 1 : -1;
    const [near, far] = [surface.levelAt(at(0.15, side)), surface.levelAt(at(BY_A_WALL, side))];
    return near === null || far === null ? [] : [{ wall, middle, fall: near - far }];
  });
}

/** How near a drain dries the ground, m. */
const DRIES = 3;

/** Whether a subsurface drain lies under a place already. */
const isDrained = (job: Job, place: Place): boolean =>
  ofKind(job, 'drainField').some(({ outline }) => outline && isWithin(outline, place)) ||
  ofKind(job, 'drain').some(({ way }) => way && (footOnWay(way, place)?.distance ?? Infinity) < DRIES);

/** Soil that takes at least this lets a garden soak away in a day, m/s. */
const SOAKS = 4e-6;

function suggest(
  job: Job,
  { pond, wet }: Seen & { wet: { place: Place } },
  found: Pick<Diagnosis, 'causes'> & {
    water: YardWater | null;
    /** What the soil lets through, m/s. */
    conductivity: number;
    spouts: readonly { id: string }[];
  },
): Suggestion[] {
  const { water, causes, conductivity, spouts } = found;
  const has = (cause: Cause): boolean => causes.some((each) => each.cause === cause);
  const { place } = wet;
  const lowest = pond && water ? placeOf(water.grid, pond.deepest) : null;
  const suggestions: Suggestion[] = spouts.map(({ id }) => ({ type: 'leadOff', downspout: id }));
  if (lowest) suggestions.push({ type: 'basin', place: lowest });
  else if (has('surface') && wet.form === 'washedOut') suggestions.push({ type: 'channel' });
  if ((has('subsurface') || has('steady')) && !isDrained(job, place)) {
    suggestions.push({ type: 'drainField', place }, { type: 'subsurfaceDrain', place });
  }
  if (lowest && conductivity >= SOAKS) suggestions.push({ type: 'rainGarden', place: lowest });
  if (lowest && !reachesByGravity(job, lowest)) {
    suggestions.push({ type: 'swale', place: lowest }, { type: 'pump', place: lowest });
  }
  if (wet.form === 'wetBasement' || (!pond && has('surface'))) suggestions.push({ type: 'regrade' });
  return suggestions;
}

/** Whether a pipe from a place falls to any way out that is on the plan. */
function reachesByGravity(job: Job, place: Place): boolean {
  const level = groundOf(job).surface?.levelAt(place);
  if (level === null || level === undefined) return true;
  const ways = waysOut(job, { place, level, id: 'here' })?.ways ?? [];
  return ways.some(({ spare, spareLarge }) => Math.max(spare, spareLarge) >= 0);
}
