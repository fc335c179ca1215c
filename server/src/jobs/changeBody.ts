/** A change as it was sent: what it is, what it was made on, and what versions it gives. */
import {
  agreedAltered,
  agreedSentence,
  type Change,
  type ChangeBody,
  type Conflict,
  type Element,
  type Job,
} from '@katabasis/core';
import { ProblemError } from '../http/problem';
import type { LiveJob } from './live';

/** Versions are the job's sequence, so that an element removed and put back never repeats one. */
export const versionsAt = (puts: readonly Element[], seq: number): Record<string, number> =>
  Object.fromEntries(puts.map(({ id }) => [id, seq + 1]));

export function changeIn({ label, puts, removes, stands }: ChangeBody): Change {
  return {
    label,
    puts: puts.map(({ element }) => element),
    removes: removes.map(({ id }) => id),
    ...(stands ? { stands } : {}),
  };
}

/** Refuses a change of elements that are not of the versions that it was made on. */
export function refuseStale(body: ChangeBody, { job, versions }: LiveJob): void {
  const wanted = [...body.puts.map(({ base, element }) => ({ base, id: element.id })), ...body.removes];
  const conflicts: Conflict[] = [];
  for (const { id, base } of wanted) {
    const version = versions.get(id) ?? 0;
    if (version !== base) conflicts.push({ id, version, element: job.elements.get(id) ?? null });
  }
  if (conflicts.length > 0) throw new ProblemError(409, 'Somebody else changed this meanwhile.', { conflicts });
}

/** Days that a device is away at most in which what was agreed can be taken out on its day. */
const DAYS_AWAY = 7;
const DAY_MS = 24 * 3600 * 1000;

/** Refuses to alter what was agreed, at a time in ms. A device that was away for some days may still send what it took out on its day. */
export function refuseAltered(before: Job, change: Change, now: number): void {
  const [note] = agreedAltered(before, change, new Date(now - DAYS_AWAY * DAY_MS).toISOString().slice(0, 10));
  if (note) throw new ProblemError(422, agreedSentence(note));
}
