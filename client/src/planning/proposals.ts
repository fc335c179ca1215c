/** Whole plans proposed for the job in hand, told as they are laid out. */
import type { Element, Job } from '@katabasis/core';
import { proxy } from 'comlink';
import { ownWorker } from './ownWorker';
import type { ProposalsTold, ProposalsWorker } from './proposals.worker';

const theWorker = ownWorker<ProposalsWorker>(
  () => new Worker(new URL('./proposals.worker', window.location.href)),
  'Plans cannot be laid out on this device now.',
);
let count = 0;

/** Lays out plans for a job until all are, or nobody wants them any more. */
export async function findProposals(
  job: Job,
  signal: AbortSignal,
  give: (found: ProposalsTold) => void,
): Promise<void> {
  const { remote: worker, failed: lost } = theWorker();
  const ask = ++count;
  signal.addEventListener('abort', () => void worker.callOff(ask));
  const sent = { id: job.id, elements: job.elements.all as readonly Element[] };
  return Promise.race([worker.propose(sent, ask, proxy(give)), lost]);
}
