/**
 * Places of elements among their job's: numbers that rise in the job's order, kept beside each element by the server and on the device.
 * A new one at the end comes a whole step behind; one that comes back in the middle takes a place between its neighbours.
 */
import type { Elements } from './elements';

export interface OrderPlaces {
  /** Places of the elements that had none, by id. */
  fresh: ReadonlyMap<string, number>;
  /** Places of others that are moved because there was no room between two, by id. */
  moved: ReadonlyMap<string, number>;
}

/** Halving a step some fifty times comes to the end of a number's digits; no room is left well before. */
const LEAST_GAP = 1e-9;

const NONE: ReadonlyMap<string, number> = new Map();

/** Places for those of `puts` that have none yet, in a job that holds them already; `placeOf` gives that of those that do. */
export function orderPlaces(
  { all }: Elements,
  puts: readonly { id: string }[],
  placeOf: (id: string) => number | undefined,
): OrderPlaces {
  const wanted = new Set(puts.map(({ id }) => id).filter((id) => placeOf(id) === undefined));
  const fresh = new Map<string, number>();
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
    if (step < LEAST_GAP) return anew(all, wanted);
    for (let at = first; at <= k; at++) fresh.set(all[at]!.id, low + step * (at - first + 1));
    k = first - 1;
  }
  return { fresh, moved: NONE };
}

/** Every place counted anew. */
function anew(all: Elements['all'], wanted: ReadonlySet<string>): OrderPlaces {
  const places = all.map(({ id }, place): [string, number] => [id, place]);
  return {
    fresh: new Map(places.filter(([id]) => wanted.has(id))),
    moved: new Map(places.filter(([id]) => !wanted.has(id))),
  };
}
