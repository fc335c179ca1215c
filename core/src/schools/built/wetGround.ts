/** Wet lawn: a basin alone, one with a drain in stone that ends in it, short or as long as the ground is wet, or the drain alone. */
import { HARD_COVERS } from '../../catalogue/surfaces';
import { freeName, newRun } from '../../job/edits/insert';
import { entering, leaving } from '../../job/edits/pipes';
import { freshId } from '../../job/ids';
import { ofKind, type Job } from '../../job/job';
import type { Basin, Drain, Run, Surface } from '../../job/kinds';
import { placeOfLanding } from '../../job/places';
import { bearing, isWithin, onward, type Place } from '../../site/place';
import { METRES_PER_FOOT, METRES_PER_INCH } from '../../units/constants';
import { areaCovered, lengthOf } from '../../works/measures';
import type { School } from '../school';
import { redrawnQuestion, without, withPuts } from './redrawn';

const isHard = ({ cover }: Surface): boolean => cover === 'roof' || HARD_COVERS.has(cover);

/** A short drain beside a basin, m: 10 ft; none longer than half as much again is called short. */
const SHORT = 10 * METRES_PER_FOOT;
const STILL_SHORT = 1.5 * SHORT;
/** A drain that nobody has measured is as long as its ground is wide, within these, m. */
const LEAST_LONG = 20 * METRES_PER_FOOT;
const MOST_LONG = 60 * METRES_PER_FOOT;
/** From a drain's end into its basin, m, and how deep its pipe lies, m. */
const STUB = METRES_PER_FOOT;
const DEEP = 18 * METRES_PER_INCH;
const NOMINAL = 4 * METRES_PER_INCH;

interface WetPlace {
  basin?: string;
  drain?: string;
}

const surfacesOf = (job: Job, id: string): Surface[] =>
  ofKind(job, 'surface').filter(({ feeds }) => feeds.some(({ to }) => to === id));

/** Whether a basin stands in ground that is soft: what sheds to it, or what it stands in. */
function isSoft(job: Job, { id, place }: Basin): boolean {
  const shed = surfacesOf(job, id);
  if (shed.length > 0) return shed.some((surface) => !isHard(surface));
  return (
    place !== undefined &&
    !ofKind(job, 'surface').some((surface) => isHard(surface) && surface.outline && isWithin(surface.outline, place))
  );
}

/** New basins in soft ground that lead on, each with the new drain that ends in it, then new drains by themselves. */
function wetPlaces(job: Job): WetPlace[] {
  const isFresh = ({ id, here }: Basin | Drain): boolean => !here && leaving(job, id) !== undefined;
  const drains = new Map(ofKind(job, 'drain').map((drain) => [drain.id, drain]));
  const taken = new Set<string>();
  const basins = ofKind(job, 'basin')
    .filter((basin) => isFresh(basin) && isSoft(job, basin))
    .map(({ id }): WetPlace => {
      const drain = entering(job, id).find(({ from }) => drains.has(from) && !drains.get(from)!.here)?.from;
      if (drain === undefined) return { basin: id };
      taken.add(drain);
      return { basin: id, drain };
    });
  const alone = [...drains.values()].filter((drain) => isFresh(drain) && !taken.has(drain.id));
  return [...basins, ...alone.map(({ id }) => ({ drain: id }))];
}

const drainAt = (job: Job, id: string | undefined): Drain | undefined =>
  id === undefined ? undefined : (job.elements.get(id) as Drain | undefined);

function sideOf({ basin, drain }: WetPlace, job: Job): string {
  const there = drainAt(job, drain);
  if (!there) return 'basin';
  if (basin === undefined) return 'drain';
  return lengthOf(there) <= STILL_SHORT ? 'short' : 'both';
}

/** Up the way that a landing's own pipe goes down, as a bearing; to the north where that is not on the plan. */
function upFrom(job: Job, place: Place, run: Run | undefined): number {
  const next = run && (run.bends?.[0] ?? placeOfLanding(job.elements.get(run.to)));
  return next ? bearing(next, place) : 0;
}

