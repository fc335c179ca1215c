/**
 * A stage of the plan: entered once, reading only what earlier ones made, and remembered on what it reads. What it reads is compared by
 * identity: the core never changes a thing in place, so what is the same object has not changed.
 */

/** Last answers that a stage remembers: the design rain and the rarer one, of the job as made and of the one under the finger. */
const REMEMBERED = 4;
/** Of a stage that reads no rain. What is remembered must be carried about in memory, at every edit. */
export const NO_RAIN = 2;

const entered = new Map<string, number>();

/** How often each stage has been worked out, rather than remembered, since the program began. */
export const stagesEntered = (): ReadonlyMap<string, number> => new Map(entered);

/** A stage by its name and its work, and how many of its answers it remembers. */
export function stage<A extends readonly unknown[], R>(
  name: string,
  work: (...read: A) => R,
  remembers = REMEMBERED,
): (...read: A) => R {
  const remembered: { read: A; made: R }[] = [];
  return (...read) => {
    const at = remembered.findIndex((each) => each.read.every((thing, k) => thing === read[k]));
    if (at === 0) return remembered[0]!.made;
    const known = at > 0 ? remembered.splice(at, 1)[0]! : null;
    if (!known) entered.set(name, (entered.get(name) ?? 0) + 1);
    const answer = known ?? { read, made: work(...read) };
    remembered.unshift(answer);
    if (remembered.length > remembers) remembered.length = remembers;
    return answer.made;
  };
}

/** The same thing again for as long as what is made anew is alike: what reads it then need not be worked out anew. */
export function steady<T>(alike: (one: T, other: T) => boolean): (made: T) => T {
  let remembered: T[] = [];
  return (made) => {
    const known = remembered.find((each) => alike(each, made));
    remembered = [known ?? made, ...remembered.filter((each) => each !== known)].slice(0, REMEMBERED);
    return known ?? made;
  };
}

/** Lists of the same things in the same order. */
export const alikeLists =
  <T>(alike: (one: T, other: T) => boolean) =>
  (one: readonly T[], other: readonly T[]): boolean =>
    one.length === other.length && one.every((each, k) => alike(each, other[k]!));

/** Maps of the same values by the same keys. */
export const alikeMaps = <K, V>(one: ReadonlyMap<K, V>, other: ReadonlyMap<K, V>): boolean =>
  one.size === other.size && [...one].every(([key, value]) => Object.is(other.get(key), value));
