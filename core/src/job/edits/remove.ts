/** Taking an element out of a job without leaving anything pointing at nothing. */
import type { Change } from '../change';
import { nameOf, ofKind, type Job } from '../job';
import type { Element, Run } from '../kinds';
import { unlinked } from '../links';

/** Elements that led to `id`, without that link. */
function unledTo(job: Job, id: string): Element[] {
  return job.elements.all.flatMap((element) => {
    const changed = unlinked(element, id);
    return changed === element ? [] : [changed];
  });
}

/**
 * The change that removes an element. Links that led to it go too; a run that arrived at a removed landing is carried on to
 * where the landing's own run went, with both lengths, so that a line is not cut by taking a wye out of it.
 */
export function removal(job: Job, id: string): Change {
  const puts = unledTo(job, id);
  const removes = [id];
  const runs = ofKind(job, 'run');
  const leaving = runs.find((run) => run.from === id);
  if (leaving) removes.push(leaving.id);
  for (const run of runs) {
    if (run.to !== id) continue;
    // Two runs between one pair of landings would become one from a landing to itself.
    if (leaving && leaving.to !== run.from) puts.push(carriedOn(run, leaving));
    else removes.push(run.id);
  }
  return { label: `Remove ${nameOf(job, id)}`, puts, removes };
}

function carriedOn(run: Run, next: Run): Run {
  return {
    ...run,
    to: next.to,
    length: run.length + next.length,
    nominal: Math.max(run.nominal, next.nominal),
    grade: { type: 'auto' },
  };
}
