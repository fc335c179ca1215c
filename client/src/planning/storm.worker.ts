/** Rains on a job off the page's path, in a worker of its own: planning goes on beside it. */
import { elementOf, Elements, headOf, type Element, type Job, type Plan } from '@katabasis/core';
import { curesOf, type CureTried } from '@katabasis/core/cures';
import {
  COARSE,
  disagreements,
  failuresOf,
  failureWords,
  givesWaySaid,
  momentsOf,
  rainfallOf,
  rankCases,
  readGauge,
  StormRun,
  stormSentence,
  triedLayers,
  worseFirst,
  type Disagreement,
  type Failure,
  type GivesWaySaid,
  type Moment,
  type Rainfall,
  type Ranked,
  type StormFrame,
  type StormRain,
  type StormSeen,
  type StormTold,
} from '@katabasis/core/simulation';
import { worldsOf } from '@katabasis/core/old-system';
import { triedRain, type RainTold } from '@katabasis/core/rain-visit';
import {
  doableNext,
  explain,
  explainedWords,
  nextTest,
  nextTestWords,
  sure,
  testsOfLine,
} from '@katabasis/core/visits';
import { expose } from 'comlink';
import type { AskedStorm } from './askedStorm';
import { oldTold, type OldTold } from './oldTold';
import * as planning from './planning';

export interface SentYard {
  id: string;
  elements: readonly Element[];
}

/** Causes of a test that is off, as they are told, and the next test. */
export interface HoseExplained {
  tests: number;
  causes: readonly { sure: string; title: string; says: string }[];
  next: { title: string; why: string } | null;
}
/** Causes that are told. */
const CAUSES = 3;

/** What can be asked of a job: its rains, and what may fail in it, each as it is called. */
export interface Askable {
  rains: readonly StormRain[];
  failures: readonly { failure: Failure; label: string }[];
}

export interface StormOutcome extends Omit<StormTold, 'frames'> {
  sentence: string;
  /** What is to be known of how the rain was read. */
  told: readonly string[];
  disagreements: readonly Disagreement[];
  moments: readonly Moment[];
}

/** Asked for and not over: whether somebody still wants it, and whether it is to be told as far as it came. */
interface State {
  off: boolean;
  broken: boolean;
}
const asked = new Map<number, State>();
/** Storms under way that somebody watches. */
let watched = 0;

function planned({ id, elements }: SentYard): { job: Job; plan: Plan } {
  const job: Job = { id, elements: Elements.of(elements) };
  return { job, plan: planning.plan(job) };
}

/** What is told is waited for until it is heard: it goes another way than the answer, which would otherwise come before its last picture. It also lets a call-off in. */
type Heard = void | Promise<void>;

/** Lets a call-off in. */
const breath = (): Promise<void> => new Promise((done) => setTimeout(done, 0));

async function whileAsked(ask: number, work: (state: State) => Promise<void>): Promise<State> {
  const state = { off: false, broken: false };
  asked.set(ask, state);
  await work(state);
  asked.delete(ask);
  return state;
}

/** The rain that is asked for; a sentence where it cannot be had. */
function fallOf(job: Job, of: AskedStorm): { rain: Rainfall; told: readonly string[] } | string {
  if (of.rain !== 'gauge') {
    const rain = rainfallOf(job, of.rain, of);
    return rain ? { rain, told: [] } : 'The job has no such rain.';
  }
  const read = readGauge(of.gauge, headOf(job).units === 'metric' ? 'mm' : 'in');
  return read.ok ? read : read.sentence;
}

/** Nothing fails in it and it is the one that the plan is made for: the two can be held against one another. */
const isDesign = ({ rain, failing, wetness, again }: AskedStorm): boolean =>
  rain === 'design' && failing.length === 0 && wetness === 'ordinary' && !again;

