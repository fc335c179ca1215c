/** Small things kept on the device under a name: what was typed and is not done yet. None of it is worth stopping work for. */
import type { z } from 'zod';

/** What is kept under a name; null where there is nothing, or nothing that this version can read. */
export function noted<T>(name: string, schema: z.ZodType<T>): T | null {
  try {
    const kept = globalThis.localStorage?.getItem(name) ?? null;
    return kept === null ? null : schema.parse(JSON.parse(kept));
  } catch {
    return null;
  }
}

/** Keeps something under a name; null forgets it. On a full device it stays with the page only. */
export function note(name: string, value: unknown): void {
  try {
    if (value === null) globalThis.localStorage?.removeItem(name);
    else globalThis.localStorage?.setItem(name, JSON.stringify(value));
  } catch {
    // Told where work itself is kept, not here.
  }
}
