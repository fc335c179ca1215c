/** Old pipe lies where it lies: no fix lays it anew in another size, make or pitch. */
import type { Change } from '../job/change';
import { elementOf, type Job } from '../job/job';
import type { Element, Run } from '../job/kinds';

const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/** An old run of the job that stays in use; null of any other element. */
function oldRun(job: Job, { id, kind }: Element): Run | null {
  const run = kind === 'run' ? elementOf(job, 'run', id) : undefined;
  return run?.old?.fate === 'kept' ? run : null;
}

/**
 * A change worked out on a job as its places say (`here`), as it is made to the job as it was given: old pipes keep the grade that they were
 * given. Null where it would lay one otherwise.
 */
export function leaveOld(given: Job, here: Job, change: Change): Change | null {
  let touched = false;
  const puts: Element[] = [];
  for (const put of change.puts) {
    const old = oldRun(given, put);
    if (!old || put.kind !== 'run' || put.old?.fate !== 'kept') {
      puts.push(put);
      continue;
    }
    const found = elementOf(here, 'run', put.id)?.grade;
    if (put.nominal !== old.nominal || put.material !== old.material) return null;
    if (!same(put.grade, found) && !same(put.grade, old.grade)) return null;
    puts.push({ ...put, grade: old.grade });
    touched = true;
  }
  return touched ? { ...change, puts } : change;
}
