/**
 * Spreads work over frames. While a finger moves, what is under it is drawn in its own frame; the figures that follow from it come
 * a few to each frame, so that no frame is late for the finger because many figures changed at once.
 */

/** What may be spent on it in one frame, ms. A fast machine is done in one; a slow one takes some. */
const A_FRAME_MS = 2;

type Part = () => void;

const waiting = new Set<Part>();
let pumping = false;

function pump(): void {
  const until = performance.now() + A_FRAME_MS;
  for (const part of waiting) {
    waiting.delete(part);
    part();
    if (performance.now() > until) break;
  }
  pumping = waiting.size > 0;
  if (pumping) requestAnimationFrame(pump);
}

/** Has `part` done in one of the next frames. */
export function soon(part: Part): void {
  waiting.add(part);
  if (pumping) return;
  pumping = true;
  requestAnimationFrame(pump);
}

export const notAnyMore = (part: Part): void => void waiting.delete(part);
