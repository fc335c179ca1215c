/** The ground's picture with its words. */
import { headOf, pondWords, showLevel, text, type GroundPicture, type Job } from '@katabasis/core';
import type { GroundOnPlan } from '../../drawing/yard/drawn';

export function groundOnPlan(job: Job, picture: GroundPicture): GroundOnPlan {
  const { units } = headOf(job);
  return {
    ...picture,
    wordsOf: (level) => text(showLevel(level, units)),
    ponds: picture.ponds.map(({ pond, ...drawn }, k) => ({
      ...drawn,
      id: String(k),
      words: pondWords(job, pond),
      chosen: false,
    })),
  };
}
