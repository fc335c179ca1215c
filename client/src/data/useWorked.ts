/** Something that is worked out while the screen stands: undefined until it is there, and called off when it is no longer wanted. */
import { useEffect, useState } from 'react';

/** `work` is begun anew whenever one of `on` is another, and not before it is `wanted`, of which another value begins it anew as well; each may give parts of its answer on the way. */
export function useWorked<T>(
  on: readonly unknown[],
  work: (signal: AbortSignal, give: (answer: T) => void) => Promise<void>,
  wanted: unknown = true,
): T | undefined {
  const [state, setState] = useState<{ on: readonly unknown[]; answer: T } | null>(null);
  const current =
    state !== null && state.on.length === on.length && state.on.every((each, k) => Object.is(each, on[k]));
  useEffect(() => {
    if (wanted === null || current) return;
    const control = new AbortController();
    const give = (answer: T): void => {
      if (!control.signal.aborted) setState({ on, answer });
    };
    // Called off, or of a worker that is gone: nobody waits for it.
    work(control.signal, give).catch(() => undefined);
    return () => control.abort();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what it is worked out from is named by the caller
  }, [...on, wanted]);
  return current ? state.answer : undefined;
}
