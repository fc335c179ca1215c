/** What is dug besides trenches of pipe, along ways and outlines of its own, and what it meets there. */
import { ofKind, type Job } from '../job/job';
import { kindOf, type OfKind } from '../job/kinds';
import { placesOf } from '../job/places';
import { perElement } from '../numeric/perElement';
import { wayLength } from '../site/place';
import { crossingsOf, MET, type Crossing } from '../yard/crossings';

/** Dug by element: how long it is along its way or round its outline, m, and what it meets in the order met. */
export interface Dug {
  id: string;
  length: number;
  meets: readonly Crossing[];
}

/** Kinds that are dug besides trenches of pipe. */
export const DUG = [
  'drain',
  'drainField',
  'stoneDrain',
  'pavedBed',
  'swale',
  'culvert',
  'berm',
  'sleeve',
  'basin',
  'channel',
] as const;

type Work = OfKind<(typeof DUG)[number]>;
const remembered = perElement<Work, Dug>();

/** Of works that have a place on the plan; an edit works out those that it reaches. */
export function worksDug(job: Job): Dug[] {
  const around = MET.map((kind) => ofKind(job, kind));
  return DUG.flatMap((kind) => [...ofKind(job, kind)] as Work[]).flatMap((work) => {
    const places = placesOf(work);
    if (places.length < 2) return [];
    return [
      remembered(
        work,
        [],
        () => {
          const way = kindOf(work.kind).shape === 'outline' ? [...places, places[0]!] : places;
          return { id: work.id, length: wayLength(way), meets: crossingsOf(job, way) };
        },
        around,
      ),
    ];
  });
}