const worker = {
  askable: (yard: SentYard): Askable => {
    const { job, plan } = planned(yard);
    return {
      rains: (['design', 'rarer'] as const).filter((rain) => rainfallOf(job, rain) !== null),
      failures: failuresOf(job, plan).map((failure) => ({ failure, label: failureWords(job, failure) })),
    };
  },
  /** What is wrong with a text of a gauge, and what is to be known of how it is read. */
  gauge: (yard: SentYard, text: string): { ok: boolean; sentences: readonly string[] } => {
    const { job } = planned(yard);
    const read = readGauge(text, headOf(job).units === 'metric' ? 'mm' : 'in');
    return read.ok ? { ok: true, sentences: read.told } : { ok: false, sentences: [read.sentence] };
  },
  /** Tells each picture as it is made; null where it was called off, a sentence where the rain cannot be had. */
  run: async (
    yard: SentYard,
    of: AskedStorm,
    ask: number,
    onSeen: (seen: StormSeen) => Heard,
    onFrame: (frame: StormFrame, share: number) => Heard,
  ): Promise<StormOutcome | string | null> => {
    const { job, plan } = planned(yard);
    const fall = fallOf(job, of);
    if (typeof fall === 'string') return fall;
    const storm = new StormRun(job, plan, { rain: fall.rain, wetness: of.wetness, failing: of.failing });
    await onSeen(storm.seen);
    await onFrame(storm.frames[0]!, 0);
    watched++;
    const { off } = await whileAsked(ask, async (state) => {
      while (!storm.isOver && !state.off && !state.broken) {
        storm.advance();
        await onFrame(storm.frames.at(-1)!, storm.simulation.time / storm.length);
      }
    }).finally(() => watched--);
    if (off) return null;
    const { frames: _told, ...told } = storm.told;
    return {
      ...told,
      sentence: stormSentence(job, of, storm.told),
      told: fall.told,
      moments: momentsOf(storm.frames),
      disagreements: isDesign(of) && storm.isOver ? disagreements(plan.here ?? job, plan, told) : [],
    };
  },
  /** Tries every rain with every single failure, and tells those that are over, the worst first. */
  rank: async (
    yard: SentYard,
    ask: number,
    onCase: (ranked: readonly Ranked[], of: number) => Heard,
  ): Promise<void> => {
    const { job, plan } = planned(yard);
    const all: Ranked[] = [];
    await whileAsked(ask, async (state) => {
      for (const { ranked, of } of rankCases(job, plan)) {
        all.push(ranked);
        await onCase(all.sort(worseFirst), of);
        if (state.off || state.broken) break;
      }
    });
  },
  /** Tries every layer of defence storm by storm, and tells what is known after each. */
  givesWay: async (yard: SentYard, ask: number, onTried: (found: GivesWaySaid) => Heard): Promise<void> => {
    const { job, plan } = planned(yard);
    await whileAsked(ask, async (state) => {
      for (const found of triedLayers(job, plan)) {
        await (found ? onTried(givesWaySaid(plan.here ?? job, found)) : breath());
        // The storm that somebody watches goes first.
        while (watched > 0 && !state.off) await breath();
        if (state.off || state.broken) break;
      }
    });
  },
  /** Tries what may cure a storm, in that same storm, and tells what helps as it is found. */
  cure: async (yard: SentYard, of: AskedStorm, ask: number, onTried: (tried: CureTried) => Heard): Promise<void> => {
    const { job, plan } = planned(yard);
    const fall = fallOf(job, of);
    if (typeof fall === 'string') return;
    const storm = { rain: fall.rain, wetness: of.wetness, failing: of.failing, cells: COARSE };
    const run = new StormRun(job, plan, storm);
    await whileAsked(ask, async (state) => {
      while (!run.isOver && !run.hasPeaked && !state.off) {
        run.advance();
        await breath();
      }
      if (state.off) return;
      for (const tried of curesOf(job, plan, { ...storm, told: run.told })) {
        await onTried(tried);
        if (state.off || state.broken) break;
      }
    });
  },
  /** Runs the rain of a visit, and what would explain what was found; told after each storm. */
  rainVisit: async (yard: SentYard, visit: string, ask: number, onTold: (told: RainTold) => Heard): Promise<void> => {
    const { job, plan } = planned(yard);
    const test = elementOf(job, 'visit', visit)?.test;
    if (test?.type !== 'rain') return;
    await whileAsked(ask, async (state) => {
      for (const told of triedRain(job, plan, test)) {
        await onTold(told);
        await breath();
        if (state.off || state.broken) break;
      }
    });
  },
  /** What would explain a hose test, by all tests of its line, and which to do next; null of one that tells nothing. */
  explainHose: (yard: SentYard, id: string): HoseExplained | null => {
    const { job, plan } = planned(yard);
    const visit = elementOf(job, 'visit', id);
    const { ways, tests } = visit ? testsOfLine(plan.here ?? job, plan, visit) : { ways: [], tests: [] };
    if (tests.length === 0) return null;
    const ranked = explain(tests);
    const next = nextTest(ranked, doableNext(ways, tests));
    return {
      tests: tests.length,
      causes: ranked.slice(0, CAUSES).map((each) => ({ sure: sure(each.belief), ...explainedWords(job, each) })),
      next: next && nextTestWords(job, next),
    };
  },
  /** Plans an old system in every way that it may lie; null where it was called off. */
  oldSystem: async (yard: SentYard, ask: number, onShare: (share: number) => Heard): Promise<OldTold | null> => {
    const { job } = planned(yard);
    const each = worldsOf(job);
    let told: OldTold | null = null;
    await whileAsked(ask, async (state) => {
      let next = each.next();
      while (!next.done && !state.off) {
        if (next.value.done % 4 === 0) await onShare(next.value.done / next.value.of);
        next = each.next();
      }
      if (next.done) told = oldTold(job, next.value);
    });
    return told;
  },
  /** Nobody wants it any more. */
  callOff: (ask: number): void => {
    const state = asked.get(ask);
    if (state) state.off = true;
  },
  /** It is to end, and to be told as far as it came. */
  breakOff: (ask: number): void => {
    const state = asked.get(ask);
    if (state) state.broken = true;
  },
};
export type StormWorker = typeof worker;

expose(worker);
