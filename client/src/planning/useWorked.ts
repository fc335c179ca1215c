/** Something that is worked out while the screen stands: undefined until it is there, and called off when it is no longer wanted. */
import { useEffect, useReducer, useState } from 'react';

/** States remembered with what was worked out on them: one goes back and forth between two to compare them. */
const REMEMBERED = 3;

interface Worked<T> {
  on: readonly unknown[];
  answer: T;
  /** Nothing more comes. */
  whole: boolean;
}

/** What was worked out on the last few states. */
class Memory<T> {
  private known: readonly Worked<T>[] = [];

  of(on: readonly unknown[]): Worked<T> | undefined {
    return this.known.find((each) => each.on.length === on.length && each.on.every((one, k) => Object.is(one, on[k])));
  }

  /** Newest first, and each state once. */
  keep(worked: Worked<T>): void {
    const before = this.of(worked.on);
    this.known = [worked, ...this.known.filter((each) => each !== before)].slice(0, REMEMBERED);
  }
}

/** `work` is begun anew whenever one of `on` is another, and not before it is `wanted`, of which another value begins it anew as well; each may give parts of its answer on the way. */
export function useWorked<T>(
  on: readonly unknown[],
  work: (signal: AbortSignal, give: (answer: T) => void) => Promise<void>,
  wanted: unknown = true,
): T | undefined {
  const [memory] = useState(() => new Memory<T>());
  const [, draw] = useReducer((count: number) => count + 1, 0);
  useEffect(() => {
    const known = memory.of(on);
    if (known) memory.keep(known);
    if (wanted === null || known?.whole) return;
    const control = new AbortController();
    const give = (answer: T): void => {
      if (control.signal.aborted) return;
      memory.keep({ on, answer, whole: false });
      draw();
    };
    const end = (): void => {
      const given = memory.of(on);
      if (given && !control.signal.aborted) memory.keep({ ...given, whole: true });
    };
    // Called off, or of a worker that is gone: nobody waits for it.
    work(control.signal, give).then(end, () => undefined);
    return () => control.abort();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what it is worked out from is named by the caller
  }, [...on, wanted]);
  return memory.of(on)?.answer;
}
