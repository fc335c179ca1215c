/** A storm over the job in hand, told as it goes: its pictures, how far it came, and at the end what came of it. */
import type { Element, Job } from '@katabasis/core';
import type { CureTried } from '@katabasis/core/cures';
import type { RainTold } from '@katabasis/core/rain-visit';
import type { GivesWaySaid, Ranked, StormFrame, StormSeen } from '@katabasis/core/simulation';
import { proxy, type Remote } from 'comlink';
import type { AskedStorm } from './askedStorm';
import { ownWorker } from './ownWorker';
import type { OldTold } from './oldTold';
import type { Askable, HoseExplained, SentYard, StormOutcome, StormWorker } from './storm.worker';

const theWorker = ownWorker<StormWorker>(
  () => new Worker(new URL('./storm.worker', window.location.href)),
  'The storm cannot be worked out on this device now.',
);
let count = 0;

const sent = ({ id, elements }: Job): SentYard => ({ id, elements: elements.all as readonly Element[] });

/** Asks the worker for something that is told as it goes, until it is over or called off. */
async function asking<T>(
  { signal, stop }: Asking,
  work: (worker: Remote<StormWorker>, ask: number) => Promise<T>,
): Promise<T> {
  const { remote: worker, failed: lost } = theWorker();
  const ask = ++count;
  signal.addEventListener('abort', () => void worker.callOff(ask));
  stop?.addEventListener('abort', () => void worker.breakOff(ask));
  return Promise.race([work(worker, ask), lost]);
}

/** `signal`: nobody wants it any more. `stop`: what there is of it is to be told. */
export interface Asking {
  signal: AbortSignal;
  stop?: AbortSignal;
}

/** What can be asked of a job. */
export function askable(job: Job): Promise<Askable> {
  const { remote: worker, failed: lost } = theWorker();
  return Promise.race([worker.askable(sent(job)), lost]);
}

/** What is wrong with a text of a gauge, or to be known of how it is read. */
export function gaugeSays(job: Job, text: string): Promise<{ ok: boolean; sentences: readonly string[] }> {
  const { remote: worker, failed: lost } = theWorker();
  return Promise.race([worker.gauge(sent(job), text), lost]);
}

export type { HoseExplained, OldTold };

export interface StormSoFar {
  seen: StormSeen;
  frames: readonly StormFrame[];
  /** How much of it is worked out, 0 to 1. */
  share: number;
  outcome: StormOutcome | null;
}

/** Storms that were worked out on this page, by what they were worked out from; the newest last. */
const kept = new Map<string, StormSoFar>();
/** Storms kept: one goes back and forth between a few. */
const KEPT = 6;

const keyOf = (job: Job, asked: AskedStorm): string => JSON.stringify([sent(job), asked]);

function keep(key: string, storm: StormSoFar): void {
  kept.delete(key);
  kept.set(key, storm);
  for (const oldest of kept.keys()) if (kept.size > KEPT) kept.delete(oldest);
}

/** Runs a storm and tells it as it goes. One whose rain cannot be had is a sentence. */
export async function runStorm(
  job: Job,
  asked: AskedStorm,
  of: Asking,
  give: (soFar: StormSoFar) => void,
): Promise<string | null> {
  const key = keyOf(job, asked);
  const known = kept.get(key);
  if (known) {
    keep(key, known);
    give(known);
    return null;
  }
  const frames: StormFrame[] = [];
  const seen: StormSeen[] = [];
  const onFrame = (frame: StormFrame, share: number): void => {
    frames.push(frame);
    // A picture now and then: each is drawn anew.
    if (frames.length % TOLD === 1) give({ seen: seen[0]!, frames: [...frames], share, outcome: null });
  };
  const outcome: StormOutcome | string | null = await asking(
    of,
    async (worker, ask) =>
      await worker.run(
        sent(job),
        asked,
        ask,
        proxy((told: StormSeen) => void seen.push(told)),
        proxy(onFrame),
      ),
  );
  if (typeof outcome === 'string' || outcome === null) return outcome;
  const storm = { seen: seen[0]!, frames: [...frames], share: outcome.reached / outcome.length, outcome };
  // One that was broken off may yet be wanted whole.
  if (outcome.reached >= outcome.length - 1e-6) keep(key, storm);
  give(storm);
  return null;
}

export interface Tried {
  /** Those that are over, the worst first; and how many there are. */
  ranked: readonly Ranked[];
  of: number;
}

/** Tries every rain with every failure, told one by one. */
export const rankFailures = (job: Job, of: Asking, give: (tried: Tried) => void): Promise<void> =>
  asking(of, (worker, ask) =>
    worker.rank(
      sent(job),
      ask,
      proxy((ranked: readonly Ranked[], all: number) => give({ ranked, of: all })),
    ),
  );

/** What was found last: nothing unchanged is tried twice. */
let layersOf: { key: string; found: GivesWaySaid } | null = null;

/** Tries every layer of a job storm by storm, told after each; what is known already at once. */
export async function findGivesWay(job: Job, of: Asking, give: (found: GivesWaySaid) => void): Promise<void> {
  const key = JSON.stringify(sent(job));
  if (layersOf?.key === key) return give(layersOf.found);
  const onTried = (found: GivesWaySaid): void => {
    if (found.done === found.of) layersOf = { key, found };
    give(found);
  };
  return asking(of, (worker, ask) => worker.givesWay(sent(job), ask, proxy(onTried)));
}

/** Tries what may cure a storm, told as it is found. */
export const findCures = (job: Job, asked: AskedStorm, of: Asking, give: (tried: CureTried) => void): Promise<void> =>
  asking(of, (worker, ask) => worker.cure(sent(job), asked, ask, proxy(give)));

/** Runs the rain of a visit, and what would explain what stood; told after each storm. */
export const explainRain = (job: Job, visit: string, of: Asking, give: (told: RainTold) => void): Promise<void> =>
  asking(of, (worker, ask) => worker.rainVisit(sent(job), visit, ask, proxy(give)));

/** What would explain a hose test, and which test to do next. */
export const explainHose = (job: Job, visit: string, of: Asking): Promise<HoseExplained | null> =>
  asking(of, (worker) => worker.explainHose(sent(job), visit));

/** How an old system stands in every way that it may lie; `give` hears how far it has come. */
export const tellOld = (job: Job, of: Asking, give: (share: number) => void): Promise<OldTold | null> =>
  asking(of, (worker, ask) => worker.oldSystem(sent(job), ask, proxy(give)));

/** Pictures between two that are told while it goes on. */
const TOLD = 6;
