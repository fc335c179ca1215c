/** The change that mends a snag, looked for among what a crew would try. */
import type { Change } from '../../job/change';
import type { Job } from '../../job/job';
import type { Solution } from '../../plan/solution';
import type { Snag } from '../../snags/snag';

export interface Fix {
  label: string;
  change: Change;
  /** What comes with it that was not so bad before, in sentences; absent where nothing does. */
  brings?: string[];
}

/** How one kind of snag is mended. */
export interface FixRule {
  /** The snag's. */
  code: string;
  /** What a crew would try, mildest first; none when only a person on site can mend it. Each is proved before it is offered. */
  candidates(snag: Snag, job: Job, solution: Solution): Iterable<Fix>;
}

/** A change as a fix under its own label. */
export const fixOfChange = (change: Change): Fix => ({ label: change.label, change });
