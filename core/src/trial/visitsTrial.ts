/**
 * Made-up truths for the tests of lines: jobs from a seed, one fault each put into a line, tests simulated with the errors of hand, bucket
 * and watch, and what the core makes of them. The dice are the trial's own.
 */
import { handOf, type Hand } from '../numeric/dice';
import { planJob } from '../verdict/planJob';
import { doableNext } from '../visits/line/doable';
import { explain } from '../visits/line/explain';
import { expectHose, judgeHose } from '../visits/line/hoseTest';
import { FAULT_KINDS, type Fault, type FaultKind } from '../visits/line/inLine';
import { nextTest } from '../visits/line/nextTest';
import { drawOf, type Draw } from '../visits/line/spread';
import { shown, type Doable, type LineTest } from '../visits/line/tests';
import { wayDown, type WayDown } from '../visits/line/wayDown';
import { seededJob } from './seeded';

export interface VisitsTrial {
  /** Sound lines, how many were told to be as planned, and how many times lay in the nine-of-ten range. */
  sound: number;
  asPlanned: number;
  timed: number;
  within: number;
  /** Lines with something wrong, those that the first test showed to be off, and how many had the cause first, or among the first two, after the tests that were told to be next. */
  wrong: number;
  off: number;
  first: number;
  firstTwo: number;
  /** The same of those whose first test was as planned: somebody had complained, and they were tested on. */
  hidden: number;
  hiddenFirstTwo: number;
  tests: number;
  /** Causes missed, by kind. */
  missed: Record<string, number>;
}

/** Flow of a garden hose, m³/s: 3 to 12 gpm. */
const HOSE = [0.0002, 0.00075] as const;
const MOST_TESTS = 4;

const randomOf = (hand: Hand): Draw => drawOf(() => hand.between(0, 0.9999));

/** A line of a seeded job that can be tested, from a head with a mouth; null where there is none. */
function lineAt(seed: number): { ways: WayDown[] } | null {
  const job = seededJob(seed, 'calm');
  const plan = planJob(job);
  const ways = Object.keys(plan.landings)
    .map((id) => wayDown(job, plan, id))
    .filter((way): way is WayDown => way !== null && !way.soaks && way.length > 6)
    .filter(
      ({ pipes, landings }) =>
        pipes.every(({ up, down }) => up > down) && landings[0]!.mouths.some(({ id }) => id === landings[0]!.id),
    );
  const longest = ways.reduce<WayDown | null>((most, way) => (most && most.length >= way.length ? most : way), null);
  if (!longest) return null;
  const runs = new Set(longest.pipes.map(({ run }) => run));
  return { ways: [longest, ...ways.filter((way) => way !== longest && way.pipes.some(({ run }) => runs.has(run)))] };
}

/** Something wrong with a line, by the trial's own dice. */
function faultIn(hand: Hand, kind: FaultKind, way: WayDown): Fault {
  const pipe = hand.pick(way.pipes);
  const at = { run: pipe.run, along: hand.between(0.05, 0.95) * pipe.length };
  switch (kind) {
    case 'blocked':
      return { kind, ...at, share: hand.chance(0.5) ? 1 : hand.between(0.5, 0.9) };
    case 'rough':
      return { kind, run: pipe.run, times: hand.between(1.7, 3) };
    case 'sag':
      return { kind, ...at, depth: pipe.diameter * hand.between(0.5, 1.2), over: hand.between(3, 7) };
    case 'lifted':
      return { kind, landing: hand.pick(way.landings.slice(0, -1)).id, by: hand.between(0.03, 0.12) };
    case 'open':
      return { kind, ...at, share: hand.between(0.3, 1) };
  }
}

/** Tests until one cause is clear, or there is no more to do. */
function tested(
  hand: Hand,
  ways: readonly WayDown[],
  truth: Fault,
  first: LineTest,
): { tests: LineTest[]; order: string[] } {
  const tests = [first];
  const rough = randomOf(hand).rough;
  let ranked = explain(tests);
  while (tests.length < MOST_TESTS && ranked[0]!.belief < 0.95) {
    const next = nextTest(ranked, doableNext(ways, tests));
    if (!next) break;
    tests.push(shown(next.test, truth, { ...randomOf(hand), rough }));
    ranked = explain(tests);
  }
  return { tests, order: ranked.map(({ cause }) => cause).filter((cause) => cause !== 'sound') };
}

export function visitsTrial(count: number, from = 1, onLine: (done: number) => void = () => undefined): VisitsTrial {
  const told: VisitsTrial = {
    sound: 0,
    asPlanned: 0,
    timed: 0,
    within: 0,
    wrong: 0,
    off: 0,
    first: 0,
    firstTwo: 0,
    hidden: 0,
    hiddenFirstTwo: 0,
    tests: 0,
    missed: {},
  };
  for (let seed = from; told.sound < count && seed < from + 20 * count; seed++) {
    const line = lineAt(seed);
    if (!line) continue;
    tryLine(handOf(seed * 31 + 7), line.ways, told);
    onLine(told.sound);
  }
  return told;
}

function tryLine(hand: Hand, ways: readonly WayDown[], told: VisitsTrial): void {
  const way = ways[0]!;
  const flow = hand.between(...HOSE);
  const expected = expectHose(way, flow);
  const wait = Math.max(300, 3 * (expected.shows?.most ?? 300));
  const poured: Doable = { type: 'hose', way, flow, wait };
  const sound = shown(poured, null, randomOf(hand));
  if (sound.type !== 'hose') return;
  told.sound++;
  if (judgeHose(expected, sound.seen).asPlanned) told.asPlanned++;
  if (typeof sound.seen.shows === 'number' && expected.shows) {
    told.timed++;
    if (sound.seen.shows >= expected.shows.low && sound.seen.shows <= expected.shows.high) told.within++;
  }
  const truth = faultIn(hand, hand.pick(FAULT_KINDS), way);
  const first = shown(poured, truth, randomOf(hand));
  if (first.type !== 'hose') return;
  told.wrong++;
  const off = !judgeHose(expected, first.seen).asPlanned;
  if (off) told.off++;
  else told.hidden++;
  const { tests, order } = tested(hand, ways, truth, first);
  told.tests += tests.length;
  if (order[0] === truth.kind) told.first++;
  if (order.slice(0, 2).includes(truth.kind)) {
    told.firstTwo++;
    if (!off) told.hiddenFirstTwo++;
  } else {
    const key = `${truth.kind} taken for ${order.slice(0, 2).join(', ')}`;
    told.missed[key] = (told.missed[key] ?? 0) + 1;
  }
}
