/** Places of a job's elements on the device: numbers that rise in the job's order, as the server's do. */
import { Elements, orderPlaces, type Stands } from '@katabasis/core';
import { byPlace, type Versioned } from './device/stored';

/**
 * Elements with their places: those of `known` keep theirs, new ones stand where `stands` says, or behind all. Behind them others of
 * `known` that had to be moved, where there was no room between two.
 */
export function withPlaces(
  elements: readonly Omit<Versioned, 'place'>[],
  known: readonly Versioned[],
  stands: readonly Stands[],
): Versioned[] {
  const places = new Map(known.map(({ element, place }) => [element.id, place]));
  const puts = elements.map(({ element }) => element);
  const before = Elements.of([...known].sort(byPlace).map(({ element }) => element));
  const { fresh, moved } = orderPlaces(before.with(puts, [], stands), puts, (id) => places.get(id));
  const placeOf = (id: string): number => fresh.get(id) ?? moved.get(id) ?? places.get(id)!;
  const put = new Set(puts.map(({ id }) => id));
  const others = known.filter(({ element: { id } }) => moved.has(id) && !put.has(id));
  return [...elements, ...others].map((each) => ({ ...each, place: placeOf(each.element.id) }));
}
