/** What a pipe runs into under the ground, by the hand: step by step along each, is another one there at its depth? */
import { ofKind } from '../../job/job';
import { isLaid, isNew, type Run } from '../../job/kinds';
import { placeAlong, wayOfRun } from '../../job/places';
import { wayLength, type Place } from '../../site/place';
import type { Walk } from './walking';

/** m between two looks, and by how much a depth may be told otherwise. */
const STEP = 0.1;
const TOLD = 0.02;
/** Nearer than this to where a line ends it ends there, or is joined, m. */
const END = 0.5;

interface Point {
  at: Place;
  level: number;
}

/** The middle of a pipe in small steps, without its ends. */
function axis(run: Run, way: readonly Place[], up: number, down: number): Point[] {
  const whole = wayLength(way);
  const points: Point[] = [];
  for (let gone = END; gone < whole - END; gone += STEP)
    points.push({ at: placeAlong(way, gone), level: up + ((down - up) * gone) / whole + run.nominal / 2 });
  return points;
}

export function walkClash({ job, plan, wrong }: Walk): void {
  const lines = ofKind(job, 'run').flatMap((run) => {
    const planned = plan.runs[run.id];
    const way = wayOfRun(job, run);
    return planned && way && isLaid(run) ? [{ run, points: axis(run, way, planned.invertUp, planned.invertDown) }] : [];
  });
  lines.forEach(({ run: one, points }, k) => {
    for (const { run: other, points: others } of lines.slice(k + 1)) {
      const ends = [other.from, other.to];
      if (ends.includes(one.from) || ends.includes(one.to) || !(isNew(one) || isNew(other))) continue;
      if (one.beside === other.id || other.beside === one.id) continue;
      const thick = (one.nominal + other.nominal) / 2;
      const meets = points.some(({ at, level }) =>
        others.some(
          (each) =>
            Math.abs(level - each.level) < thick - TOLD &&
            Math.hypot(at.east - each.at.east, at.north - each.at.north) < 0.75 * STEP,
        ),
      );
      if (meets) wrong.push(`${one.id} lies in ${other.id} where they cross`);
    }
  });
}
