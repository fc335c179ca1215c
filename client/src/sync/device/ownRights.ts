/**
 * What whoever uses this device may, as the server last said: kept, so that it holds for hours without signal. Of a device that never heard
 * it is everything, as at the server's own machine; the server asks again at its own door.
 */
import { OFFICE_RIGHTS, RIGHTS, type Me, type Right } from '@katabasis/core';
import { useSyncExternalStore } from 'react';
import { z } from 'zod';
import { deviceName } from '../device';
import { RIGHTS_KEPT } from './mayBegin';

type Rights = ReadonlySet<Right>;
const rightsSchema = z.array(z.enum(RIGHTS)).transform((rights): Rights => new Set(rights));
const keptSchema = z.object({
  rights: rightsSchema,
  narrower: z.record(z.string(), rightsSchema),
  name: z.string().nullable().catch(null),
});
type Kept = z.infer<typeof keptSchema>;

const NEVER_HEARD: Kept = { rights: OFFICE_RIGHTS, narrower: {}, name: null };

function read(): Kept {
  try {
    return keptSchema.parse(JSON.parse(localStorage.getItem(RIGHTS_KEPT) ?? ''));
  } catch {
    return NEVER_HEARD;
  }
}

let kept: Kept | null = null;
const listeners = new Set<() => void>();

/** What may be done at a job. */
export function rightsHere(job: string): Rights {
  kept ??= read();
  return kept.narrower[job] ?? kept.rights;
}

/** What whoever uses this device is called; else what the device is. */
export function ownName(): string {
  kept ??= read();
  return kept.name ?? deviceName();
}

/** Takes in what the server says of who asks. */
export function heardMe({ rights, narrower, person }: Pick<Me, 'rights' | 'narrower' | 'person'>): void {
  const said = JSON.stringify({ rights, narrower, name: person?.name ?? null });
  try {
    localStorage.setItem(RIGHTS_KEPT, said);
  } catch {
    // Heard again when the page is opened next.
  }
  kept = keptSchema.parse(JSON.parse(said));
  for (const listener of listeners) listener();
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** What may be done at a job, as it changes. */
export const useRights = (job: string): Rights => useSyncExternalStore(subscribe, () => rightsHere(job));
