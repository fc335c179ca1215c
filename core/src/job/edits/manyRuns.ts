/** One thing set for many pipes at once. */
import { ofKind, type Job } from '../job';
import { put, type Change } from '../change';
import { isNew, type Run } from '../kinds';
import { isWithin, wayLength, type Place } from '../../site/place';
import { placeAlong, wayOfRun } from '../places';

/** What may be set of many. */
export type ManyFields = Partial<Pick<Run, 'material' | 'under'>>;

/** Pipes that are laid anew of those asked for, or all; what was here before stays as it was found. */
export const newRuns = (job: Job, ids?: readonly string[]): Run[] => {
  const asked = ids && new Set(ids);
  return ofKind(job, 'run').filter((run) => isNew(run) && (!asked || asked.has(run.id)));
};

/** Places along a pipe that are looked at. */
const LOOKED = 20;

/** New pipes that lie within an outline for half of their length at least; none while it has no three corners. */
export const runsWithin = (job: Job, outline: readonly Place[]): Run[] =>
  outline.length < 3
    ? []
    : newRuns(job).filter((run) => {
        const way = wayOfRun(job, run);
        if (!way) return false;
        const whole = wayLength(way);
        const inside = Array.from({ length: LOOKED }, (_, k) =>
          isWithin(outline, placeAlong(way, (whole * (k + 0.5)) / LOOKED)),
        );
        return inside.filter(Boolean).length >= LOOKED / 2;
      });

/** What all of some pipes have in common; null where they differ, or there are none. */
export function commonOf<K extends keyof ManyFields>(
  runs: readonly Run[],
  field: K,
  usual?: NonNullable<Run[K]>,
): NonNullable<Run[K]> | null {
  const [first, ...others] = runs.map((run) => run[field] ?? usual);
  return first !== undefined && others.every((each) => each === first) ? (first as NonNullable<Run[K]>) : null;
}

/** Sets fields of many pipes in one step; those that have them already are left as they are. */
export const manyRuns = (label: string, runs: readonly Run[], by: ManyFields): Change =>
  put(
    label,
    ...runs
      .filter((run) => Object.entries(by).some(([field, value]) => run[field as keyof ManyFields] !== value))
      .map((run) => ({ ...run, ...by })),
  );
