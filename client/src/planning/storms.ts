/** A storm over the job in hand, told as it goes: its pictures, how far it came, and at the end what came of it. */
import type { Element, Job } from '@katabasis/core';
import type { Ranked, StormFrame } from '@katabasis/core/simulation';
import { proxy, wrap, type Remote } from 'comlink';
import type { Askable, AskedStorm, SentYard, StormOutcome, StormWorker } from './storm.worker';

let remote: Remote<StormWorker> | null = null;
let failed: Promise<never> | null = null;
let count = 0;

function theWorker(): { remote: Remote<StormWorker>; failed: Promise<never> } {
  if (!remote || !failed) {
    const worker = new Worker(new URL('./storm.worker', window.location.href));
    failed = new Promise<never>((_, fail) => {
      worker.addEventListener('error', () => fail(new Error('The storm cannot be worked out on this device now.')));
    });
    failed.catch(() => undefined);
    remote = wrap<StormWorker>(worker);
  }
  return { remote, failed };
}

const sent = ({ id, elements }: Job): SentYard => ({ id, elements: elements.all as readonly Element[] });

/** What can be asked of a job. */
export function askable(job: Job): Promise<Askable> {
  const { remote: worker, failed: lost } = theWorker();
  return Promise.race([worker.askable(sent(job)), lost]);
}

export interface StormSoFar {
  frames: readonly StormFrame[];
  /** How much of it is worked out, 0 to 1. */
  share: number;
  outcome: StormOutcome | null;
}

/** Runs a storm and tells it as it goes, until it is over or called off. */
export async function runStorm(
  job: Job,
  asked: AskedStorm,
  signal: AbortSignal,
  give: (soFar: StormSoFar) => void,
): Promise<void> {
  const { remote: worker, failed: lost } = theWorker();
  const ask = ++count;
  signal.addEventListener('abort', () => void worker.callOff(ask));
  const frames: StormFrame[] = [];
  const onFrame = (frame: StormFrame, share: number): void => {
    frames.push(frame);
    // A picture now and then: each is drawn anew.
    if (frames.length % TOLD === 1) give({ frames: [...frames], share, outcome: null });
  };
  const outcome = await Promise.race([worker.run(sent(job), asked, ask, proxy(onFrame)), lost]);
  if (outcome) give({ frames: [...frames], share: 1, outcome });
}

export interface Tried {
  /** Those that are over, the worst first; and how many there are. */
  ranked: readonly Ranked[];
  of: number;
}

/** Tries every rain with every failure, told one by one. */
export async function rankFailures(job: Job, signal: AbortSignal, give: (tried: Tried) => void): Promise<void> {
  const { remote: worker, failed: lost } = theWorker();
  const ask = ++count;
  signal.addEventListener('abort', () => void worker.callOff(ask));
  const onCase = (ranked: readonly Ranked[], of: number): void => give({ ranked, of });
  await Promise.race([worker.rank(sent(job), ask, proxy(onCase)), lost]);
}

/** Pictures between two that are told while it goes on. */
const TOLD = 10;
