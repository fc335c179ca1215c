/**
 * Places of elements among their job's: numbers that rise in the job's order. A new one at the end comes a whole step behind; one that
 * comes back in the middle takes a place between its neighbours.
 */
import type { Element, Job } from '@katabasis/core';

export type Placed = [id: string, place: number];

export interface Places {
  /** Places of the elements that had none, by id. */
  fresh: ReadonlyMap<string, number>;
  /** Those of others that are moved because there was no room between two. */
  moved: readonly Placed[];
}

/** Halving a step some fifty times comes to the end of a number's digits; no room is left well before. */
const LEAST_GAP = 1e-9;

/** Places for the elements of `puts` that have none yet; `placeOf` gives that of those that do. */
export function placesOf(job: Job, puts: readonly Element[], placeOf: (id: string) => number | undefined): Places {
  const wanted = new Set(puts.map(({ id }) => id).filter((id) => placeOf(id) === undefined));
  const fresh = new Map<string, number>();
  if (wanted.size === 0) return { fresh, moved: [] };
  const { all } = job.elements;
  // From the end: what is put last is most often all there is.
  for (let k = all.length - 1; k >= 0 && fresh.size < wanted.size;) {
    if (!wanted.has(all[k]!.id)) {
      k--;
      continue;
    }
    let first = k;
    while (first > 0 && wanted.has(all[first - 1]!.id)) first--;
    const before = first > 0 ? placeOf(all[first - 1]!.id)! : null;
    const after = k + 1 < all.length ? (placeOf(all[k + 1]!.id) ?? fresh.get(all[k + 1]!.id)!) : null;
    const count = k - first + 1;
    const low = before ?? (after === null ? -1 : after - count - 1);
    const step = after === null ? 1 : (after - low) / (count + 1);
    if (step < LEAST_GAP) return anew(job, wanted);
    for (let at = first; at <= k; at++) fresh.set(all[at]!.id, low + step * (at - first + 1));
    k = first - 1;
  }
  return { fresh, moved: [] };
}

/** Every place counted anew. */
function anew(job: Job, wanted: ReadonlySet<string>): Places {
  const places = job.elements.all.map(({ id }, place): Placed => [id, place]);
  return {
    fresh: new Map(places.filter(([id]) => wanted.has(id))),
    moved: places.filter(([id]) => !wanted.has(id)),
  };
}
