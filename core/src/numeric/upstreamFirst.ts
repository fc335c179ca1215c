/** The one topological sort: things in such an order that every one comes before those that its water goes on to (Kahn 1962). */

/**
 * Sorts `count` things, by index. `order`: from the heads down, in the order given where nothing decides. `left`: those on a loop, or
 * below one, in the order given. `next` gives the indices that a thing's water goes on to.
 */
export function upstreamFirst(
  count: number,
  next: (index: number) => readonly number[],
): { order: number[]; left: number[] } {
  const waiting = new Int32Array(count);
  for (let index = 0; index < count; index++) for (const to of next(index)) waiting[to]!++;
  const order: number[] = [];
  for (let index = 0; index < count; index++) if (waiting[index] === 0) order.push(index);
  for (let at = 0; at < order.length; at++) {
    for (const to of next(order[at]!)) if (--waiting[to]! === 0) order.push(to);
  }
  const left: number[] = [];
  if (order.length < count) for (let index = 0; index < count; index++) if (waiting[index]! > 0) left.push(index);
  return { order, left };
}

/** Indices of the ids that are in a list; ids of nothing in it are let pass. */
export function indicesIn(place: ReadonlyMap<string, number>, ids: readonly string[]): number[] {
  return ids.flatMap((id) => place.get(id) ?? []);
}

/** Place of every thing in its list, by id. */
export const placesOf = (things: readonly { id: string }[]): Map<string, number> =>
  new Map(things.map(({ id }, index) => [id, index]));
