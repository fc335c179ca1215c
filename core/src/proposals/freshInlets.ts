/** What a yard wants and does not have: a channel before a door that paving sheds to, a drain under ground that the diagnosis finds wet below, a basin in a low place. */
import { HARD_COVERS } from '../catalogue/surfaces';
import { suggestedChange } from '../design/suggested';
import { placeOf } from '../ground/grid';
import type { Pond } from '../ground/ponds';
import { freeName, onPlan, ownName } from '../job/edits/insert';
import { ofKind, type Job } from '../job/job';
import type { Basin, Channel, Element, Opening } from '../job/kinds';
import { placesOf, wayOfOpening } from '../job/places';
import { away } from '../openings/doors';
import { distance, isWithin, type Place } from '../site/place';
import { METRES_PER_INCH } from '../units/constants';
import { diagnose } from '../yard/diagnosis';
import { groundOf } from '../yard/ground';
import { pondAt, seenOf, unseenPonds } from '../yard/seen';
import { yardWater } from '../yard/water';

/** A pond that holds less is dry before anybody looks, m³; and one so shallow is a film, m. */
const LEAST_POND = { volume: 0.1, depth: 0.02 };
/** Nearer than so an inlet stands in a low place already, m. */
const THERE = 1.5;
/** Low places that get a basin at most. */
const BASINS = 6;
/** Nearer than so a channel stands before a door already, m. */
const BEFORE_DOOR = 2.5;
/** A channel lies so far off the wall, and reaches so far beyond the door on either side, m. */
const OFF_WALL = 0.3;
const BEYOND = 0.3;
/** Paving is looked at so far out, m; flatter than so toward the door it does not shed there, m/m. */
const OUT = 1.8;
const SHEDS = 0.005;
/** Fall of a channel's bed, m/m. */
const BED_FALL = 0.005;

/** The first id of a stem and a number that the job does not have: the same job gives the same ids. */
export function freeId(job: Job, stem: string): string {
  for (let count = 1; ; count++) if (!job.elements.has(`${stem}${count}`)) return `${stem}${count}`;
}

const withMade = (job: Job, made: readonly Element[]): Job => ({
  id: job.id,
  elements: job.elements.with([...made], []),
});

/** All of it; the same job gives the same ids. */
export function freshInlets(job: Job): Element[] {
  const made: Element[] = [];
  for (const wanted of [channelsWanted, drainsWanted, basinsWanted]) made.push(...wanted(withMade(job, made)));
  return made;
}

/** Before every door at which paving falls to it. */
function channelsWanted(job: Job): Element[] {
  const made: Channel[] = [];
  for (const opening of ofKind(job, 'opening')) {
    const way = opening.form === 'door' || opening.form === 'garageDoor' ? beforeDoor(job, opening) : null;
    if (!way) continue;
    const on = withMade(job, made);
    const { surface } = groundOf(job);
    const [one, other] = way.map((place) => surface!.levelAt(place) ?? 0) as [number, number];
    const down = one < other ? [way[1], way[0]] : way;
    const length = distance(way[0], way[1]);
    const fall = Math.abs(one - other) / length;
    const id = freeId(on, 'channel');
    made.push({
      id,
      kind: 'channel',
      name: ownName(on, id, `Channel at ${opening.name}`),
      way: [...down],
      levelFrom: 'ground',
      groundLevel: Math.min(one, other),
      width: 4 * METRES_PER_INCH,
      depth: 6 * METRES_PER_INCH,
      length,
      slope: BED_FALL,
      ...(fall > 0.001 ? { topSlope: Math.min(0.5, fall) } : {}),
    });
  }
  return made;
}

