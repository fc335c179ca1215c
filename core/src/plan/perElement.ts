/** What is worked out for one element, remembered on the numbers and things that it rests on: an edit works out only what it reaches. */

/**
 * Last answers of one element: the design rain and the rarer one, all that the layers of defence try besides, and the steps in which
 * the share that a flooded line carries is halved in on. Fewer would put one another out, and each edit would begin anew.
 */
const REMEMBERED = 48;

interface Answer<T> {
  inputs: readonly unknown[];
  answer: T;
}

const same = (a: readonly unknown[], b: readonly unknown[]): boolean => {
  for (let k = 0; k < a.length; k++) if (!Object.is(a[k], b[k])) return false;
  return true;
};

/** A memory by element: the same one with the same numbers, and the same objects, gives the same answer again, the very object. */
export function perElement<E extends object, T>(): (element: E, inputs: readonly unknown[], work: () => T) => T {
  const remembered = new WeakMap<E, Answer<T>[]>();
  return (element, inputs, work) => {
    const known = remembered.get(element);
    const answer = known?.find((each) => same(each.inputs, inputs));
    if (answer) return answer.answer;
    const fresh = { inputs, answer: work() };
    if (known) {
      known.unshift(fresh);
      if (known.length > REMEMBERED) known.pop();
    } else remembered.set(element, [fresh]);
    return fresh.answer;
  };
}
