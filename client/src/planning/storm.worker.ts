/** Rains on a job off the page's path, in a worker of its own: planning goes on beside it. */
import { Elements, type Element, type Job, type Plan } from '@katabasis/core';
import {
  failuresOf,
  failureWords,
  rankCases,
  rainfallOf,
  StormRun,
  stormSentence,
  worseFirst,
  type Failure,
  type Ranked,
  type RainShape,
  type StormFrame,
  type StormRain,
  type StormTold,
  type Wetness,
} from '@katabasis/core/simulation';
import { expose } from 'comlink';
import * as planning from './planning';

export interface SentYard {
  id: string;
  elements: readonly Element[];
}

export interface AskedStorm {
  rain: StormRain;
  /** s */
  length: number;
  shape: RainShape;
  /** A second time six hours later. */
  again: boolean;
  wetness: Wetness;
  failing: readonly Failure[];
}

/** What can be asked of a job: its rains, and what may fail in it, each as it is called. */
export interface Askable {
  rains: readonly StormRain[];
  failures: readonly { failure: Failure; label: string }[];
}

export type StormOutcome = Omit<StormTold, 'frames'> & { sentence: string };

/** Asked of a worker that nobody waits for any more. */
const asked = new Map<number, { off: boolean }>();

function planned({ id, elements }: SentYard): { job: Job; plan: Plan } {
  const job: Job = { id, elements: Elements.of(elements) };
  return { job, plan: planning.plan(job) };
}

/** Lets a call-off in between two pictures. */
const breath = (): Promise<void> => new Promise((done) => setTimeout(done, 0));

const worker = {
  askable: (yard: SentYard): Askable => {
    const { job, plan } = planned(yard);
    return {
      rains: (['design', 'rarer'] as const).filter((rain) => rainfallOf(job, rain) !== null),
      failures: failuresOf(job, plan).map((failure) => ({ failure, label: failureWords(job, failure) })),
    };
  },
  /** Tells each picture as it is made; null where the job has no such rain, or it was called off. */
  run: async (
    yard: SentYard,
    { rain, failing, wetness, ...of }: AskedStorm,
    ask: number,
    onFrame: (frame: StormFrame, share: number) => void,
  ): Promise<StormOutcome | null> => {
    const state = { off: false };
    asked.set(ask, state);
    const { job, plan } = planned(yard);
    const fall = rainfallOf(job, rain, of);
    if (!fall) return null;
    const storm = new StormRun(job, plan, { rain: fall, wetness, failing });
    onFrame(storm.frames[0]!, 0);
    while (!storm.isOver && !state.off) {
      storm.advance();
      onFrame(storm.frames.at(-1)!, storm.simulation.time / storm.length);
      await breath();
    }
    asked.delete(ask);
    if (state.off) return null;
    const { frames: _told, ...told } = storm.told;
    return { ...told, sentence: stormSentence(job, { rain, failing }, storm.told) };
  },
  /** Tries every rain with every single failure, and tells those that are over, the worst first. */
  rank: async (yard: SentYard, ask: number, onCase: (ranked: readonly Ranked[], of: number) => void): Promise<void> => {
    const state = { off: false };
    asked.set(ask, state);
    const { job, plan } = planned(yard);
    const all: Ranked[] = [];
    for (const { ranked, of } of rankCases(job, plan)) {
      all.push(ranked);
      onCase(all.sort(worseFirst), of);
      await breath();
      if (state.off) break;
    }
    asked.delete(ask);
  },
  callOff: (ask: number): void => {
    const state = asked.get(ask);
    if (state) state.off = true;
  },
};
export type StormWorker = typeof worker;

expose(worker);
