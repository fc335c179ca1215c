/**
 * How fast the machine is just now. It is shared: for seconds or minutes together its neighbours take the same caches and cores, and then all
 * that a page does takes twice as long and more. Of what was timed, that counts as the machine's own pace which had it so before and after,
 * whatever the time itself came to.
 */

/** Of the kind that a page does: text to objects, a map of them, an order, and text again. */
const WORK = JSON.stringify(
  Array.from({ length: 400 }, (_, k) => ({
    id: `thing${(k * 7919) % 400}`,
    kind: k % 7,
    at: [k / 3, -k / 7],
    name: `Thing ${k}`,
  })),
);

function once() {
  const from = performance.now();
  for (let k = 0; k < 3; k++) {
    const things = new Map(JSON.parse(WORK).map((thing) => [thing.id, thing]));
    JSON.stringify([...things.keys()].sort().map((id) => things.get(id)));
  }
  return performance.now() - from;
}

const TIMES = 8;

let own = Number.POSITIVE_INFINITY;
for (let k = 0; k < 40; k++) once();

/** ms for a fixed piece of work, in the mean of some: that none of them met a neighbour counts. */
export function pace() {
  let sum = 0;
  for (let k = 0; k < TIMES; k++) sum += once();
  own = Math.min(own, sum / TIMES);
  return sum / TIMES;
}

/** Up to here, times the least of all that were seen, a machine is at its own pace. */
const NEARLY = 1.25;

/** Its own pace so far, ms: where a machine was never let alone, that is not its own. */
export const ownPace = () => own;

export const atOwnPace = (seen) => seen <= own * NEARLY;
