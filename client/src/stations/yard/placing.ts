/** What becomes of an element as it is put down or moved on the plan. */
import { distance, isLanding, kindOf, placesOf, putDown, type Element, type Place } from '@katabasis/core';
import type { Thing } from '../../drawing/yard/scene';

/** A landing that is put down takes the level of the ground there. */
export const grounded = (element: Element): Element =>
  isLanding(element) ? ({ ...element, levelFrom: 'ground' } as Element) : element;

/** What is drawn has its area from its outline, its length from its way, and no level but the book's. */
export function bare(element: Element): Element {
  if (element.kind === 'surface') {
    const { area: _area, ...rest } = element;
    return rest;
  }
  if (element.kind === 'roofFace') return { ...element, shape: { type: 'outline', pitch: 0.5 } };
  if (element.kind === 'swale') {
    const { length: _length, headLevel: _head, footLevel: _foot, ...rest } = element;
    return rest;
  }
  if ('way' in kindOf(element.kind).schema.shape && 'length' in element && element.kind !== 'channel') {
    const { length: _length, ...rest } = element;
    return rest as Element;
  }
  if (element.kind === 'drainField' || element.kind === 'pavedBed') {
    const { area: _area, ...rest } = element;
    return rest;
  }
  return element;
}

/** Nearer to each other two places of one way are one, m. */
const ONE_PLACE = 0.01;

/** The places that were tapped in turn, with one more; tapped where the last one is, it is that. */
export function withPlace(places: readonly Place[], place: Place): Place[] {
  const last = places.at(-1);
  return last && distance(last, place) < ONE_PLACE ? [...places] : [...places, place];
}

/** Corners that a finger can move: of a run its bends. */
export function handlesOf(thing: Thing | undefined): readonly Place[] {
  if (!thing) return [];
  if (thing.kind === 'run') return thing.places.slice(1, -1);
  return thing.kind === 'opening' ? [] : thing.places;
}

export function movedBy(element: Element, corner: number, place: Place): Element {
  if (element.kind === 'run')
    return { ...element, bends: (element.bends ?? []).map((each, k) => (k === corner ? place : each)) };
  return putDown(
    element,
    placesOf(element).map((each, k) => (k === corner ? place : each)),
  );
}
