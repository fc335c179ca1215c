/** Pictures of a job, and which of them the server has not got. */
import { ofKind, type Job } from '@katabasis/core';
import type { UnsentFile } from '../sync/device/keptFiles';

/** Hashes of the pictures that a job names. */
export const picturesOf = (job: Job): Set<string> =>
  new Set([...ofKind(job, 'photo'), ...ofKind(job, 'underlay')].map(({ file }) => file));

/** What is said on a job that names these: nothing of what is sent in a moment. */
export const isToldOf =
  (named: ReadonlySet<string>) =>
  ({ hash, refused, late, stored }: UnsentFile): boolean =>
    named.has(hash) && (refused !== null || late || !stored);