/** Where a channel before a door would lie; null where no paving falls to it, or one lies there. */
function beforeDoor(job: Job, opening: Opening): [Place, Place] | null {
  const sides = wayOfOpening(job, opening);
  const { surface } = groundOf(job);
  const outline = ofKind(job, 'building').find(({ id }) => id === opening.building)?.outline;
  if (!sides || !surface || !outline) return null;
  const [a, b] = sides as [Place, Place];
  const length = distance(a, b) || 1;
  const along = { east: (b.east - a.east) / length, north: (b.north - a.north) / length };
  const middle = { east: (a.east + b.east) / 2, north: (a.north + b.north) / 2 };
  const from = (side: number, out: number, on = 0, base = middle): Place => ({
    east: base.east + side * out * along.north + on * along.east,
    north: base.north - side * out * along.east + on * along.north,
  });
  const side = isWithin(outline, from(1, OFF_WALL)) ? -1 : 1;
  const near = from(side, OFF_WALL);
  const far = from(side, OUT);
  const isPaved = ofKind(job, 'surface').some(
    ({ cover, outline: paving }) => HARD_COVERS.has(cover) && paving && isWithin(paving, near) && isWithin(paving, far),
  );
  const [low, high] = [surface.levelAt(near), surface.levelAt(far)];
  if (!isPaved || low === null || high === null || (high - low) / (OUT - OFF_WALL) < SHEDS) return null;
  const taken = [...ofKind(job, 'channel'), ...ofKind(job, 'stoneDrain')].some((inlet) => {
    const places = placesOf(inlet);
    return places.length > 0 && away(sides, places) < BEFORE_DOOR;
  });
  return taken ? null : [from(side, OFF_WALL, -BEYOND, a), from(side, OFF_WALL, BEYOND, b)];
}

/** Under every wet place whose water is in the ground more than on it, as the diagnosis says. */
function drainsWanted(job: Job): Element[] {
  const made: Element[] = [];
  for (const wet of ofKind(job, 'wetSpot')) {
    const on = withMade(job, made);
    const found = diagnose(on, wet);
    const [first] = found?.causes ?? [];
    if (!first?.likely || (first.cause !== 'subsurface' && first.cause !== 'steady')) continue;
    const drained = found!.suggestions.find(({ type }) => type === 'drainField' || type === 'subsurfaceDrain');
    const put = drained && suggestedChange(on, drained)?.change.puts[0];
    if (put) made.push({ ...put, id: freeId(on, put.kind === 'drainField' ? 'field' : 'drain') } as Element);
  }
  return made;
}

/** Basins in low places that hold water and in which nothing stands that takes it, the one with most water first. */
function basinsWanted(job: Job): Basin[] {
  const water = yardWater(job);
  if (!water) return [];
  const inlets = [...ofKind(job, 'basin'), ...ofKind(job, 'channel'), ...ofKind(job, 'stoneDrain')].flatMap(placesOf);
  const isTaken = (pond: Pond): boolean =>
    inlets.some((place) => distance(place, placeOf(water.grid, pond.deepest)) < THERE || pondAt(water, place) === pond);
  const seen = seenOf(job).flatMap(({ pond }) => pond ?? []);
  const ponds = [...new Set([...seen, ...unseenPonds(job)])]
    .filter((pond) => !isTaken(pond))
    .filter(({ volume, depth }) => volume >= LEAST_POND.volume && depth >= LEAST_POND.depth)
    .sort((a, b) => b.volume - a.volume || a.deepest - b.deepest)
    .slice(0, BASINS);
  const { surface } = groundOf(job);
  const houses = ofKind(job, 'building').flatMap(({ outline }) => (outline ? [outline] : []));
  const made: Basin[] = [];
  for (const pond of ponds) {
    const place = placeOf(water.grid, pond.deepest);
    if (houses.some((outline) => isWithin(outline, place))) continue;
    const taken = withMade(job, made);
    made.push(
      onPlan(
        {
          id: freeId(taken, 'basin'),
          kind: 'basin',
          name: freeName(taken, 'Basin'),
          grate: 'flat12',
          groundLevel: surface?.levelAt(place) ?? 0,
        },
        place,
      ) as Basin,
    );
  }
  return made;
}
