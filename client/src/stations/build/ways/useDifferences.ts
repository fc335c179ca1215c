/** What every side of every question would change in this job, worked out one after another. */
import type { Difference, School } from '@katabasis/core';
import { findDifferences } from '../../../planning/planner';
import { useJob } from '../../../planning/useJob';
import { useWorked } from '../../../planning/useWorked';

/** Of a question and a side. */
export const sideKey = (school: School, side: string): string => `${school.id} ${side}`;

/** By question and side; those that are not there yet are still being worked out. */
export function useDifferences(schools: readonly School[]): ReadonlyMap<string, Difference> {
  const { job } = useJob();
  const worked = useWorked<ReadonlyMap<string, Difference>>([job], async (signal, give) => {
    const asked = schools.flatMap((school) =>
      school.sides
        .filter(({ id }) => id !== school.chosen(job))
        .map(({ id }) => ({ key: sideKey(school, id), change: school.choose(job, id) })),
    );
    const known = new Map<string, Difference>();
    const changes = asked.map(({ change }) => change);
    await findDifferences(job, changes, signal, (difference) => {
      known.set(asked[known.size]!.key, difference);
      give(new Map(known));
    });
  });
  return worked ?? NONE;
}

const NONE: ReadonlyMap<string, Difference> = new Map();
