/** Whether a line of one plan lies where another has one. */
import { ofKind } from '../job/job';
import { wayOfRun } from '../job/places';
import { footOnWay, type Place } from '../site/place';
import type { Laid } from './proposals';

/** Nearer than so two lines lie in one place, m: a cell's width. */
const SAME = 0.75;

/** Whether a way leaves the lines of a plan anywhere. */
export function liesElsewhere(way: readonly Place[], { job }: Laid): boolean {
  const lines = ofKind(job, 'run').flatMap((run) => {
    const other = wayOfRun(job, run);
    return other ? [other] : [];
  });
  return way.some((place) => lines.every((line) => (footOnWay(line, place)?.distance ?? Infinity) > SAME));
}
