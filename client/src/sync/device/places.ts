/** Places of a job's elements on the device: numbers that rise in the job's order, as the server's do. */
import type { Stands } from '@katabasis/core';
import type { Versioned } from './stored';

export const byPlace = (a: Versioned, b: Versioned): number => a.place - b.place;

/** Elements with their places: those of `known` keep theirs, new ones stand where `stands` says, or behind all. */
export function withPlaces(
  elements: readonly Omit<Versioned, 'place'>[],
  known: readonly Versioned[],
  stands: readonly Stands[],
): Versioned[] {
  const places = new Map(known.map(({ element, place }) => [element.id, place]));
  const last = (): number => Math.max(-1, ...places.values());
  const between = (after: string | null): number => {
    const low = after === null ? null : (places.get(after) ?? last());
    const above = [...places.values()].filter((place) => low === null || place > low);
    const high = above.length > 0 ? Math.min(...above) : null;
    if (high === null) return (low ?? -1) + 1;
    return low === null ? high - 1 : (low + high) / 2;
  };
  const fresh = new Set(elements.map(({ element }) => element.id).filter((id) => !places.has(id)));
  // In the order of standing, so that each finds the one that it stands behind.
  for (const { id, after } of stands) if (fresh.has(id)) places.set(id, between(after));
  let next = last();
  for (const { element } of elements) if (!places.has(element.id)) places.set(element.id, ++next);
  return elements.map((each) => ({ ...each, place: places.get(each.element.id)! }));
}
