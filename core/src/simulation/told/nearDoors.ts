/** What stands near doors where no ground is measured between them. */
import { ofKind, type Job } from '../../job/job';
import type { Landing } from '../../job/kinds';
import { placesOf, wayOfOpening } from '../../job/places';
import { NEAR } from '../../openings/reach';
import { footOnWay, type Place } from '../../site/place';

/** How far a door is from water, m; ∞ of what lies nowhere on the plan. */
export const awayFrom = (door: readonly Place[], places: readonly Place[]): number =>
  Math.min(
    ...places.map((place) => footOnWay(door, place)!.distance),
    ...(places.length > 1 ? door.map((side) => footOnWay(places, side)!.distance) : []),
  );

/** The lowest sill that water at a landing stands against, m: its own, or of a door near it; ∞ without one. */
export function lowestSillAt(job: Job, landing: Landing): number {
  const own = 'sillLevel' in landing ? landing.sillLevel : undefined;
  const places = placesOf(landing);
  const near = ofKind(job, 'opening').flatMap((opening) => {
    const way = places.length > 0 ? wayOfOpening(job, opening) : null;
    return way && awayFrom(way, places) <= NEAR ? (opening.sillLevel ?? []) : [];
  });
  return Math.min(own ?? Infinity, ...near);
}
