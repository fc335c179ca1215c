/** A thing moved as a whole on the plan, with what stands on it. */
import { distanceTo, isWithin, middleOf, type Place } from '../../site/place';
import type { Change } from '../change';
import { nameOf, ofKind, type Job } from '../job';
import type { Element } from '../kinds';
import { placesOf, putDown } from '../places';

/** A downspout as near to a wall as this hangs on it, m. */
const ON_WALL = 1;

/** An element moved by so many m east and north: the eave of a roof goes with it, and nothing of it turns. */
function shifted(element: Element, by: Place): Element {
  const on = (place: Place): Place => ({ east: place.east + by.east, north: place.north + by.north });
  const moved = putDown(element, placesOf(element).map(on));
  return moved.kind === 'roofFace' && moved.eave ? { ...moved, eave: moved.eave.map(on) } : moved;
}

/** What goes along with a building: roof faces over it and downspouts on its walls. Openings lie on its walls and need no telling. */
function on(job: Job, outline: readonly Place[]): Element[] {
  const faces = ofKind(job, 'roofFace').filter((face) => face.outline && isWithin(outline, middleOf(face.outline)));
  const down = ofKind(job, 'downspout').filter(({ place }) => place && distanceTo(outline, place) <= ON_WALL);
  return [...faces, ...down];
}

/** The change that moves an element by so many m east and north; null of one that is not on the plan. */
export function moveWhole(job: Job, id: string, by: Place): Change | null {
  const element = job.elements.get(id);
  if (!element || placesOf(element).length === 0) return null;
  const along = element.kind === 'building' && element.outline ? on(job, element.outline) : [];
  return {
    label: `Move ${nameOf(job, id)}`,
    puts: [element, ...along].map((each) => shifted(each, by)),
    removes: [],
  };
}
