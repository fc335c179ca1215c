/** Doors and window wells that the water of a swale comes near. */
import { elementOf, ofKind, type Job } from '../job/job';
import { wayOfOpening } from '../job/places';
import { footOnWay, wayLength } from '../site/place';
import { waterAt, type SwalePlan } from './swale';

/** An opening this near to a swale is one that its water reaches, m. */
const NEAR = 3;

/** Openings beside a swale that carries water, by id, and what is left from the water there to each sill, m. */
export function sillsBeside(job: Job, id: string, plan: SwalePlan): { opening: string; left: number }[] {
  const way = elementOf(job, 'swale', id)?.way;
  if (!way || plan.flow <= 0) return [];
  return ofKind(job, 'opening').flatMap((opening) => {
    const { sillLevel } = opening;
    if (sillLevel === undefined) return [];
    // Water falls along the wall: what counts is the side of the opening that it comes to first, whichever that is.
    const near = (wayOfOpening(job, opening) ?? []).flatMap((side) => {
      const foot = footOnWay(way, side);
      return foot && foot.distance <= NEAR ? [waterAt(plan, foot.along / wayLength(way))] : [];
    });
    return near.length > 0 ? [{ opening: opening.id, left: sillLevel - Math.max(...near) }] : [];
  });
}
