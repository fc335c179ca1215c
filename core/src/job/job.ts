/** The job as the core, the screens and the server hold it. */
import { Elements } from './elements';
import {
  isLanding,
  kindOf,
  LANDING_KINDS,
  type Element,
  type ElementKind,
  type GroundInlet,
  type JobElement,
  type Landing,
  type OfKind,
  type RainElement,
} from './kinds';

export interface Job {
  readonly id: string;
  readonly elements: Elements;
}

/** All elements of a kind, in the order they were put. */
export const ofKind = <K extends ElementKind>(job: Job, kind: K): readonly OfKind<K>[] => job.elements.ofKind(kind);

/** Inlets that water comes to over the ground. */
export const groundInlets = (job: Job): GroundInlet[] => [...ofKind(job, 'basin'), ...ofKind(job, 'channel')];

const LANDINGS_REMEMBERED = 4;
const rememberedLandings: { lists: readonly (readonly Element[])[]; landings: readonly Landing[] }[] = [];

/**
 * All landings, in the order they were put: the same array for as long as no element of a kind that can be a landing changes. Order
 * within the whole changes only with the lists of those kinds.
 */
export function landingsOf(job: Job): readonly Landing[] {
  const lists = LANDING_KINDS.map((kind) => job.elements.ofKind(kind));
  const known = rememberedLandings.find((each) => each.lists.every((list, k) => list === lists[k]));
  if (known && known.landings.length > 0) return known.landings;
  const landings = job.elements.all.filter(isLanding);
  rememberedLandings.unshift({ lists, landings });
  rememberedLandings.length = Math.min(rememberedLandings.length, LANDINGS_REMEMBERED);
  return landings;
}

/** The element of that id if it is of that kind. */
export function elementOf<K extends ElementKind>(job: Job, kind: K, id: string): OfKind<K> | undefined {
  const element = job.elements.get(id);
  return element?.kind === kind ? (element as OfKind<K>) : undefined;
}

const UNNAMED: JobElement = { id: 'job', kind: 'job', name: 'Untitled job', units: 'us', pitchStyle: 'ground' };

/** The job's own head; a job file without one is refused, but a plan must never fail for the lack of it. */
export function headOf(job: Job): JobElement {
  return elementOf(job, 'job', 'job') ?? UNNAMED;
}

export function rainOf(job: Job): RainElement | undefined {
  return elementOf(job, 'rain', 'rain');
}

/** A job from a list of elements; a later element of the same id wins. */
export const jobFrom = (id: string, elements: Iterable<Element>): Job => ({ id, elements: Elements.of(elements) });

/** What to call an element in a sentence. */
export function nameOf(job: Job, id: string): string {
  const element = job.elements.get(id);
  if (!element) return id;
  return kindOf(element.kind).nameIn?.(element, (other) => nameOf(job, other)) ?? (element as { name: string }).name;
}
