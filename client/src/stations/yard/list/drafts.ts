/** Things that are being put together and are not in the job yet, one of each sort, kept on the device. */
import { elementSchema, type Element } from '@katabasis/core';
import { z } from 'zod';
import { note, noted } from '../../../input/notes';

const keyOf = (job: string): string => `katabasis.begun.${job}`;
const keptSchema = z.record(z.string(), elementSchema);

/** What was begun in a job, by the sort of thing. */
export const begunIn = (job: string): ReadonlyMap<string, Element> =>
  new Map(Object.entries(noted(keyOf(job), keptSchema) ?? {}));

/** Keeps what was begun; null forgets it. */
export function keepBegun(job: string, stem: string, element: Element | null): void {
  const kept = new Map(begunIn(job));
  if (element === null) kept.delete(stem);
  else kept.set(stem, element);
  note(keyOf(job), kept.size === 0 ? null : Object.fromEntries(kept));
}
