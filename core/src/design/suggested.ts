/** What a suggestion for a wet place puts in, as one change: on the plan, at the level of the ground, led to the way out that is best for it. */
import type { Change } from '../job/change';
import { freeName, newRun, onPlan, runAlong } from '../job/edits/insert';
import { freshId } from '../job/ids';
import { headOf, ofKind, type Job, keeping } from '../job/job';
import type { Basin, Discharge, Drain, DrainField, Element, Landing, Swale } from '../job/kinds';
import { resolveSettings } from '../job/settings';
import { distanceTo, isWithin, type Place } from '../site/place';
import { METRES_PER_INCH } from '../units/constants';
import { usualPump } from '../works/pumpBasin';
import type { Suggestion } from '../yard/diagnosis';
import { groundOf } from '../yard/ground';
import { soilAt } from '../yard/soils';
import { flowPath, yardWater } from '../yard/water';
import { waysOut } from '../yard/waysOut';

export interface Suggested {
  change: Change;
  /** What it puts in first, which is shown. */
  id: string;
}

/** Half the sides of a field that is laid under a wet place, m, largest first: the first that is clear of buildings. */
const HALVES: readonly [number, number][] = [
  [6, 4.5],
  [4.5, 3.5],
  [3, 2.5],
  [2, 1.5],
];
/** A drain, from one side of a wet place to the other, m. */
const HALF_DRAIN = 6;
/** Perforated pipe stays as far from a building, m: 10 ft, and half of it where there is no more room. */
const CLEAR = 1.524;
/** A pump basin stands beside the grate that feeds it, m. */
const BESIDE = 1.5;
const DEPTH = 24 * METRES_PER_INCH;
const NOMINAL = 4 * METRES_PER_INCH;
/** Places of a swale at most, and how far apart, m. */
const STEP = 2;

const by = ({ east, north }: Place, e: number, n: number): Place => ({ east: east + e, north: north + n });

/** The change of a suggestion; null of one that is done on site, or where the plan has no room for it. */
export function suggestedChange(given: Job, suggestion: Suggestion): Suggested | null {
  const job = keeping(given);
  switch (suggestion.type) {
    case 'basin':
      return basinAt(job, suggestion.place);
    case 'leadOff': {
      const downspout = job.elements.get(suggestion.downspout);
      const puts = downspout ? ledOff(job, downspout) : [];
      return puts.length > 0
        ? { change: { label: 'Lead the downspout off', puts, removes: [] }, id: puts[0]!.id }
        : null;
    }
    case 'drainField':
      return fieldUnder(job, suggestion.place);
    case 'subsurfaceDrain':
      return drainThrough(job, suggestion.place);
    case 'rainGarden':
      return gardenAt(job, suggestion.place);
    case 'swale':
      return swaleFrom(job, suggestion.place);
    case 'pump':
      return pumpAt(job, suggestion.place);
    case 'regrade':
    case 'channel':
      return null;
  }
}

const levelAt = (job: Job, place: Place): number | null => groundOf(job).surface?.levelAt(place) ?? null;

const made = (label: string, first: Element, ...others: Element[]): Suggested => ({
  change: { label, puts: [first, ...others], removes: [] },
  id: first.id,
});

/** A pipe from something new to the way out that is best for it; none where there is none on the plan. */
function ledOff(job: Job, from: Element): Element[] {
  if (!('place' in from) || !from.place) return [];
  // The level that it will stand at: its own figure is only a stand-in.
  return ledFrom(job, from.id, from.place, levelAt(job, from.place) ?? ('groundLevel' in from ? from.groundLevel : 0));
}

function ledFrom(job: Job, id: string, place: Place, level: number): Element[] {
  const best = waysOut(job, { place, level, id })?.ways[0];
  return best ? [runAlong(newRun(job, freshId('run'), id, best.id, Math.max(0.1, best.length)), best.route)] : [];
}

/** Ground (m) under which a pipe with the usual cover starts as deep as a drain lies under its own, `level` m. */
const startOf = (job: Job, level: number): number =>
  level - DEPTH + resolveSettings(headOf(job).settings).cover + NOMINAL;

const newBasin = (job: Job, place: Place): Landing =>
  onPlan(
    { id: freshId('basin'), kind: 'basin', name: freeName(job, 'Basin'), grate: 'flat12', groundLevel: 0 } as Basin,
    place,
  );

function basinAt(job: Job, place: Place): Suggested {
  const basin = newBasin(job, place);
  return made('Put in a catch basin', basin, ...ledOff(job, basin));
}

/** Whether places lie clear of every building. */
const isClear = (job: Job, places: readonly Place[]): boolean =>
  ofKind(job, 'building').every(
    ({ outline }) =>
      !outline ||
      (places.every((place) => distanceTo(outline, place) >= CLEAR) &&
        !outline.some((corner) => isWithin(places, corner))),
  );

