/** Whole plans proposed for the job in hand, told as they are laid out; and their lines moved. */
import type { Element, Job, Place } from '@katabasis/core';
import type { Aim, Asked, Grip, Moved } from '@katabasis/core/proposals';
import { proxy, type Remote } from 'comlink';
import { ownWorker } from './ownWorker';
import type { LookedAt, ProposalsTold, ProposalsWorker, ProposalTold } from './proposals.worker';

const theWorker = ownWorker<ProposalsWorker>(
  () => new Worker(new URL('./proposals.worker', window.location.href)),
  'Plans cannot be laid out on this device now.',
);
let count = 0;

/** Lays out plans for a job until all are, or nobody wants them any more. */
export async function findProposals(
  job: Job,
  asked: Asked,
  { signal, give }: { signal: AbortSignal; give: (found: ProposalsTold) => void },
): Promise<void> {
  const { remote: worker, failed: lost } = theWorker();
  const ask = ++count;
  signal.addEventListener('abort', () => void worker.callOff(ask));
  const sent = { id: job.id, elements: job.elements.all as readonly Element[] };
  return Promise.race([worker.propose(sent, ask, asked, proxy(give)), lost]);
}

/** An answer of the worker; fails when it does. */
const answered = <T>(ask: (worker: Remote<ProposalsWorker>) => Promise<T>): Promise<T> => {
  const { remote, failed } = theWorker();
  return Promise.race([ask(remote), failed]);
};

/** What is nearest to a place on the plan that was proposed last, and can be moved. */
export const gripAt = (aim: Aim, place: Place): Promise<Grip | null> => answered((worker) => worker.gripAt(aim, place));

/** Any line of it through a place, or what is held. */
export const lookThrough = (aim: Aim, place: Place, held: string | null): Promise<LookedAt | null> =>
  answered((worker) => worker.through(aim, place, held));

export const drawnStraight = (aim: Aim, id: string): Promise<LookedAt | null> =>
  answered((worker) => worker.straight(aim, id));

/** That plan with lines by other ways, one after another; null where they fit it no more, and it lies as it was laid out. */
export const moveLines = (aim: Aim, moves: readonly Moved[]): Promise<ProposalTold | null> =>
  answered((worker) => worker.move(aim, moves));

/** What comes through a line of it, of all that was to be led off. */
export const ledBy = (aim: Aim, id: string): Promise<string[]> => answered((worker) => worker.ledBy(aim, id));

/** That plan as it was laid out. */
export const putBack = (aim: Aim): Promise<void> => answered((worker) => worker.back(aim));
