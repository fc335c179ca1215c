/** What is dug besides trenches of pipe, along ways and outlines of its own, and what it meets there. */
import { ofKind, type Job } from '../job/job';
import { kindOf, type Element } from '../job/kinds';
import { placesOf } from '../job/places';
import { step, type Kept } from '../numeric/kept';
import { wayLength } from '../site/place';
import { WORK_KINDS, workKind } from '../works';
import { aroundOf, crossingsAmong, type Around, type Crossing } from '../yard/crossings';

/** Dug by element: how long it is along its way or round its outline, m, and what it meets in the order met. */
export interface Dug {
  id: string;
  length: number;
  meets: readonly Crossing[];
}

/** Kinds that are dug besides trenches of pipe. */
export const DUG = [...WORK_KINDS.filter((kind) => workKind(kind)!.dug), 'basin', 'channel'] as const;

const dug = step(
  'dug along a way of its own',
  ({ element, around }: { element: Element; around: Around }): Dug | null => {
    const places = placesOf(element);
    if (places.length < 2) return null;
    const way = kindOf(element.kind).shape === 'outline' ? [...places, places[0]!] : places;
    return { id: element.id, length: wayLength(way), meets: crossingsAmong(around, way) };
  },
);

/** Of works that have a place on the plan; an edit works out those that it reaches. */
export function worksDug(job: Job, kept: Kept): Dug[] {
  const around = aroundOf(job, kept);
  return DUG.flatMap((kind) =>
    ofKind(job, kind).flatMap((element) =>
      'here' in element && element.here ? [] : (kept.ask(dug, { element, around }, element.id) ?? []),
    ),
  );
}
