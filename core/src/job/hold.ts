/** Setting the pipe's level at a landing by hand, and letting go of it. */
import { put, type Change } from './change';
import type { Run } from './elements';
import { nameOf, ofKind, type Job } from './job';

type Levels = Extract<Run['grade'], { type: 'levels' }>;

const levelsOf = (run: Run): Levels => (run.grade.type === 'levels' ? run.grade : { type: 'levels' });

/** The run whose grade holds a landing's level: the one that leaves it, or at a discharge the one that arrives. */
function holder(job: Job, landing: string): { run: Run; end: 'up' | 'down' } | null {
  const runs = ofKind(job, 'run');
  const leaving = runs.find((run) => run.from === landing);
  if (leaving) return { run: leaving, end: 'up' };
  const arriving = runs.find((run) => run.to === landing);
  return arriving ? { run: arriving, end: 'down' } : null;
}

/** The change that holds the invert at a landing at a level (m); null where no pipe is. */
export function holdInvert(job: Job, landing: string, invert: number): Change | null {
  const held = holder(job, landing);
  if (!held) return null;
  return put(`Set level at ${nameOf(job, landing)}`, {
    ...held.run,
    grade: { ...levelsOf(held.run), [held.end]: invert },
  });
}

/** The invert held at a landing, m; undefined when the line finds its own. */
export function heldInvert(job: Job, landing: string): number | undefined {
  const held = holder(job, landing);
  return held?.run.grade.type === 'levels' ? held.run.grade[held.end] : undefined;
}

/** The change that lets the line find its own level at a landing again; null when it does already. */
export function releaseInvert(job: Job, landing: string): Change | null {
  const held = holder(job, landing);
  if (!held || heldInvert(job, landing) === undefined) return null;
  const { [held.end]: _gone, ...kept } = levelsOf(held.run);
  const rest: Levels = kept;
  const grade: Run['grade'] = rest.up === undefined && rest.down === undefined ? { type: 'auto' } : rest;
  return put(`Let go of level at ${nameOf(job, landing)}`, { ...held.run, grade });
}
