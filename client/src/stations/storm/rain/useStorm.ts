/** The storm that is asked for, as far as it is worked out; the one before stands until the next has its first picture. */
import type { Job } from '@katabasis/core';
import { useCallback, useRef, useState } from 'react';
import type { AskedStorm } from '../../../planning/askedStorm';
import { runStorm, type StormSoFar } from '../../../planning/storms';
import { useWorked } from '../../../planning/useWorked';

export interface Storm {
  storm: StormSoFar | null;
  /** Why there is none: its rain cannot be read, or no worker can be had. */
  refused: string | null;
  /** Ends it: what there is of it is told. */
  stop: () => void;
}

type Worked = StormSoFar | { refused: string };

export function useStorm(job: Job, asked: AskedStorm): Storm {
  const stops = useRef<AbortController | null>(null);
  const worked = useWorked<Worked>([job, asked], async (signal, give) => {
    const control = new AbortController();
    stops.current = control;
    const refused = await runStorm(job, asked, { signal, stop: control.signal }, give).catch((error: unknown) =>
      error instanceof Error ? error.message : String(error),
    );
    if (refused !== null && !signal.aborted) give({ refused });
  });
  const [last, setLast] = useState<StormSoFar | null>(null);
  const now = worked && 'frames' in worked ? worked : null;
  if (now && now !== last) setLast(now);
  const stop = useCallback(() => stops.current?.abort(), []);
  const refused = worked && 'refused' in worked ? worked.refused : null;
  return { storm: refused === null ? (now ?? last) : null, refused, stop };
}
