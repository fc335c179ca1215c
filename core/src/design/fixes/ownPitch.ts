/** Levels and pitches set by hand that keep a run from a sound grade: left to the line again. */
import { put } from '../../job/change';
import { downstream, runOf } from '../../job/edits/pipes';
import type { Job } from '../../job/job';
import { ofKind } from '../../job/job';
import type { Run } from '../../job/kinds';
import { fixOfChange, type Fix, type FixRule } from './fix';

/** Leaves the grades of runs to the line. */
export const free = (runs: readonly Run[]): Fix =>
  fixOfChange(
    put('Let the line find its own pitch', ...runs.map((run) => ({ ...run, grade: { type: 'auto' as const } }))),
  );

/** Frees the grades set by hand that hold a run up: its own, that of the next one below, those all down the line, and those right above. */
export function* freed(job: Job, id: string): Iterable<Fix> {
  const set = (runs: readonly (Run | undefined)[]): Run[] =>
    runs.filter((run): run is Run => run !== undefined && run.grade.type !== 'auto');
  const run = runOf(job, id);
  const down = downstream(job, run.to);
  const above = ofKind(job, 'run').filter((each) => each.to === run.from);
  const tried = new Set<string>();
  for (const runs of [
    [run],
    [run, down.find((next) => next.grade.type !== 'auto')],
    [run, ...down],
    [...above, run, ...down],
  ]) {
    const some = set(runs);
    const key = some.map((each) => each.id).join();
    if (some.length === 0 || tried.has(key)) continue;
    tried.add(key);
    yield free(some);
  }
}

export const ownPitch: readonly FixRule[] = ['adversePitch', 'underLeastPitch', 'hangsOut'].map((code) => ({
  code,
  candidates: (snag, job) => freed(job, snag.at),
}));
