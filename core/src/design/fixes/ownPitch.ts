/** Levels and pitches set by hand that keep a run from a sound grade: left to the line again. */
import { put } from '../../job/change';
import { downstream, runOf } from '../../job/edits/pipes';
import type { Job } from '../../job/job';
import { fixOfChange, type Fix, type Mending } from './fix';

/** Frees the grades set by hand that hold a run up: its own, and the next one below. */
function freed(job: Job, id: string): Fix[] {
  const run = runOf(job, id);
  const below = downstream(job, run.to).find((next) => next.grade.type !== 'auto');
  const set = [run, ...(below ? [below] : [])].filter((each) => each.grade.type !== 'auto');
  if (set.length === 0) return [];
  const puts = set.map((each) => ({ ...each, grade: { type: 'auto' as const } }));
  return [fixOfChange(put('Let the line find its own pitch', ...puts))];
}

export const ownPitch: readonly Mending[] = ['adversePitch', 'coverShort', 'underLeastPitch'].map((code) => ({
  code,
  candidates: (snag, job) => freed(job, snag.at),
}));
