/**
 * The epoch of a job as somebody sees it. Without its money a job is another: a device that knows it so and may see prices from now on is told
 * as after a restore, and lays what it has beside the whole before it sends anything; else what it never saw would be written over.
 */
import { WITHOUT_MONEY, type Right } from '@katabasis/core';

export const seenEpoch = (epoch: string, rights: ReadonlySet<Right>): string =>
  rights.has('prices') ? epoch : `${epoch}${WITHOUT_MONEY}`;

/** The epoch itself. */
export const plainEpoch = (seen: string): string =>
  seen.endsWith(WITHOUT_MONEY) ? seen.slice(0, -WITHOUT_MONEY.length) : seen;
