/** Which test to do next: the one whose outcome would tell the two likeliest explanations apart, for the least time. */
import type { Explanation } from './explain';
import type { Fault } from './inLine';
import { draws } from './spread';
import { fits, shown, type Doable } from './tests';

/** Minutes that a test takes, as crews tell it. */
export const MINUTES: Record<Doable['type'], number> = { hose: 15, levels: 15, hold: 45, camera: 60 };
const OUTCOMES = 10;
const DRAWN = draws(OUTCOMES * 3, 3);
const LEAST = 1e-9;

/** How likely an outcome is under faults that fit so far. */
function under(test: ReturnType<typeof shown>, faults: readonly (Fault | null)[]): number {
  const sum = faults.reduce((total, fault, k) => total + fits(test, fault, DRAWN[k % DRAWN.length]!), 0);
  return Math.max(LEAST, sum / faults.length);
}

/** What a test's outcome tells one explanation from the other by, on average (their symmetric relative entropy). */
export function tells(test: Doable, one: Explanation, other: Explanation): number {
  const from = (mine: Explanation, its: Explanation): number => {
    let sum = 0;
    for (let k = 0; k < OUTCOMES; k++) {
      const fault = mine.likely[Math.floor(((k + 0.5) / OUTCOMES) * mine.likely.length)] ?? null;
      const outcome = shown(test, fault, DRAWN[OUTCOMES + k]!);
      sum += Math.min(6, Math.max(-6, Math.log(under(outcome, mine.likely) / under(outcome, its.likely))));
    }
    return sum / OUTCOMES;
  };
  return from(one, other) + from(other, one);
}

export interface NextTest {
  test: Doable;
  /** Explanations that it tells apart, by their place in the ranking. */
  between: readonly [Explanation, Explanation];
}

/** An outcome that tells two apart about twenty to one. */
const CLEAR = 3;

/** The quickest test that tells the first two explanations clearly apart; the one that tells most where none does; null where nothing is left to do. */
export function nextTest(ranked: readonly Explanation[], doable: readonly Doable[]): NextTest | null {
  const [one, other] = ranked;
  if (!one || !other || other.likely.length === 0 || doable.length === 0) return null;
  const judged = doable.map((test) => ({
    test,
    says: Math.min(CLEAR, tells(test, one, other)) / Math.sqrt(MINUTES[test.type]),
  }));
  const best = judged.reduce((most, each) => (each.says > most.says ? each : most));
  return best.says > 0.02 ? { test: best.test, between: [one, other] } : null;
}
