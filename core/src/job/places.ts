/** Where what is in a job lies on the plan. */
import { between, wayLength, type Place } from '../site/place';
import type { Job } from './job';
import { isLanding, kindOf, type Element, type Opening, type Run } from './kinds';

/** Where a landing lies: its place, the lower end of its way, or the first corner of its outline, which its level is told at and its pipe leaves from. */
export function placeOfLanding(landing: Element | undefined): Place | undefined {
  if (!landing || !isLanding(landing)) return undefined;
  if ('way' in landing) return landing.way?.at(-1);
  if ('outline' in landing) return landing.outline?.[0];
  return 'place' in landing ? landing.place : undefined;
}

/** A run's way on the plan, from end to end by its bends; null while one of its ends has no place. */
export function wayOfRun(job: Job, run: Run): Place[] | null {
  const from = placeOfLanding(job.elements.get(run.from));
  if (!from) return null;
  const to = placeOfLanding(job.elements.get(run.to));
  return to ? [from, ...(run.bends ?? []), to] : null;
}

/** Less than this is no length to go by, m. */
const LEAST_LENGTH = 0.001;

/** A run's length, m: off the plan where that is said and both of its ends are there, else its own. */
export function lengthOfRun(job: Job, run: Run): number {
  const way = run.lengthFrom === 'plan' ? wayOfRun(job, run) : null;
  const length = way ? wayLength(way) : 0;
  return length > LEAST_LENGTH ? length : run.length;
}

/** Width of an opening that nobody has measured, m. */
const USUAL_WIDTH = 0.9;

/** An opening's two sides on its wall, from the left as its outline goes; null where that is not on the plan. */
export function wayOfOpening(job: Job, opening: Opening): Place[] | null {
  const building = opening.building === undefined ? undefined : job.elements.get(opening.building);
  return sidesOnWall(building?.kind === 'building' ? building.outline : undefined, opening);
}

/** The same on a building's outline. */
export function sidesOnWall(
  outline: readonly Place[] | undefined,
  { wall, along, width = USUAL_WIDTH }: Opening,
): Place[] | null {
  if (!outline || wall === undefined) return null;
  const [a, b] = [outline[wall % outline.length]!, outline[(wall + 1) % outline.length]!];
  const length = wayLength([a, b]) || 1;
  const middle = along ?? length / 2;
  return [middle - width / 2, middle + width / 2].map((at) => between(a, b, at / length));
}

/** Places of any element on the plan, in turn; none of one that has not been put down. */
export function placesOf(element: Element): readonly Place[] {
  const { shape } = kindOf(element.kind);
  if (shape === undefined) return [];
  const value = (element as unknown as Record<string, Place | readonly Place[] | undefined>)[shape];
  if (value === undefined) return [];
  return shape === 'place' ? [value as Place] : (value as readonly Place[]);
}

/** An element put down at some places: of one that has a single place, the first. */
export function putDown<E extends Element>(element: E, places: readonly Place[]): E {
  const { shape } = kindOf(element.kind);
  return shape === undefined ? element : { ...element, [shape]: shape === 'place' ? places[0] : places };
}

/** The place so far along a way, m; its end beyond it. */
export function placeAlong(way: readonly Place[], along: number): Place {
  let left = along;
  for (let k = 1; k < way.length; k++) {
    const length = wayLength([way[k - 1]!, way[k]!]);
    if (left <= length || k === way.length - 1)
      return between(way[k - 1]!, way[k]!, length > 0 ? Math.min(1, left / length) : 0);
    left -= length;
  }
  return way[0]!;
}
