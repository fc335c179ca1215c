/** The job as the core, the screens and the server hold it. */
import { Kept } from '../numeric/kept';
import { Elements } from './elements';
import {
  kindOf,
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
  /** What was worked out of it and may be asked again; absent of a job that no plan holds. It says nothing that the elements do not. */
  readonly kept?: Kept;
  /** Of a job as its places say: what it was before they were asked. */
  readonly given?: Elements;
}

/** A job as it was given, where what its places say was laid over it. */
export const asGiven = (job: Job): Job => (job.given ? { ...job, elements: job.given } : job);

/** Where what is worked out of a job is kept: with its plan, or nowhere. */
export const keptOf = ({ kept }: Job): Kept => kept ?? new Kept();

/** All elements of a kind, in the order they were put. */
export const ofKind = <K extends ElementKind>(job: Job, kind: K): readonly OfKind<K>[] => job.elements.ofKind(kind);

/** Inlets that water comes to over the ground. */
export const groundInlets = (job: Job): GroundInlet[] => [...ofKind(job, 'basin'), ...ofKind(job, 'channel')];

/** All landings, in the order they were put: the same array for as long as no element of a kind that can be a landing changes. */
export const landingsOf = (job: Job): readonly Landing[] => job.elements.landings;

/** The job with somewhere to keep what is worked out of it while one question is answered. */
export const keeping = (job: Job): Job => (job.kept ? job : { ...job, kept: new Kept() });

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
