/** Taking an element out of a job without leaving anything pointing at nothing. */
import type { Change } from '../change';
import { nameOf, ofKind, type Job } from '../job';
import { isLaid, type Element, type Run } from '../kinds';
import { unlinked } from '../links';

/** Elements that led to any of some ids, without those links. */
function unledTo(job: Job, ids: ReadonlySet<string>): Element[] {
  return job.elements.all.flatMap((element) => {
    if (ids.has(element.id)) return [];
    const left = [...ids].reduce(unlinked, element);
    return left === element ? [] : [left];
  });
}

/**
 * The change that removes an element. Links that led to it, or to a run that goes with it, go too; a run that arrived at a removed landing is
 * carried on to where the landing's own run went, with both lengths, so that a line is not cut by taking a wye out of it. An old pipe that
 * carries nothing any more goes with its end.
 */
export function removal(job: Job, id: string): Change {
  const there = ofKind(job, 'run').filter((run) => run.from === id || run.to === id);
  const leaving = there.find((run) => run.from === id && isLaid(run));
  // Two runs between one pair of landings would become one from a landing to itself.
  const goesOn = (run: Run): boolean =>
    leaving !== undefined && run.to === id && isLaid(run) && leaving.to !== run.from;
  const gone = there.filter((run) => !goesOn(run));
  const removes = [id, ...gone.map((run) => run.id)];
  const carried = there.filter(goesOn).map((run) => carriedOn(run, leaving!));
  return { label: `Take out ${nameOf(job, id)}`, puts: [...unledTo(job, new Set(removes)), ...carried], removes };
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
