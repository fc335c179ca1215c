/**
 * What would explain what tests of a line showed. Every cause is tried at many places and strengths, with the unknown drawn anew each
 * time; how well each fits all that was seen, times how often it is met in the trade, ranks them (Bayes' rule, its integrals by sampling).
 */
import { FAULT_KINDS, type Fault, type FaultKind } from './inLine';
import { draws, type Draw } from './spread';
import { fits, type LineTest } from './tests';
import type { PipeOnWay } from './onWay';
import type { WayDown } from './wayDown';

export type Cause = FaultKind | 'sound';

export interface Explanation {
  cause: Cause;
  /** Share of belief, 0–1; of all causes together 1. */
  belief: number;
  /** The fault that fits best. */
  best: Fault | null;
  /** Where it lies, eight of ten: run, and m along it from and to. */
  where: { run: string; from: number; to: number } | null;
  /** Faults that fit, the better the more often: for what a next test would show. */
  likely: readonly (Fault | null)[];
}

/** How often each is what is wrong with a line that somebody tests: by builders' word, blockages first. */
const PRIOR: Record<Cause, number> = { sound: 0.3, blocked: 0.25, open: 0.14, sag: 0.13, lifted: 0.1, rough: 0.08 };
const TRIES = 900;
const DRAWN = draws(TRIES, 2);
/** Faults kept of a cause for the next test. */
const KEPT = 24;

export interface Line {
  /** Every pipe of the ways that were tested, once each, and every landing of them but the ends. */
  pipes: readonly PipeOnWay[];
  landings: readonly string[];
}

export function lineOf(ways: readonly WayDown[]): Line {
  const pipes = new Map(ways.flatMap((way) => way.pipes.map((pipe) => [pipe.run, pipe] as const)));
  const landings = new Set(ways.flatMap((way) => way.landings.slice(0, -1).map(({ id }) => id)));
  return { pipes: [...pipes.values()], landings: [...landings] };
}

/** A pipe and m along it, evenly over all the length there is. */
function placeOf({ pipes }: Line, share: number): { run: string; along: number; diameter: number } {
  const whole = pipes.reduce((sum, { length }) => sum + length, 0);
  let left = share * whole;
  for (const { run, length, diameter } of pipes) {
    if (left <= length) return { run, along: left, diameter };
    left -= length;
  }
  const last = pipes.at(-1)!;
  return { run: last.run, along: last.length, diameter: last.diameter };
}

/** A fault of a kind, by four numbers from 0 to 1: from what is just met up to the worst. */
export function faultBy(kind: FaultKind, line: Line, [one, two, three, four]: Draw['wrong']): Fault {
  const { run, along, diameter } = placeOf(line, one);
  switch (kind) {
    case 'blocked':
      return { kind, run, along, share: four < 0.4 ? 1 : 0.3 + 0.65 * two };
    case 'rough':
      return { kind, run, times: 1.4 + 1.8 * two };
    case 'sag':
      return { kind, run, along, depth: (0.3 + two) * diameter, over: 3 + 5 * three };
    case 'lifted':
      return { kind, landing: line.landings[Math.floor(one * line.landings.length)]!, by: 0.02 + 0.13 * two };
    case 'open':
      return { kind, run, along, share: 0.15 + 0.85 * two };
  }
}

const CAUSES: readonly Cause[] = ['sound', ...FAULT_KINDS];

/** Ranks what would explain the tests of a line, most believed first. */
export function explain(tests: readonly LineTest[]): Explanation[] {
  const line = lineOf(tests.flatMap((test) => (test.type === 'hose' ? [test.way] : [])));
  const found = CAUSES.map((cause) => tried(cause, line, tests));
  const whole = found.reduce((sum, { weight }) => sum + weight, 0);
  return found
    .map(({ weight, explanation }) => ({ ...explanation, belief: whole > 0 ? weight / whole : 0 }))
    .sort((a, b) => b.belief - a.belief);
}

interface Tried {
  fault: Fault | null;
  fit: number;
}

function tried(cause: Cause, line: Line, tests: readonly LineTest[]): { weight: number; explanation: Explanation } {
  const all = DRAWN.map((draw, k): Tried => {
    const fault = cause === 'sound' ? null : faultBy(cause, line, draw.wrong);
    // Another test is another day: bucket and what stood in the line are drawn anew, the pipe's walls are the same.
    const fit = tests.reduce(
      (product, test, j) =>
        product === 0 ? 0 : product * fits(test, fault, { ...DRAWN[(k + 37 * j) % TRIES]!, rough: draw.rough }),
      1,
    );
    return { fault, fit };
  });
  const sum = all.reduce((total, { fit }) => total + fit, 0);
  const best = all.reduce((most, each) => (each.fit > most.fit ? each : most));
  const explanation = {
    cause,
    belief: 0,
    best: best.fault,
    where: whereOf(all, sum),
    likely: resampled(all, sum),
  };
  return { weight: PRIOR[cause] * (sum / TRIES), explanation };
}

/** The pipe that most of the fit lies in, and the middle eight tenths of it there. */
function whereOf(all: readonly Tried[], sum: number): Explanation['where'] {
  if (sum <= 0) return null;
  const byRun = new Map<string, { along: number; fit: number }[]>();
  for (const { fault, fit } of all) {
    if (fault === null || !('along' in fault)) continue;
    byRun.set(fault.run, [...(byRun.get(fault.run) ?? []), { along: fault.along, fit }]);
  }
  const weightOf = (list: readonly { fit: number }[]): number => list.reduce((total, { fit }) => total + fit, 0);
  const [run, list] = [...byRun].reduce<[string, { along: number; fit: number }[]] | [null, []]>(
    (most, each) => (weightOf(each[1]) > weightOf(most[1]) ? each : most),
    [null, []],
  );
  if (run === null) return null;
  list.sort((a, b) => a.along - b.along);
  const whole = weightOf(list);
  const at = (share: number): number => {
    let passed = 0;
    return (list.find(({ fit }) => (passed += fit) >= share * whole) ?? list.at(-1)!).along;
  };
  return { run, from: at(0.1), to: at(0.9) };
}

/** Some of what was tried, each as often as it fits (systematic resampling). */
function resampled(all: readonly Tried[], sum: number): (Fault | null)[] {
  if (sum <= 0) return [];
  const kept: (Fault | null)[] = [];
  let passed = 0;
  for (const { fault, fit } of all) {
    passed += (fit / sum) * KEPT;
    while (kept.length < passed - 0.5 && kept.length < KEPT) kept.push(fault);
  }
  return kept;
}
