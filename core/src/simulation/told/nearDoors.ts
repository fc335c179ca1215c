/** What stands near doors where no ground is measured between them. */
import { ofKind, type Job } from '../../job/job';
import type { Landing } from '../../job/kinds';
import { placesOf, wayOfOpening } from '../../job/places';
import { away } from '../../openings/doors';
import { NEAR } from '../../openings/reach';

/** The lowest sill that water at a landing stands against, m: its own, or of a door near it; ∞ without one. */
export function lowestSillAt(job: Job, landing: Landing): number {
  const own = 'sillLevel' in landing ? landing.sillLevel : undefined;
  const places = placesOf(landing);
  const near = ofKind(job, 'opening').flatMap((opening) => {
    const way = places.length > 0 ? wayOfOpening(job, opening) : null;
    return way && away(way, places) <= NEAR ? (opening.sillLevel ?? []) : [];
  });
  return Math.min(own ?? Infinity, ...near);
}
