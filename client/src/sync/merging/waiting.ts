/** Changes on their way to the server, oldest first, and the version of each element that they are made against. Pure. */
import type { Change, Element } from '@katabasis/core';
import { ownValue } from '../ownValue';
import type { Pending } from '../device/stored';

/** Elements that a change touches. */
export const idsOf = ({ puts, removes }: Pick<Change, 'puts' | 'removes'>): string[] => [
  ...puts.map(({ id }) => id),
  ...removes,
];

const touches = (change: Pick<Change, 'puts' | 'removes'>, id: string): boolean =>
  change.removes.includes(id) || change.puts.some((put) => put.id === id);

/** A version that no element has: what is made on it is asked about, whatever goes before it. */
export const NEVER = Number.MAX_SAFE_INTEGER;

/** What a change is made on: an element at a version, null at 0 where it is not there; no element where nobody can tell. */
export interface Base {
  version: number;
  element: Element | null | undefined;
}

const basesIn = (ids: readonly string[], of: (id: string) => Base): Pick<Pending, 'bases' | 'was'> => ({
  bases: Object.fromEntries(ids.map((id) => [id, of(id).version])),
  was: Object.fromEntries(
    ids.flatMap((id) => {
      const { element } = of(id);
      return element === undefined ? [] : [[id, element]];
    }),
  ),
});

/** A change made ready to wait behind others: it keeps what it is the first to touch as it was. */
export function pendingOf(
  waiting: readonly Pending[],
  change: Change,
  id: string,
  baseOf: (element: string) => Base,
): Pending {
  const fresh = idsOf(change).filter((element) => !waiting.some((each) => touches(each, element)));
  return { ...change, change: id, order: (waiting.at(-1)?.order ?? 0) + 1, ...basesIn(fresh, baseOf) };
}

export interface Rest {
  waiting: Pending[];
  /** Those of them that are written anew. */
  rewritten: Pending[];
}

/** Gives each element's base to the first waiting change that touches it. */
export function rebased(waiting: readonly Pending[], on: ReadonlyMap<string, Base>): Rest {
  const open = new Map(on);
  const rewritten: Pending[] = [];
  const all = waiting.map((each) => {
    const next = idsOf(each).filter((id) => open.has(id));
    const own = next.filter((id) => ownValue(each.bases, id) !== NEVER);
    const { bases, was } = basesIn(own, (id) => open.get(id)!);
    for (const id of next) open.delete(id);
    if (own.length === 0) return each;
    const anew = { ...each, bases: { ...each.bases, ...bases }, was: { ...each.was, ...was } };
    rewritten.push(anew);
    return anew;
  });
  return { waiting: all, rewritten };
}

/** What waits once a change is with the server, which gave these versions. */
export function acknowledge(
  waiting: readonly Pending[],
  done: Pending,
  versions: Readonly<Record<string, number>>,
): Rest {
  const put = new Map(done.puts.map((element) => [element.id, element]));
  const now = (id: string): Base => {
    const element = put.get(id) ?? null;
    return { version: element ? (ownValue(versions, id) ?? 1) : 0, element };
  };
  return rebased(
    waiting.filter(({ change }) => change !== done.change),
    new Map(idsOf(done).map((id) => [id, now(id)])),
  );
}

/** What waits once a change is given up: what it was made against, the next one is. */
export function withoutChange(waiting: readonly Pending[], gone: Pending): Rest {
  return rebased(
    waiting.filter(({ change }) => change !== gone.change),
    new Map(
      Object.entries(gone.bases).map(([id, version]) => [id, { version, element: ownValue(gone.was ?? {}, id) }]),
    ),
  );
}
