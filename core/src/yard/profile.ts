/** Ground over a run as it lies on the plan, for cover and depth between its landings. */
import { ofKind, type Job } from '../job/job';
import type { Run } from '../job/kinds';
import { placeAlong, wayOfRun } from '../job/places';
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

/** What was found for a run, for as long as it, its ends' places and the ground are the same. */
const known = new WeakMap<Run, { surface: Surface; from: Place; to: Place; stations: GroundStation[] }>();

/** Ground along a run, its ends left out, where it was levelled; none of a run that is not on the plan. `along` is in the run's own length. */
export function groundOver(job: Job, run: Run): GroundStation[] {
  const way = wayOfRun(job, run);
  const { surface } = groundOf(job);
  if (!way || !surface) return [];
  const [from, to] = [way[0]!, way.at(-1)!];
  const before = known.get(run);
  if (before && before.surface === surface && before.from === from && before.to === to) return before.stations;
  const whole = wayLength(way);
  const count = Math.ceil(whole / STEP);
  const stations: GroundStation[] = [];
  for (let k = 1; k < count; k++) {
    const level = surface.levelAt(placeAlong(way, (whole * k) / count));
    if (level !== null) stations.push({ along: (run.length * k) / count, level });
  }
  known.set(run, { surface, from, to, stations });
  return stations;
}

/** True where any run lies on levelled ground: what is judged along the way has something to judge. */
export const hasGround = (job: Job): boolean =>
  (ofKind(job, 'spotLevel').length > 0 || ofKind(job, 'breakline').length > 0) && groundOf(job).surface !== null;
