/** Has things done once nothing has been changed in a job, nor touched, for a while: one after another, and called off where something is. */
import type { Planned } from '../planning/useJob';

/** How long it must have stood, ms: on a slow phone too, another tap of the same thumb comes before. */
const REST_MS = 1200;

/** Between two of them, ms: time for what was asked for to be drawn. */
const BETWEEN_MS = 8;

/** What may be spent on those that found nothing to draw before others get their turn, ms. */
const AT_A_TIME_MS = 3;

/** Says whether there was anything to draw. */
type Part = () => boolean;

interface Resting {
  parts: Set<Part>;
  /** Those that go first. */
  ahead: Set<Part>;
}

/** When a finger last came down: what it means to do must not wait for the rest of these. */
let touched = Number.NEGATIVE_INFINITY;
if (typeof window !== 'undefined') {
  window.addEventListener('pointerdown', () => void (touched = performance.now()), { capture: true, passive: true });
}

const resting = new WeakMap<Planned, Resting>();

function begin(planned: Planned): Resting {
  const all: Resting = { parts: new Set(), ahead: new Set() };
  let timer: ReturnType<typeof setTimeout> | undefined;
  // What came in sight while others had their turn follows by itself, and is not held again.
  const drew = (part: Part): boolean => (all.ahead.has(part) || all.parts.has(part)) && part();
  const each = (left: Part[]): void => {
    const soon = touched + REST_MS - performance.now();
    if (soon > 0) {
      timer = setTimeout(() => each(left), soon);
      return;
    }
    const until = performance.now() + AT_A_TIME_MS;
    for (let part = left.shift(); part && !drew(part) && performance.now() < until;) part = left.shift();
    if (left.length > 0) timer = setTimeout(() => each(left), BETWEEN_MS);
  };
  planned.subscribe(() => {
    clearTimeout(timer);
    timer = setTimeout(() => each([...all.ahead, ...all.parts]), REST_MS);
  });
  resting.set(planned, all);
  return all;
}

/** `part` is done each time that a job comes to rest, until what this gives is called. */
export function whenAtRest(planned: Planned, part: Part, ahead: boolean): () => void {
  const all = resting.get(planned) ?? begin(planned);
  const own = ahead ? all.ahead : all.parts;
  own.add(part);
  return () => void own.delete(part);
}
