/** What of a job lies on its plan, in the order in which it is drawn: ground first, marks last. */
import {
  isLanding,
  kindOf,
  placesOf,
  wayOfOpening,
  wayOfRun,
  type Element,
  type ElementKind,
  type Job,
  type Place,
  type Shape,
} from '@katabasis/core';

export interface Thing {
  id: string;
  kind: ElementKind;
  element: Element;
  shape: Shape;
  places: readonly Place[];
}

/** How high each kind lies in the drawing, from the ground up; null of what is not drawn. Those as high as one another lie in the order of this list. */
const HEIGHTS: Record<ElementKind, number | null> = {
  surface: 0,
  pavedBed: 1,
  drainField: 1,
  berm: 2,
  swale: 2,
  culvert: 2,
  drain: 2,
  sleeve: 2,
  stoneDrain: 2,
  building: 3,
  roofFace: 3,
  barrier: 4,
  breakline: 4,
  service: 4,
  tree: 4,
  run: 5,
  opening: 6,
  spotLevel: 6,
  soilTest: 6,
  photo: 6,
  wetSpot: 6,
  fixedFlow: 7,
  junction: 7,
  barrel: 7,
  channel: 7,
  downspout: 7,
  basin: 7,
  discharge: 8,
  job: null,
  rain: null,
  levelBook: null,
  underlay: null,
  clearance: null,
  note: null,
  step: null,
  variant: null,
  keeping: null,
  visit: null,
  complaint: null,
  outcome: null,
};
const ORDER = (Object.keys(HEIGHTS) as ElementKind[])
  .filter((kind) => HEIGHTS[kind] !== null)
  .sort((a, b) => HEIGHTS[a]! - HEIGHTS[b]!);

const things = new WeakMap<Element, Thing>();

/** The place of an opening: along its wall. */
function placesHere(job: Job, element: Element): { shape: Shape; places: readonly Place[] } | null {
  if (element.kind === 'run') {
    const way = wayOfRun(job, element);
    return way ? { shape: 'way', places: way } : null;
  }
  if (element.kind === 'opening') {
    const way = wayOfOpening(job, element);
    return way ? { shape: 'way', places: way } : null;
  }
  const { shape } = kindOf(element.kind);
  const places = placesOf(element);
  return shape === undefined || places.length === 0 ? null : { shape, places };
}

/** Everything that has a place, lowest first; a thing that did not move is the same object again. */
export function sceneOf(job: Job): Thing[] {
  return ORDER.flatMap((kind) =>
    job.elements.ofKind(kind).flatMap((element): Thing[] => {
      const here = placesHere(job, element);
      if (!here) return [];
      const known = things.get(element);
      if (known && sameWay(known.places, here.places)) return [known];
      const thing = { id: element.id, kind, element, ...here };
      things.set(element, thing);
      return [thing];
    }),
  );
}

const sameWay = (a: readonly Place[], b: readonly Place[]): boolean =>
  a.length === b.length && a.every((place, k) => place.east === b[k]!.east && place.north === b[k]!.north);

/** Landings, ways and grounds that could have a place, and have none. */
export const unplaced = (job: Job): Element[] =>
  job.elements.all.filter(
    (element) => (isLanding(element) || kindOf(element.kind).shape !== undefined) && placesOf(element).length === 0,
  );
