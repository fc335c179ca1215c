/** Changes on their way to the server, oldest first, and the version of each element that they are made against. Pure. */
import type { Change } from '@katabasis/core';
import { ownValue } from './ownValue';
import type { Pending } from './device/stored';

const idsOf = ({ puts, removes }: Pick<Change, 'puts' | 'removes'>): string[] => [
  ...puts.map(({ id }) => id),
  ...removes,
];

const touches = (change: Pick<Change, 'puts' | 'removes'>, id: string): boolean =>
  change.removes.includes(id) || change.puts.some((put) => put.id === id);

/** A change made ready to wait behind others: it keeps the version of what it is the first to touch. */
export function pendingOf(
  waiting: readonly Pending[],
  change: Change,
  id: string,
  versionOf: (element: string) => number,
): Pending {
  const fresh = idsOf(change).filter((element) => !waiting.some((each) => touches(each, element)));
  const bases = Object.fromEntries(fresh.map((element) => [element, versionOf(element)]));
  return { ...change, change: id, order: (waiting.at(-1)?.order ?? 0) + 1, bases };
}

export interface Rest {
  waiting: Pending[];
  /** Those of them that are written anew. */
  rewritten: Pending[];
}

/** Gives each element's version to the first waiting change that touches it. */
export function rebased(waiting: readonly Pending[], versions: ReadonlyMap<string, number>): Rest {
  const open = new Map(versions);
  const rewritten: Pending[] = [];
  const next = waiting.map((each) => {
    const own = idsOf(each).filter((id) => open.has(id));
    if (own.length === 0) return each;
    const bases = { ...each.bases, ...Object.fromEntries(own.map((id) => [id, open.get(id)!])) };
    for (const id of own) open.delete(id);
    const anew = { ...each, bases };
    rewritten.push(anew);
    return anew;
  });
  return { waiting: next, rewritten };
}

/** What waits once a change is with the server, which gave these versions. */
export function acknowledge(
  waiting: readonly Pending[],
  done: Pending,
  versions: Readonly<Record<string, number>>,
): Rest {
  const now = new Map(idsOf(done).map((id) => [id, done.removes.includes(id) ? 0 : (ownValue(versions, id) ?? 1)]));
  return rebased(
    waiting.filter(({ change }) => change !== done.change),
    now,
  );
}

/** What waits once a change is given up: what it was made against, the next one is. */
export function withoutChange(waiting: readonly Pending[], gone: Pending): Rest {
  return rebased(
    waiting.filter(({ change }) => change !== gone.change),
    new Map(Object.entries(gone.bases)),
  );
}

/** Takes elements out of every change: another device's stand instead. Changes that come to nothing go. */
export function withoutElements(waiting: readonly Pending[], ids: ReadonlySet<string>): Rest & { done: Pending[] } {
  const next: Pending[] = [];
  const rewritten: Pending[] = [];
  const done: Pending[] = [];
  for (const each of waiting) {
    if (!idsOf(each).some((id) => ids.has(id))) {
      next.push(each);
      continue;
    }
    const puts = each.puts.filter(({ id }) => !ids.has(id));
    const removes = each.removes.filter((id) => !ids.has(id));
    if (puts.length + removes.length === 0) {
      done.push(each);
      continue;
    }
    const bases = Object.fromEntries(Object.entries(each.bases).filter(([id]) => !ids.has(id)));
    const anew = { ...each, puts, removes, bases };
    next.push(anew);
    rewritten.push(anew);
  }
  return { waiting: next, rewritten, done };
}
