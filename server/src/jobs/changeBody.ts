/** A change as it was sent: what it is, what it was made on, and what versions it gives. */
import type { Change, ChangeBody, Conflict, Element } from '@katabasis/core';
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
