/** What each of several choices would give, worked out one after another; fewer while it is being worked out. */
import type { Change, Job } from '@katabasis/core';
import { tryChange } from './planner';
import type { Tried } from './planning';
import { useWorked } from './useWorked';

/** `on`: what the changes are made of; another asks anew. */
export function useTries<T>(
  job: Job,
  choices: readonly T[],
  change: (choice: T) => Change,
  on: unknown,
): readonly Tried[] {
  const tries = useWorked<Tried[]>([job, on], async (signal, give) => {
    const made: Tried[] = [];
    for (const choice of choices) {
      made.push(await tryChange(job, change(choice), signal));
      give([...made]);
    }
  });
  return tries ?? [];
}
