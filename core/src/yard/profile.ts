/** Ground over a run as it lies on the plan, for cover and depth between its landings. */
import { keptOf, ofKind, type Job } from '../job/job';
import type { Run } from '../job/kinds';
import { placeAlong, placeOfLanding } from '../job/places';
import { step } from '../numeric/kept';
import type { Surface } from '../ground/surface';
import { wayLength, type Place } from '../site/place';
import { groundOf } from './ground';

export interface GroundStation {
  /** From the run's head, m along it. */
  along: number;
  /** m above zero. */
  level: number;
}

/** m */
const STEP = 0.5;

/** A run on levelled ground. */
interface OnGround {
  surface: Surface;
  run: Run;
  /** Where its two ends lie. */
  from: Place;
  to: Place;
}

/** Ground along it, its ends left out, where it was levelled; in the run's own length. */
export function stationsOver({ surface, run, from, to }: OnGround): readonly GroundStation[] {
  const way = [from, ...(run.bends ?? []), to];
  const whole = wayLength(way);
  const count = Math.ceil(whole / STEP);
  const stations: GroundStation[] = [];
  for (let k = 1; k < count; k++) {
    const level = surface.levelAt(placeAlong(way, (whole * k) / count));
    if (level !== null) stations.push({ along: (run.length * k) / count, level });
  }
  return stations;
}

const stationsOfRun = step('ground over a run', stationsOver);

/** Ground along a run, its ends left out, where it was levelled; none of a run that is not on the plan. `along` is in the run's own length. */
export function groundOver(job: Job, run: Run): readonly GroundStation[] {
  const from = placeOfLanding(job.elements.get(run.from));
  const to = placeOfLanding(job.elements.get(run.to));
  const { surface } = groundOf(job);
  return from && to && surface ? keptOf(job).ask(stationsOfRun, { surface, run, from, to }, run.id) : [];
}

/** True where any run lies on levelled ground: what is judged along the way has something to judge. */
export const hasGround = (job: Job): boolean =>
  (ofKind(job, 'spotLevel').length > 0 || ofKind(job, 'breakline').length > 0) && groundOf(job).surface !== null;