/** The job with a drain so long (m) that ends in a basin, in place of the one that did. */
function drained(job: Job, basin: Basin, was: Drain | undefined, length: number): Job {
  const end = basin.place && onward(basin.place, upFrom(job, basin.place, leaving(job, basin.id)), STUB);
  const head = end && onward(basin.place!, upFrom(job, basin.place!, leaving(job, basin.id)), STUB + length);
  const {
    way: _drawn,
    headLevel: _read,
    area: _ground,
    ...kept
  } = was ?? {
    id: freshId('drain'),
    kind: 'drain' as const,
    name: freeName(job, 'Subsurface drain'),
    groundLevel: basin.groundLevel,
    depth: DEEP,
    nominal: NOMINAL,
  };
  const drain: Drain = { ...kept, length, ...(end ? { way: [head!, end] } : {}) };
  const laid = withPuts(job, drain);
  return was ? laid : withPuts(laid, { ...newRun(job, freshId('run'), drain.id, basin.id, STUB), nominal: NOMINAL });
}

/** How long a drain is that drains all the ground that sheds to a basin, m. */
function longFor(job: Job, basin: string): number {
  const area = surfacesOf(job, basin).reduce((sum, surface) => sum + areaCovered(surface), 0);
  return Math.max(LEAST_LONG, Math.min(MOST_LONG, Math.sqrt(area)));
}

/** A drain's own end as a basin, what led on from it leading on from there; and the ground that it drained as ground that sheds there. */
function basinAtEnd(job: Job, drain: Drain): { job: Job; basin: Basin } {
  const place = placeOfLanding(drain);
  const basin: Basin = {
    id: freshId('basin'),
    kind: 'basin',
    name: freeName(job, 'Basin'),
    grate: 'flat12',
    groundLevel: drain.groundLevel,
    ...(place ? { place, ...(drain.levelFrom ? { levelFrom: drain.levelFrom } : {}) } : {}),
  };
  const stub = newRun(job, freshId('run'), drain.id, basin.id, STUB);
  const ground: Surface = {
    id: freshId('ground'),
    kind: 'surface',
    name: freeName(job, 'Ground'),
    cover: 'lawnLoam',
    area: drain.area ?? lengthOf(drain) * (drain.spacing ?? LEAST_LONG / 2),
    feeds: [{ to: basin.id, share: 1 }],
  };
  return {
    job: withPuts(job, basin, { ...leaving(job, drain.id)!, from: basin.id }, { ...stub, nominal: NOMINAL }, ground),
    basin,
  };
}

/** The drain leads on where its basin did, and takes the basin's place; pipes that came to the basin go on to what it led to. */
function drainAlone(job: Job, basin: Basin, drain: Drain): Job {
  const on = leaving(job, basin.id)!;
  const stub = leaving(job, drain.id)!;
  const others = entering(job, basin.id).filter(({ id }) => id !== stub.id);
  const led = withPuts(
    job,
    { ...on, from: drain.id },
    ...others.map((run): Run => ({ ...run, to: on.to, length: run.length + on.length, grade: { type: 'auto' } })),
  );
  return without(led, stub.id, basin.id);
}

function redraw(job: Job, { basin: at, drain: by }: WetPlace, side: string): Job {
  let now = job;
  let basin = at === undefined ? undefined : (job.elements.get(at) as Basin);
  const drain = drainAt(job, by);
  if (!basin) ({ job: now, basin } = basinAtEnd(now, drain!));
  if (side === 'basin') return drain ? without(now, leaving(now, drain.id)!.id, drain.id) : now;
  const long = drain && lengthOf(drain) > STILL_SHORT;
  if (side === 'short') return drained(now, basin, drain, SHORT);
  if (!long) now = drained(now, basin, drain, longFor(now, basin.id));
  if (side === 'both') return now;
  const stands = wetPlaces(now).find((place) => place.basin === basin.id)!;
  return drainAlone(now, basin, drainAt(now, stands.drain)!);
}

export const wetGround: School = redrawnQuestion<WetPlace>({
  id: 'wetGround',
  question: 'A wet lawn: a basin, a drain in stone, or both?',
  sides: [
    {
      id: 'basin',
      label: 'A basin',
      reasons: 'Takes what runs over the lawn, at once and by the bucket. The soil round it stays as wet as it was.',
    },
    {
      id: 'short',
      label: 'A basin with a short drain beside it',
      reasons:
        'A few steps of pipe in stone that end in the basin: the soft ring round the grate dries, and the mower does not sink there.',
    },
    {
      id: 'both',
      label: 'A basin and a drain as long as the ground is wet',
      reasons: 'The basin takes the storm, the drain what has sunk in and comes up for days after it.',
    },
    {
      id: 'drain',
      label: 'A drain alone',
      reasons:
        'No grate in the lawn, nothing to clean. It takes what has sunk in; what runs over the ground in a storm runs on.',
    },
  ],
  places: wetPlaces,
  sideOf,
  redraw,
});
