/** Changes that wait here, made anew on what others have made of the same elements meanwhile. Pure. */
import type { Conflict, Element } from '@katabasis/core';
import type { Pending } from '../device/stored';
import { mergeFields, type Side } from './mergeFields';
import { ownValue } from '../ownValue';
import { same } from '../same';
import { idsOf, NEVER } from './waiting';

/** An element as another device left it; null where it is gone, at version 0. */
export interface Theirs {
  version: number;
  element: Element | null;
}

/** What the server tells of elements that were changed meanwhile, by id. */
export const theirsOf = (conflicts: readonly Conflict[]): ReadonlyMap<string, Theirs> =>
  new Map(conflicts.map(({ id, version, element }) => [id, { version, element }]));

/** Both sides of an element, as each would stand if it were chosen. */
export interface Collision {
  id: string;
  mine: Element | null;
  theirs: Element | null;
}

export interface MergedWaiting {
  waiting: Pending[];
  /** Those of them that are written anew, and those that came to nothing. */
  rewritten: Pending[];
  done: Pending[];
  /** Elements that somebody must be asked about, in the order in which they were first changed. */
  collisions: string[];
}

/** What waits, on top of theirs. Where both changed the same field, `side` stands. */
export function mergeWaiting(
  waiting: readonly Pending[],
  theirs: ReadonlyMap<string, Theirs>,
  side: Side,
): MergedWaiting {
  const merged: MergedWaiting = { waiting: [], rewritten: [], done: [], collisions: [] };
  const collided = new Set<string>();
  /** Each element after the changes so far: as it was made here, and as it comes out. */
  const made = new Map<string, Element | null>();
  const out = new Map<string, Element | null>([...theirs].map(([id, { element }]) => [id, element]));
  const based = new Set<string>();
  const later = new Set<string>();
  for (const each of waiting) {
    if (!idsOf(each).some((id) => theirs.has(id))) {
      merged.waiting.push(each);
      continue;
    }
    const puts: Element[] = [];
    const removes: string[] = [];
    const bases = { ...each.bases };
    const was = { ...each.was };
    for (const id of idsOf(each)) {
      const mine = each.puts.find((put) => put.id === id) ?? null;
      // What goes before it is another's, whom it has not seen: that is a question of its own, once this one is answered.
      if (made.has(id) && ownValue(each.bases, id) === NEVER) later.add(id);
      if (!theirs.has(id) || later.has(id)) {
        if (mine) puts.push(mine);
        else removes.push(id);
        continue;
      }
      const isOwn = Object.hasOwn(each.bases, id) || !made.has(id);
      const before = isOwn ? ownValue(each.was ?? {}, id) : made.get(id)!;
      const under = out.get(id) ?? null;
      const { to, collides } = mergeFields({ was: before, mine, theirs: under }, side);
      if (collides) collided.add(id);
      made.set(id, mine);
      out.set(id, to);
      delete bases[id];
      delete was[id];
      if (same(to, under)) continue;
      if (to) puts.push(to);
      else removes.push(id);
      if (based.has(id)) continue;
      based.add(id);
      bases[id] = theirs.get(id)!.version;
      was[id] = theirs.get(id)!.element;
    }
    const anew = { ...each, puts, removes, bases, was };
    if (puts.length + removes.length === 0) merged.done.push(each);
    else {
      merged.waiting.push(anew);
      merged.rewritten.push(anew);
    }
  }
  merged.collisions = [...collided];
  return merged;
}

/** Those that wait up to the first whose element is asked about by itself. */
function untilAsked(waiting: readonly Pending[], id: string): readonly Pending[] {
  const k = waiting.findIndex(({ bases }) => ownValue(bases, id) === NEVER);
  return k < 0 ? waiting : waiting.slice(0, k);
}

/** What must be asked about: both sides of each element, once all that waits is made but for what is asked about after it. */
export function collisionsIn(waiting: readonly Pending[], theirs: ReadonlyMap<string, Theirs>): Collision[] {
  const mine = mergeWaiting(waiting, theirs, 'mine');
  const other = mergeWaiting(waiting, theirs, 'theirs');
  const after = ({ waiting: made }: MergedWaiting, id: string): Element | null =>
    untilAsked(made, id).reduce<Element | null>(
      (element, { puts, removes }) => (removes.includes(id) ? null : (puts.find((put) => put.id === id) ?? element)),
      theirs.get(id)!.element,
    );
  return mine.collisions.map((id) => ({ id, mine: after(mine, id), theirs: after(other, id) }));
}
