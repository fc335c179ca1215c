/** An old system as the page tells it. */
import type { Job } from '@katabasis/core';
import { lookWords, looksFor, standsWords, unknownWords, type LookKind, type Worlds } from '@katabasis/core/old-system';

/** How an old system stands in the ways that it may lie, and what to look at next. */
export interface OldTold {
  stands: string;
  /** What is told most often where it does not hold. */
  worst: string | null;
  holds: number;
  unknown: readonly { run: string; says: string }[];
  looks: readonly { run: string; kind: LookKind; title: string; about: string }[];
}
/** Looks that are told. */
const LOOKS = 4;

export const oldTold = (job: Job, worlds: Worlds): OldTold => ({
  stands: standsWords(worlds),
  // Where nothing is unknown the verdict says all.
  worst: worlds.unknowns.length > 0 ? (worlds.worst?.sentence ?? null) : null,
  holds: worlds.holds,
  unknown: worlds.unknowns.map((each) => ({ run: each.run, says: unknownWords(job, each) })),
  looks: looksFor(job, worlds)
    .slice(0, LOOKS)
    .map((look) => ({ run: look.run, kind: look.kind, ...lookWords(job, look) })),
});
