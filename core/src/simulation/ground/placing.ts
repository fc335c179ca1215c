/** Where the things of a job stand on its measured ground; on no ground nothing stands anywhere. */
import { cellAt, cellsAlong } from '../../ground/grid';
import type { Job } from '../../job/job';
import type { Landing, Surface } from '../../job/kinds';
import { placeOfLanding } from '../../job/places';
import { centreOf, type Place } from '../../site/place';
import { isGround } from './groundFaces';
import type { JobGround } from './groundOfJob';

/** From how far about an inlet draws water in a step, m. */
const DRAWS = 0.5;

function isOn(ground: JobGround, place: Place | undefined): boolean {
  const at = place ? cellAt(ground.grid, place) : -1;
  return at >= 0 && !Number.isNaN(ground.grid.levels[at]!);
}

/** Whether the measured ground carries a surface's rain: it lies on it, or what it sheds to does. */
export function isGrounded(ground: JobGround | null, job: Job, { outline, cover, feeds }: Surface): boolean {
  if (!ground) return false;
  if (outline) return isOn(ground, centreOf(outline));
  if (cover === 'roof') return false;
  return feeds.some(({ to }) => isOn(ground, placeOfLanding(job.elements.get(to))));
}

/** Cells of the ground that a landing stands in, its own first, and those that it draws from: beside a wall the nearest one that water can stand in. */
export function cellsUnder(ground: JobGround | null, landing: Landing): number[] {
  if (!ground) return [];
  const { grid } = ground;
  if ((landing.kind === 'channel' || landing.kind === 'stoneDrain') && landing.way)
    return [...new Set(cellsAlong(grid, landing.way))].filter((at) => isGround(grid, at));
  const place = placeOfLanding(landing);
  const at = place ? cellAt(grid, place) : -1;
  if (!place || at < 0) return [];
  const own = [0, 1, -1, grid.cols, -grid.cols].map((by) => at + by).find((each) => isGround(grid, each));
  if (own === undefined) return [];
  // Water is drawn from as wide about however small the cells are: from one alone no more would be had than stands on it.
  const reach = Math.floor(DRAWS / grid.cell);
  const about: number[] = [];
  for (let up = -reach; up <= reach; up++)
    for (let by = -reach; by <= reach; by++) {
      const beside: number = own + up * grid.cols + by;
      if (beside !== own && Math.hypot(up, by) * grid.cell <= DRAWS && isGround(grid, beside)) about.push(beside);
    }
  return [own, ...about];
}
