/** What of a job lies on its plan, in the order in which it is drawn: ground first, marks last. */
import {
  isLanding,
  kindOf,
  placesOf,
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

/** From what lies lowest to what lies on top. */
const ORDER: readonly ElementKind[] = [
  'surface',
  'building',
  'roofFace',
  'barrier',
  'breakline',
  'service',
  'tree',
  'run',
  'opening',
  'spotLevel',
  'soilTest',
  'photo',
  'wetSpot',
  'fixedFlow',
  'junction',
  'channel',
  'downspout',
  'basin',
  'discharge',
];

const things = new WeakMap<Element, Thing>();

/** The place of an opening: along its wall. */
function placesHere(job: Job, element: Element): { shape: Shape; places: readonly Place[] } | null {
  if (element.kind === 'run') {
    const way = wayOfRun(job, element);
    return way ? { shape: 'way', places: way } : null;
  }
  if (element.kind === 'opening') {
    const building = element.building === undefined ? undefined : job.elements.get(element.building);
    const outline = building?.kind === 'building' ? building.outline : undefined;
    if (!outline || element.wall === undefined) return null;
    const [a, b] = [outline[element.wall % outline.length]!, outline[(element.wall + 1) % outline.length]!];
    const length = Math.hypot(b.east - a.east, b.north - a.north) || 1;
    const half = (element.width ?? 0.9) / 2;
    const at = (along: number): Place => ({
      east: a.east + ((b.east - a.east) * along) / length,
      north: a.north + ((b.north - a.north) * along) / length,
    });
    const middle = element.along ?? length / 2;
    return { shape: 'way', places: [at(middle - half), at(middle + half)] };
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
