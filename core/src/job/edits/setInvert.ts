/** Setting the pipe's level at a landing by hand, and leaving it to the line again. */
import { put, type Change } from '../change';
import { nameOf, ofKind, type Job } from '../job';
import type { Run } from '../kinds';

type Levels = Extract<Run['grade'], { type: 'levels' }>;

const levelsOf = (run: Run): Levels => (run.grade.type === 'levels' ? run.grade : { type: 'levels' });

/** The run's end whose grade says a landing's level: the run that leaves it, or at a discharge the one that arrives. */
function endAt(job: Job, landing: string): { run: Run; end: 'up' | 'down' } | null {
  const runs = ofKind(job, 'run');
  const leaving = runs.find((run) => run.from === landing);
  if (leaving) return { run: leaving, end: 'up' };
  const arriving = runs.find((run) => run.to === landing);
  return arriving ? { run: arriving, end: 'down' } : null;
}

/** The change that sets the invert at a landing to a level (m); null where no pipe is. */
export function setInvert(job: Job, landing: string, invert: number): Change | null {
  const at = endAt(job, landing);
  if (!at) return null;
  return put(`Set level at ${nameOf(job, landing)}`, {
    ...at.run,
    grade: { ...levelsOf(at.run), [at.end]: invert },
  });
}

/** The invert set by hand at a landing, m; undefined when the line finds its own. */
export function invertSetAt(job: Job, landing: string): number | undefined {
  const at = endAt(job, landing);
  return at?.run.grade.type === 'levels' ? at.run.grade[at.end] : undefined;
}

/** The change that lets the line find its own level at a landing again; null when it does already. */
export function freeInvert(job: Job, landing: string): Change | null {
  const at = endAt(job, landing);
  if (!at || invertSetAt(job, landing) === undefined) return null;
  const { [at.end]: _gone, ...rest } = levelsOf(at.run);
  const kept: Levels = rest;
  const grade: Run['grade'] = kept.up === undefined && kept.down === undefined ? { type: 'auto' } : kept;
  return put(`Let go of level at ${nameOf(job, landing)}`, { ...at.run, grade });
}
