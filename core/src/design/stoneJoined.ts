/** An open stone drain's basin at its end, and the solid pipe in a sleeve that takes it under an entrance to the stone on the other side. */
import type { Change } from '../job/change';
import { freeName, freeOf, newRun, runAlong } from '../job/edits/insert';
import { leaving } from '../job/edits/pipes';
import { freshId } from '../job/ids';
import { elementOf, nameOf, ofKind, type Job } from '../job/job';
import type { Basin, Element, Sleeve, StoneDrain } from '../job/kinds';
import { placeOfLanding, putDown } from '../job/places';
import { distance } from '../site/place';
import { METRES_PER_INCH } from '../units/constants';

/** Pipe from the stone into its basin, m, and a sleeve's size over the pipe in it. */
const STUB = 0.5;
const ROOM = 2 * METRES_PER_INCH;
/** Width of an entrance that nobody has drawn, m. */
const ENTRANCE = 3;

/** The basin that a stone drain ends in; undefined where it has none. */
export const endBasinOf = (job: Job, drain: StoneDrain): Basin | undefined =>
  elementOf(job, 'basin', leaving(job, drain.id)?.to ?? '');

/** A basin at a stone drain's end, what led on from the drain leading on from it; nothing where it has one. */
function ended(job: Job, drain: StoneDrain, taken: ReadonlySet<string>): { basin: Basin; puts: Element[] } {
  const there = endBasinOf(job, drain);
  if (there) return { basin: there, puts: [] };
  const made: Basin = {
    id: freshId('basin'),
    kind: 'basin',
    name: freeOf(taken, `${drain.name}, basin`),
    grate: 'flat12',
    groundLevel: drain.groundLevel,
  };
  const place = placeOfLanding(drain);
  // Its level is that of the stone's end, whatever the ground is given there.
  const basin = place ? putDown(made, [place]) : made;
  const stub = newRun(job, freshId('run'), drain.id, basin.id, STUB);
  const before = leaving(job, drain.id);
  return { basin, puts: [basin, stub, ...(before ? [{ ...before, from: basin.id }] : [])] };
}

const namesOf = (job: Job): Set<string> => new Set(job.elements.all.map(({ id }) => nameOf(job, id)));

/** The change that ends a stone drain in a basin, where silt is taken out; null where it does already. */
export function basinAtEnd(job: Job, drain: StoneDrain): Change | null {
  const { puts } = ended(job, drain, namesOf(job));
  return puts.length === 0 ? null : { label: `Put a basin at the end of ${drain.name}`, puts, removes: [] };
}

/** Stone drains that one whose water leads nowhere yet could pass its water on to: not those that come back to it. */
export function acrossFrom(job: Job, drain: StoneDrain): StoneDrain[] {
  const end = endBasinOf(job, drain);
  if (leaving(job, end?.id ?? drain.id)) return [];
  return ofKind(job, 'stoneDrain').filter((other) => {
    if (other.id === drain.id) return false;
    const seen = new Set<string>();
    for (let at: string | undefined = other.id; at !== undefined && !seen.has(at); at = leaving(job, at)?.to) {
      if (at === drain.id || at === end?.id) return false;
      seen.add(at);
    }
    return true;
  });
}

/** The change that leads a stone drain on under a slab to another's basin, in solid pipe within a sleeve; `id` is the pipe. */
export function passedUnder(job: Job, drain: StoneDrain, across: StoneDrain): { change: Change; id: string } {
  const near = ended(job, drain, namesOf(job));
  const far = ended(job, across, new Set([...namesOf(job), near.basin.name]));
  const places = [near.basin, far.basin].flatMap((basin) => placeOfLanding(basin) ?? []);
  const length = places.length === 2 ? Math.max(STUB, distance(places[0]!, places[1]!)) : ENTRANCE;
  const plain = newRun(job, freshId('run'), near.basin.id, far.basin.id, length);
  const run = places.length === 2 ? runAlong(plain, places) : plain;
  const sleeve: Sleeve = {
    id: freshId('sleeve'),
    kind: 'sleeve',
    name: freeName(job, 'Sleeve'),
    nominal: run.nominal + ROOM,
    use: 'pipe',
    holds: run.id,
    ...(places.length === 2 ? { way: places } : { length }),
  };
  return {
    change: {
      label: `Lead ${drain.name} under the slab`,
      puts: [...near.puts, ...far.puts, run, sleeve],
      removes: [],
    },
    id: run.id,
  };
}
