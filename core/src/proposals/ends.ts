/** What a proposal has to lead off, and where to: what stands without a line, low places that nothing drains, and all that a line may run to. */
import { placeOf } from '../ground/grid';
import type { Pond } from '../ground/ponds';
import { freeName, onPlan } from '../job/edits/insert';
import { landingsOf, ofKind, type Job } from '../job/job';
import { isLaid, landsOnGutter, type Basin, type Element, type Landing } from '../job/kinds';
import { referencesOf, unlinked } from '../job/links';
import { placeOfLanding, placesOf } from '../job/places';
import { distance, isWithin, type Place } from '../site/place';
import { groundOf } from '../yard/ground';
import { pondAt, seenOf, unseenPonds } from '../yard/seen';
import { yardWater } from '../yard/water';

export interface End {
  id: string;
  kind: Landing['kind'];
  place: Place;
}

export interface Wanted {
  /** The site as lines are laid over it: with the basins that it wants, and without what is laid anew. */
  job: Job;
  /** Basins that are new. */
  fresh: readonly Element[];
  ends: readonly End[];
  /** Ways out, and where lines that stay can be joined. */
  roots: readonly End[];
  /** Whether all was led off already, and the whole is proposed anew. */
  anew: boolean;
}

/** A pond that holds less is dry before anybody looks, m³; and one so shallow is a film, m. */
const LEAST_POND = { volume: 0.1, depth: 0.02 };
/** Nearer than so an inlet stands in a low place already, m. */
const THERE = 1.5;
/** Low places that get a basin at most. */
const BASINS = 6;

/** Takes water that a pipe has to lead on. */
const isSource = (landing: Landing): boolean =>
  landing.kind === 'basin' ||
  landing.kind === 'channel' ||
  landing.kind === 'stoneDrain' ||
  landing.kind === 'drain' ||
  landing.kind === 'drainField' ||
  (landing.kind === 'downspout' && !landsOnGutter(landing));

const endOf = (landing: Landing): End[] => {
  const place = placeOfLanding(landing);
  return place ? [{ id: landing.id, kind: landing.kind, place }] : [];
};

/** Without new pipe, and fittings that only it needs, as all of that is proposed anew; but with what something of the site cannot be without. */
function withoutLines(job: Job): Job {
  const laid = ofKind(job, 'run').filter((run) => isLaid(run) && !run.old);
  const kept = new Set(
    ofKind(job, 'run')
      .filter((run) => !laid.includes(run))
      .flatMap(({ from, to }) => [from, to]),
  );
  const fittings = ofKind(job, 'junction').filter(({ id, here }) => !here && !kept.has(id));
  const gone = new Set([...laid, ...fittings].map(({ id }) => id));
  const freed: Element[] = [];
  for (const element of job.elements) {
    if (gone.has(element.id)) continue;
    const free = [...gone].reduce(unlinked, element);
    for (const { to } of referencesOf(free)) gone.delete(to);
    if (free !== element) freed.push(free);
  }
  return { id: job.id, elements: job.elements.with(freed, [...gone]) };
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
    const taken: Job = { id: job.id, elements: job.elements.with(made, []) };
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

/** The first id of a stem and a number that the job does not have: the same job gives the same ids. */
export function freeId(job: Job, stem: string): string {
  for (let count = 1; ; count++) if (!job.elements.has(`${stem}${count}`)) return `${stem}${count}`;
}

/** What is to be led off, and where to. */
export function wantedIn(given: Job): Wanted {
  const fresh = basinsWanted(given);
  const withBasins: Job = { id: given.id, elements: given.elements.with(fresh, []) };
  const unled = (job: Job): Landing[] => {
    const leads = new Set(
      ofKind(job, 'run')
        .filter(isLaid)
        .map(({ from }) => from),
    );
    return landingsOf(job).filter((landing) => isSource(landing) && !leads.has(landing.id));
  };
  const anew = unled(withBasins).length === 0;
  const job = anew ? withoutLines(withBasins) : withBasins;
  const ends = unled(job).flatMap(endOf);
  const own = new Set(ends.map(({ id }) => id));
  const inLine = new Set(
    ofKind(job, 'run')
      .filter(isLaid)
      .flatMap(({ from, to }) => [from, to]),
  );
  const roots = landingsOf(job)
    .filter((landing) => !own.has(landing.id) && (landing.kind === 'discharge' || inLine.has(landing.id)))
    .flatMap(endOf);
  return { job, fresh, ends, roots, anew };
}

/** Of some ends those farthest from a place last. */
export const byDistance = (ends: readonly End[], from: Place): End[] =>
  [...ends].sort((a, b) => distance(a.place, from) - distance(b.place, from) || (a.id < b.id ? -1 : 1));
