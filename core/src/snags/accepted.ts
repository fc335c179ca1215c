/**
 * Snags that somebody has accepted, with a reason: what is only to be minded, and what is to be mended where the customer wants it otherwise
 * and was warned. One stays accepted until it is worse than it was then. A Stop is never.
 */
import { put, type Change } from '../job/change';
import { headOf, type Job } from '../job/job';
import type { Acceptance } from '../job/kinds/job';
import type { Snag } from './snag';

/** By how much its figure may move and still be what was accepted: flows shift a little with every edit. */
const SAME = 0.05;
const ROUNDING = 1e-6;

const isOf =
  ({ code, at, other }: Snag) =>
  (accepted: Acceptance): boolean =>
    accepted.code === code && accepted.at === at && accepted.other === other;

const miss = ({ figure, limit }: Pick<Snag, 'figure' | 'limit'>): number => Math.abs(figure - limit);

/** How a snag was accepted; undefined where it was not, is a Stop by now, or is worse than it was then. */
export function acceptanceOf(job: Job, snag: Snag): Acceptance | undefined {
  const { accepted } = headOf(job);
  if (!accepted || snag.severity === 'stop') return undefined;
  const found = accepted.find(isOf(snag));
  // What was taken lightly once is not for that what the customer was warned of.
  if (snag.severity === 'fix' && found?.severity !== 'fix') return undefined;
  return found && miss(snag) <= miss(found) * (1 + SAME) + ROUNDING ? found : undefined;
}

/** Accepts a snag as it is now; `on`: the day, as 2026-11-30. */
export function acceptSnag(job: Job, snag: Snag, reason: string, on: string): Change {
  const { code, severity, at, other, figure, limit } = snag;
  const kept = (headOf(job).accepted ?? []).filter((each) => !isOf(snag)(each));
  const accepted = {
    code,
    ...(severity === 'fix' ? { severity } : {}),
    at,
    ...(other === undefined ? {} : { other }),
    figure,
    limit,
    reason,
    on,
  };
  const label = severity === 'fix' ? 'Note that the customer wants it otherwise' : 'Accept a snag';
  return put(label, { ...headOf(job), accepted: [...kept, accepted] });
}

export function takeBackAcceptance(job: Job, snag: Snag): Change {
  const { accepted = [], ...head } = headOf(job);
  const kept = accepted.filter((each) => !isOf(snag)(each));
  return put('Take back what was accepted', kept.length > 0 ? { ...head, accepted: kept } : head);
}
