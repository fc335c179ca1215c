/** Questions that are other drawings: what is built at each place, and what a job looks like built otherwise. */
import { changed, type Change } from '../../job/change';
import type { Job } from '../../job/job';
import type { Element } from '../../job/kinds';
import { unlinked } from '../../job/links';
import { changeLabel, type School } from '../school';

interface RedrawnQuestion<U> extends Pick<School, 'id' | 'question' | 'sides'> {
  /** Places where the question is asked; each is worked on in the job as the ones before it left it. */
  places: (job: Job) => readonly U[];
  sideOf: (place: U, job: Job) => string;
  /** The job with that place on a side; the same job where it cannot be built so. */
  redraw: (job: Job, place: U, side: string) => Job;
}

/** The change from one job to another. */
export function changeTo(label: string, before: Job, after: Job): Change {
  return {
    label,
    puts: after.elements.all.filter((element) => before.elements.get(element.id) !== element),
    removes: before.elements.all.flatMap(({ id }) => (after.elements.has(id) ? [] : [id])),
  };
}

/** A question whose sides are drawn: the side of a job is the one that all its places are on. */
export function redrawnQuestion<U>({ places, sideOf, redraw, ...question }: RedrawnQuestion<U>): School {
  return {
    ...question,
    group: 'built',
    asks: (job) => places(job).length > 0,
    chosen: (job) => {
      const [first, ...others] = places(job).map((place) => sideOf(place, job));
      return first !== undefined && others.every((side) => side === first) ? first : null;
    },
    choose: (job, side) => {
      const after = places(job)
        .filter((place) => sideOf(place, job) !== side)
        .reduce((now, place) => redraw(now, place, side), job);
      return changeTo(changeLabel(job, question, side), job, after);
    },
  };
}

/** The job with some elements put. */
export const withPuts = (job: Job, ...puts: Element[]): Job => changed(job, { puts, removes: [] });

/** The job without some elements, and without what led to them. Pipes from and to them have been led elsewhere before. */
export function without(job: Job, ...ids: string[]): Job {
  const gone = new Set(ids);
  const puts = job.elements.all.flatMap((element) => {
    if (gone.has(element.id)) return [];
    const left = ids.reduce(unlinked, element);
    return left === element ? [] : [left];
  });
  return changed(job, { puts, removes: ids });
}
