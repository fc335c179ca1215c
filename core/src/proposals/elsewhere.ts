/** Whether a line of one plan lies where another has one. */
import { ofKind } from '../job/job';
import { placeAlong, wayOfRun } from '../job/places';
import { footOnWay, wayLength, type Place } from '../site/place';
import type { Laid } from './proposals';

/** Nearer than so two lines lie in one place, m: a cell's width. */
const SAME = 0.75;

/** Whether a way leaves the lines of a plan anywhere. */
export function liesElsewhere(way: readonly Place[], { job }: Laid): boolean {
  const lines = ofKind(job, 'run').flatMap((run) => {
    const other = wayOfRun(job, run);
    return other ? [other] : [];
  });
  const length = wayLength(way);
  const count = Math.max(1, Math.ceil(length / SAME));
  return Array.from({ length: count + 1 }, (_, k) => placeAlong(way, (k / count) * length)).some((place) =>
    lines.every((line) => (footOnWay(line, place)?.distance ?? Infinity) > SAME),
  );
}
