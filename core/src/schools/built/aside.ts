/** Where a second line lies beside a first on the plan: on the side that its own water comes from. */
import type { Job } from '../../job/job';
import type { Run } from '../../job/kinds';
import { placeOfLanding, wayOfRun } from '../../job/places';
import { bearing, leftness, onward, type Place } from '../../site/place';

/** Between two pipes in one trench, middle to middle, m: a foot. */
const APART = 0.3;

/** On which side of a line another comes to its head: −1 from the left, 1 from the right, as one looks down it. */
export function sideOf(job: Job, line: Run, branch: Run | undefined): -1 | 1 {
  const [head, next] = wayOfRun(job, line) ?? [];
  const from = branch && (branch.bends?.at(-1) ?? placeOfLanding(job.elements.get(branch.from)));
  return head && next && from && leftness(head, next, from) > 0 ? -1 : 1;
}

/** A run's head and its bends, moved so many trench places to a side; nothing where it is not on the plan. */
export function movedAside(job: Job, run: Run, places: number): { head: Place; bends: Place[] } | null {
  const way = wayOfRun(job, run);
  if (!way) return null;
  const moved = way.slice(0, -1).map((place, k) => {
    const down = bearing(place, way[k + 1]!);
    return onward(place, down + Math.sign(places) * (Math.PI / 2), Math.abs(places) * APART);
  });
  return { head: moved[0]!, bends: moved.slice(1) };
}
