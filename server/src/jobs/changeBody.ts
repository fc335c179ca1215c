/** A change as it was sent: what it is, what it was made on, and what versions it gives. */
import {
  agreedAltered,
  agreedSentence,
  notHis,
  withItsMoney,
  withoutMoney,
  type Right,
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

/** Problem type of a change that is not for who sent it to make. */
export const NOT_HIS = 'notYours';

/** A change as it is made by who may what: money that they do not see stays. Throws where it is not theirs to make. */
export function madeBy(rights: ReadonlySet<Right>, asked: Change, before: Job): Change {
  const change = rights.has('prices')
    ? asked
    : { ...asked, puts: asked.puts.map((each) => withItsMoney(each, before.elements.get(each.id))) };
  const no = notHis(rights, before, change);
  if (no !== null) throw new ProblemError(403, no, { type: NOT_HIS });
  return change;
}

/** Whether what was logged is what was sent, money aside where its sender sees none. */
export function sameSent(logged: string, sent: Omit<Change, 'label'>, rights: ReadonlySet<Right>): boolean {
  if (rights.has('prices')) return logged === JSON.stringify(sent);
  const bare = (change: Omit<Change, 'label'>): string =>
    JSON.stringify({ ...change, puts: change.puts.map(withoutMoney) });
  return bare(JSON.parse(logged) as Omit<Change, 'label'>) === bare(sent);
}
