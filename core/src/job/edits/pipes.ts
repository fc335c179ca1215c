/** Small edits that fixes are made of. */
import { applyChange, put, type Change } from '../change';
import { isLaid, type Discharge, type Run } from '../kinds';
import { elementOf, headOf, ofKind, type Job } from '../job';
import type { Settings } from '../settings';

export const runOf = (job: Job, id: string): Run => elementOf(job, 'run', id)!;
export const dischargeOf = (job: Job, id: string): Discharge => elementOf(job, 'discharge', id)!;

/** The run that leaves a landing. */
export const runFrom = (job: Job, landing: string): Run | undefined =>
  ofKind(job, 'run').find((run) => run.from === landing);

/** The run that leaves a landing and still carries water; and those that come to it. */
export const leaving = (job: Job, landing: string): Run | undefined =>
  ofKind(job, 'run').find((run) => run.from === landing && isLaid(run));
export const entering = (job: Job, landing: string): Run[] =>
  ofKind(job, 'run').filter((run) => run.to === landing && isLaid(run));

/** Runs downstream of a landing, in order. */
export function downstream(job: Job, landing: string): Run[] {
  const leaving = new Map(ofKind(job, 'run').map((run) => [run.from, run]));
  const found: Run[] = [];
  for (let run = leaving.get(landing); run && found.length <= leaving.size; run = leaving.get(run.to)) found.push(run);
  return found;
}

/** A run of another nominal size; an inside diameter of its own no longer holds. */
export function resized(run: Run, nominal: number): Run {
  const { insideDiameter: _gone, ...rest } = run;
  return { ...rest, nominal };
}

/** Sets a run to a size and every smaller one below it too, so that the line never narrows. */
export function sizeDown(job: Job, run: Run, nominal: number, label: string): Change {
  const below = downstream(job, run.to).filter((next) => next.nominal < nominal - 1e-9);
  return put(label, ...[run, ...below].map((each) => resized(each, nominal)));
}

export function withSettings(job: Job, label: string, settings: Partial<Settings>): Change {
  const head = headOf(job);
  return put(label, { ...head, settings: { ...head.settings, ...settings } });
}

/** The changes of several edits as one step. */
export function together(job: Job, label: string, changes: Change[]): Change {
  let after = job;
  const touched = new Set<string>();
  for (const change of changes) {
    for (const element of change.puts) touched.add(element.id);
    after = applyChange(after, change).job;
  }
  return put(label, ...[...touched].map((id) => after.elements.get(id)!));
}
