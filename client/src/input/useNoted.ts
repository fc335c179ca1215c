/** State that a reload does not lose: kept on the device under a name for as long as it differs from what it began as. */
import { useCallback, useMemo, useRef, useState } from 'react';
import type { z } from 'zod';
import { note, noted } from './notes';

/**
 * The state of one name, and its setter, which takes what is to follow from what stands. `first` is what it begins as and what it is set back to
 * to be forgotten; it must stay the same object. Another name brings what was kept under that.
 */
export function useNoted<T>(name: string, schema: z.ZodType<T>, first: T): [T, (next: (now: T) => T) => void] {
  const kept = useMemo(() => noted(name, schema) ?? first, [name, schema, first]);
  const [held, setHeld] = useState({ name, value: kept });
  const latest = useRef(held);
  // Noted at once: what is set as its sheet closes would be lost with the sheet, and come back as it was.
  const set = useCallback(
    (next: (now: T) => T): void => {
      const now = latest.current.name === name ? latest.current.value : (noted(name, schema) ?? first);
      latest.current = { name, value: next(now) };
      note(name, latest.current.value === first ? null : latest.current.value);
      setHeld(latest.current);
    },
    [name, schema, first],
  );
  return [held.name === name ? held.value : kept, set];
}
