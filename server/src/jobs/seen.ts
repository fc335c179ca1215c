/** What of jobs somebody sees: those that are theirs, and of those no money where they see none. */
import { withoutMoney, type Beside, type Conflict, type JobReply, type JobRow, type Right } from '@katabasis/core';
import type { Asker } from '../admission/asker';
import { seenEpoch } from '../epochs/seenEpoch';
import { rightsAt } from '../admission/rules';
import { ProblemError } from '../http/problem';

type Rights = ReadonlySet<Right>;

/** A job's elements as they are given out. */
export function seenJob<T extends Pick<JobReply, 'elements' | 'epoch'>>(reply: T, rights: Rights): T {
  if (rights.has('prices')) return reply;
  const elements = reply.elements.flatMap(({ version, element }) => {
    const seen = withoutMoney(element);
    return seen ? [{ version, element: seen }] : [];
  });
  return { ...reply, epoch: seenEpoch(reply.epoch, rights), elements };
}

export const seenBeside = (beside: Beside, rights: Rights): Beside => ({
  ...beside,
  epoch: seenEpoch(beside.epoch, rights),
  job: beside.job && seenJob(beside.job, rights),
});

/** A row of the list. */
export function seenRow(row: JobRow, asker: Asker): JobRow {
  if (!row.glance || rightsAt(asker, row.id)?.has('prices')) return row;
  return { ...row, glance: { ...row.glance, price: '' } };
}

/** Those of a list that somebody may know of, by a right that they need there. */
export const theirs =
  (asker: Asker, right: Right) =>
  ({ id }: { id: string }): boolean =>
    rightsAt(asker, id)?.has(right) ?? false;

/** A refusal that shows what stands there now, without money for who sees none. */
export function seenRefusal(error: unknown, rights: Rights): unknown {
  if (rights.has('prices') || !(error instanceof ProblemError) || !error.problem.conflicts) return error;
  const { status, title, type } = error.problem;
  const conflicts = error.problem.conflicts.map((each): Conflict => ({
    ...each,
    element: each.element && withoutMoney(each.element),
  }));
  return new ProblemError(status, title, { type, conflicts });
}