function fieldUnder(job: Job, place: Place): Suggested | null {
  for (const [wide, deep] of HALVES) {
    const corners = [by(place, -wide, -deep), by(place, wide, -deep), by(place, wide, deep), by(place, -wide, deep)];
    if (!isClear(job, corners)) continue;
    // Its pipe leaves at its lowest corner.
    const levels = corners.map((corner) => levelAt(job, corner) ?? Number.POSITIVE_INFINITY);
    const lowest = levels.indexOf(Math.min(...levels));
    const outline = [...corners.slice(lowest), ...corners.slice(0, lowest)];
    const field: DrainField = {
      id: freshId('field'),
      kind: 'drainField',
      name: freeName(job, 'Drain field'),
      outline,
      groundLevel: 0,
      levelFrom: 'ground',
      depth: DEPTH,
      nominal: NOMINAL,
      soil: soilAt(job, place).soil,
    };
    const level = levelAt(job, outline[0]!);
    // A pipe that leaves it starts as deep as it lies.
    return made(
      'Put in a drain field',
      field,
      ...(level === null ? [] : ledFrom(job, field.id, outline[0]!, startOf(job, level))),
    );
  }
  return null;
}

function drainThrough(job: Job, place: Place): Suggested | null {
  const ways: [Place, Place][] = [
    [by(place, -HALF_DRAIN, 0), by(place, HALF_DRAIN, 0)],
    [by(place, 0, -HALF_DRAIN), by(place, 0, HALF_DRAIN)],
    [by(place, -HALF_DRAIN / 2, 0), by(place, HALF_DRAIN / 2, 0)],
  ];
  const way = ways.find((each) => isClear(job, each));
  if (!way) return null;
  const [one, other] = way.map((end) => levelAt(job, end) ?? 0);
  const down = one! < other! ? [way[1], way[0]] : way;
  const drain: Drain = {
    id: freshId('drain'),
    kind: 'drain',
    name: freeName(job, 'Subsurface drain'),
    way: down,
    groundLevel: 0,
    levelFrom: 'ground',
    depth: DEPTH,
    nominal: NOMINAL,
    soil: soilAt(job, place).soil,
  };
  const foot = down[1]!;
  const level = levelAt(job, foot);
  return made(
    'Put in a subsurface drain',
    drain,
    ...(level === null ? [] : ledFrom(job, drain.id, foot, startOf(job, level))),
  );
}

const discharge = (job: Job, form: Discharge['form'], name: string, place: Place): Discharge => ({
  id: freshId('out'),
  kind: 'discharge',
  name: freeName(job, name),
  form,
  receiving: 'lawn',
  groundLevel: 0,
  levelFrom: 'ground',
  place,
});

/** A garden in the hollow; what runs there over the ground is told to it on its own sheet. */
function gardenAt(job: Job, place: Place): Suggested {
  return made('Make a rain garden', {
    ...discharge(job, 'rainGarden', 'Rain garden', place),
    store: { area: 15, depth: 0.15, cover: 0, voids: 1, soil: soilAt(job, place).soil },
  });
}

/** Down the way that water takes over the rim of the hollow, to the yard's edge. */
function swaleFrom(job: Job, place: Place): Suggested | null {
  const water = yardWater(job);
  if (!water) return null;
  const path = flowPath(water, place);
  const every = Math.max(1, Math.round(STEP / water.grid.cell));
  const way = path.filter((_, k) => k % every === 0 || k === path.length - 1);
  if (way.length < 2) return null;
  const swale: Swale = {
    id: freshId('swale'),
    kind: 'swale',
    name: freeName(job, 'Swale'),
    way,
    section: 'trapezoid',
    bottomWidth: 0.6,
    sideSlope: 4,
    depth: 0.3,
    lining: 'grass',
  };
  return made('Draw a swale', swale);
}

/** A basin with a pump and all that keeps it safe, at a place whose ground lies at `level`, m: deep enough for a line to come in. */
export const pumpBasin = (job: Job, place: Place, level: number): Discharge => ({
  ...discharge(job, 'pump', 'Pump basin', place),
  pump: {
    ...usualPump(level),
    start: level - 0.9,
    stop: level - 1.2,
    checkValve: true,
    alarm: true,
    freezeOverflow: true,
  },
});

/** A grate in the hollow, and a pump basin beside it. */
function pumpAt(job: Job, place: Place): Suggested | null {
  const beside = [by(place, BESIDE, 0), by(place, -BESIDE, 0), by(place, 0, BESIDE), by(place, 0, -BESIDE)].find(
    (each) => isClear(job, [each]) && levelAt(job, each) !== null,
  );
  if (!beside) return null;
  const pump = pumpBasin(job, beside, levelAt(job, beside)!);
  const basin = newBasin(job, place);
  const run = runAlong(newRun(job, freshId('run'), basin.id, pump.id, BESIDE), [place, beside]);
  return made('Put in a pump basin', pump, basin, run);
}
