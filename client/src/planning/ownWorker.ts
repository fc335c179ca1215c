/** A worker of one's own, begun when it is first asked for. */
import { wrap, type Remote } from 'comlink';

export interface OwnWorker<T> {
  remote: Remote<T>;
  /** Fails when the worker does. */
  failed: Promise<never>;
}

/** `start` begins it; `lost` is said where it cannot be had. */
export function ownWorker<T>(start: () => Worker, lost: string): () => OwnWorker<T> {
  let known: OwnWorker<T> | null = null;
  return () => {
    if (known) return known;
    const worker = start();
    const failed = new Promise<never>((_, fail) => {
      worker.addEventListener('error', () => fail(new Error(lost)));
    });
    failed.catch(() => undefined);
    known = { remote: wrap<T>(worker), failed };
    return known;
  };
}
