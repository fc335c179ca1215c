/** What a proposal has to lead off, and where to: what stands without a line, what a yard wants that nothing drains, and all that a line may run to. */
import { landingsOf, ofKind, type Job } from '../job/job';
import { isLaid, landsOnGutter, type Element, type Landing } from '../job/kinds';
import { referencesOf, unlinked } from '../job/links';
import { placeOfLanding } from '../job/places';
import { distance, type Place } from '../site/place';
import { freshInlets } from './freshInlets';

/** Ground that no line goes through, put down by a finger. */
export interface NotHere {
  place: Place;
  /** m */
  reach: number;
}

/** What somebody asks of proposals beyond the job itself. */
export interface Asked {
  /** What is not to be led off now, by id; what would be new by the id that it would have. */
  leaveOut: readonly string[];
  notHere: readonly NotHere[];
}

export const NOTHING_ASKED: Asked = { leaveOut: [], notHere: [] };

export interface End {
  id: string;
  kind: Landing['kind'];
  place: Place;
}

export interface Wanted {
  /** The site as lines are laid over it: with the basins that it wants, and without what is laid anew. */
  job: Job;
  /** Inlets and drains that are new. */
  fresh: readonly Element[];
  ends: readonly End[];
  /** All that could be led off, with what is left out now. */
  couldBe: readonly { id: string; name: string; isNew: boolean }[];
  /** Ways out, and where lines that stay can be joined. */
  roots: readonly End[];
  /** Whether all was led off already, and the whole is proposed anew. */
  anew: boolean;
  asked: Asked;
}

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

/** Runs that lead on from some landings, to the way out. */
function waysFrom(job: Job, ids: readonly string[]): Set<string> {
  const runs = ofKind(job, 'run').filter(isLaid);
  const found = new Set<string>();
  const open = [...ids];
  for (let at = open.pop(); at !== undefined; at = open.pop())
    for (const { id, from, to } of runs)
      if (from === at && !found.has(id)) {
        found.add(id);
        open.push(to);
      }
  return found;
}

/** Without new pipe, and fittings that only it needs, as all of that is proposed anew; but with the lines of what is left out, and what something of the site cannot be without. */
function withoutLines(job: Job, leaveOut: readonly string[]): Job {
  const stays = waysFrom(job, leaveOut);
  const laid = ofKind(job, 'run').filter((run) => isLaid(run) && !run.old && !stays.has(run.id));
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

/** What has no line yet and wants one. */
function unled(job: Job): Landing[] {
  const leads = new Set(
    ofKind(job, 'run')
      .filter(isLaid)
      .map(({ from }) => from),
  );
  return landingsOf(job).filter((landing) => isSource(landing) && !leads.has(landing.id));
}

/** Ways out, and all that is led to one: joined to anything else a line would lead round to itself, or to nothing. */
function leadingOut(job: Job): Set<string> {
  const found = new Set(ofKind(job, 'discharge').map(({ id }) => id));
  const runs = ofKind(job, 'run').filter(isLaid);
  for (const id of found) for (const { from, to } of runs) if (to === id) found.add(from);
  return found;
}

/** What is to be led off, and where to. */
export function wantedIn(given: Job, asked: Asked = NOTHING_ASKED): Wanted {
  const { leaveOut } = asked;
  const could = freshInlets(given);
  const whole: Job = { id: given.id, elements: given.elements.with(could, []) };
  const open = unled(whole);
  const anew = open.length === 0;
  const fresh = could.filter(({ id }) => !leaveOut.includes(id));
  const site: Job = { id: given.id, elements: given.elements.with(fresh, []) };
  const job = anew ? withoutLines(site, leaveOut) : site;
  const all = anew ? unled(withoutLines(site, [])) : open;
  const couldBe = all.map(({ id, name }) => ({ id, name, isNew: !given.elements.has(id) }));
  const ends = unled(job)
    .filter(({ id }) => !leaveOut.includes(id))
    .flatMap(endOf);
  const out = leadingOut(job);
  const roots = landingsOf(job)
    .filter(({ id }) => out.has(id))
    .flatMap(endOf);
  return { job, fresh, ends, couldBe, roots, anew, asked };
}

/** Of some ends those farthest from a place last. */
export const byDistance = (ends: readonly End[], from: Place): End[] =>
  [...ends].sort((a, b) => distance(a.place, from) - distance(b.place, from) || (a.id < b.id ? -1 : 1));
