/** Words about a job as a whole. */
import type { JobState } from '@katabasis/core/first';

/** How far a job has come, as it is said. */
export const STATE_WORDS: Record<JobState, string> = {
  asked: 'Asked for',
  planned: 'Planned',
  offered: 'Offered',
  agreed: 'Agreed',
  digging: 'Digging',
  done: 'Done',
  dropped: 'Dropped',
};
