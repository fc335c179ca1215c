/** Whole plans proposed for the job in hand, told as they are laid out. */
import type { Element, Job } from '@katabasis/core';
import { proxy, wrap, type Remote } from 'comlink';
import type { ProposalsTold, ProposalsWorker } from './proposals.worker';

let remote: Remote<ProposalsWorker> | null = null;
let failed: Promise<never> | null = null;
let count = 0;

function theWorker(): { remote: Remote<ProposalsWorker>; failed: Promise<never> } {
  if (!remote || !failed) {
    const worker = new Worker(new URL('./proposals.worker', window.location.href));
    failed = new Promise<never>((_, fail) => {
      worker.addEventListener('error', () => fail(new Error('Plans cannot be laid out on this device now.')));
    });
    failed.catch(() => undefined);
    remote = wrap<ProposalsWorker>(worker);
  }
  return { remote, failed };
}

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
