/** Several low spots at once: a basin in each, on a line of its own and joined, as two plans over one site to compare. */
import { sizeJob } from '../design/sizeJob';
import { applyChange, changed, type Change } from '../job/change';
import { freeName, newRun, onPlan, runAlong } from '../job/edits/insert';
import { freshId } from '../job/ids';
import { ofKind, type Job } from '../job/job';
import type { Basin, Discharge, Element } from '../job/kinds';
import { distance, type Place } from '../site/place';
import { groundOf } from '../yard/ground';
import { planJob } from '../verdict/planJob';
import { keepAside } from './variants';

export const OWN_LINES = 'Each its own line';
export const JOINED = 'Joined lines';

interface Standing {
  id: string;
  place: Place;
  /** Ground there, m; null where nobody levelled it. */
  level: number | null;
}

export type LowSpotPlans = { ok: true; change: Change } | { ok: false; sentence: string };

/** Of some places the nearest that lies no higher; the nearest of all where none does. */
function nearestBelow(from: Standing, among: readonly Standing[]): Standing {
  const by = (a: Standing, b: Standing): number => distance(from.place, a.place) - distance(from.place, b.place);
  const lower = among.filter(({ level }) => level === null || from.level === null || level <= from.level);
  return [...(lower.length > 0 ? lower : among)].sort(by)[0]!;
}

/** Where each runs to when all are joined: the one nearest to what is joined already comes next, to whatever of that lies nearest below it. */
function joined(spots: readonly Standing[], outs: readonly Standing[]): Map<string, Standing> {
  const to = new Map<string, Standing>();
  const tree = [...outs];
  const left = [...spots];
  while (left.length > 0) {
    const [next] = left
      .map((spot) => ({ spot, into: nearestBelow(spot, tree) }))
      .sort((a, b) => distance(a.spot.place, a.into.place) - distance(b.spot.place, b.into.place));
    to.set(next!.spot.id, next!.into);
    tree.push(next!.spot);
    left.splice(left.indexOf(next!.spot), 1);
  }
  return to;
}

/** A straight line from each spot to where it leads. */
function lines(job: Job, spots: readonly Standing[], to: (spot: Standing) => Standing): Element[] {
  return spots.map((spot) => {
    const end = to(spot);
    const run = newRun(job, freshId('run'), spot.id, end.id, distance(spot.place, end.place));
    return runAlong(run, [spot.place, end.place]);
  });
}

/** With the least sizes and pitch that carry; what stood before keeps its own. */
function sized(job: Job, fresh: ReadonlySet<string>): Job {
  const sizing = sizeJob(job, planJob(job));
  if (!sizing) return job;
  return changed(job, { puts: sizing.best.change.puts.filter(({ id }) => fresh.has(id)), removes: [] });
}

/**
 * Puts a basin in each of some places and leads them off: the plan in hand has a line from each to the nearest way out that lies no higher,
 * and another is kept aside in which each runs into the nearest inlet or way out below it. What stood before is kept aside as well.
 * A sentence where there is nothing to put or nowhere to lead it.
 */
export function lowSpotPlans(job: Job, places: readonly Place[]): LowSpotPlans {
  if (places.length < 2) return { ok: false, sentence: 'Two low spots or more are wanted for that.' };
  const { surface } = groundOf(job);
  const levelAt = (place: Place): number | null => surface?.levelAt(place) ?? null;
  const outs = ofKind(job, 'discharge').flatMap(({ id, place, groundLevel }: Discharge): Standing[] =>
    place ? [{ id, place, level: groundLevel }] : [],
  );
  if (outs.length === 0)
    return { ok: false, sentence: 'Put a way out on the plan first: each low spot needs somewhere to send its water.' };
  let site = job;
  const spots = places.map((place): Standing => {
    const basin: Basin = {
      id: freshId('basin'),
      kind: 'basin',
      name: freeName(site, 'Basin'),
      grate: 'flat12',
      groundLevel: levelAt(place) ?? 0,
    };
    site = changed(site, { puts: [onPlan(basin, place)], removes: [] });
    return { id: basin.id, place, level: levelAt(place) };
  });
  const led = (on: Job, to: (spot: Standing) => Standing): Job => {
    const puts = lines(site, spots, to);
    return sized(changed(on, { puts, removes: [] }), new Set(puts.map(({ id }) => id)));
  };
  const next = joined(spots, outs);
  // What stood before, then the joined lines, each kept aside under its name.
  const before = applyChange(job, keepAside(job, JOINED)).job;
  const basins = spots.map(({ id }) => site.elements.get(id)!);
  const withBasins = changed(before, { puts: basins, removes: [] });
  const first = led(withBasins, (spot) => next.get(spot.id)!);
  const aside = applyChange(first, keepAside(first, OWN_LINES)).job;
  const drawn = ofKind(first, 'run').filter(({ id }) => !job.elements.has(id));
  const bare = changed(aside, { puts: [], removes: drawn.map(({ id }) => id) });
  const last = led(bare, (spot) => nearestBelow(spot, outs));
  const puts = last.elements.all.filter((element) => job.elements.get(element.id) !== element);
  return { ok: true, change: { label: 'A basin in each low spot', puts, removes: [] } };
}
