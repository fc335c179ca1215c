/** What is worked out for one element, remembered on the numbers and things that it rests on: an edit works out only what it reaches. */

/**
 * Last answers of one element: the design rain and the rarer one, all that the layers of defence try besides, and the steps in which
 * the share that a flooded line carries is halved in on. Fewer would put one another out, and each edit would begin anew.
 */
const REMEMBERED = 48;

interface Answer<T> {
  /** Sum of the numbers, each times a weight of its place: another sum is another list, and nothing else is looked at. */
  key: number;
  numbers: readonly number[];
  things: readonly unknown[];
  answer: T;
}

/** Grows by its place, so that two numbers that have changed places give another sum. */
const WEIGHT = 1.618;

function keyOf(numbers: readonly number[]): number {
  let key = 0;
  let weight = 1;
  for (let k = 0; k < numbers.length; k++) {
    const number = numbers[k]!;
    weight *= WEIGHT;
    // NaN would equal nothing: what is no finite number is compared only where the sums agree.
    if (number - number === 0) key += weight * number;
  }
  return key;
}

const same = (a: readonly unknown[], b: readonly unknown[]): boolean => {
  if (a.length !== b.length) return false;
  for (let k = 0; k < a.length; k++) if (!Object.is(a[k], b[k])) return false;
  return true;
};

const NO_THINGS: readonly unknown[] = [];

/**
 * A memory by element: the same one with the same numbers, and the same other things, gives the same answer again, the very object.
 * Numbers stand by themselves: in a list of their own they take a fraction of the room, and an edit asks some thousand times.
 */
export function perElement<E extends object, T>(): (
  element: E,
  numbers: readonly number[],
  work: () => T,
  things?: readonly unknown[],
) => T {
  const remembered = new WeakMap<E, Answer<T>[]>();
  return (element, numbers, work, things = NO_THINGS) => {
    const key = keyOf(numbers);
    const known = remembered.get(element);
    if (known) {
      for (let k = 0; k < known.length; k++) {
        const each = known[k]!;
        if (each.key !== key || !same(each.numbers, numbers) || !same(each.things, things)) continue;
        // To the front: what was asked last is asked next.
        for (let j = k; j > 0; j--) known[j] = known[j - 1]!;
        known[0] = each;
        return each.answer;
      }
    }
    const fresh = { key, numbers, things, answer: work() };
    if (known) {
      known.unshift(fresh);
      if (known.length > REMEMBERED) known.pop();
    } else remembered.set(element, [fresh]);
    return fresh.answer;
  };
}
