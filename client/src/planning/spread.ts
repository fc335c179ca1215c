/**
 * Spreads work between frames. While a finger moves, what is under it is drawn in its own frame; the figures that follow from it come
 * a few at a time in the gaps, so that no frame is late for the finger because many figures changed at once.
 */

/** What may be spent at a time, ms. A fast machine is done in one go; a slow one takes some. */
const AT_A_TIME_MS = 2;

type Part = () => void;

const waiting = new Set<Part>();
let pumping = false;

function pump(): void {
  const until = performance.now() + AT_A_TIME_MS;
  for (const part of waiting) {
    waiting.delete(part);
    part();
    if (performance.now() > until) break;
  }
  pumping = waiting.size > 0;
  if (pumping) setTimeout(pump, 0);
}

/** Has `part` done soon: a browser lets pointers and pictures go before timers. */
export function soon(part: Part): void {
  waiting.add(part);
  if (pumping) return;
  pumping = true;
  setTimeout(pump, 0);
}

export const notAnyMore = (part: Part): void => void waiting.delete(part);
