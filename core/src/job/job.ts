/** The job as the core, the screens and the server hold it. */
import type { Element, ElementKind, JobElement, RainElement } from './elements';

export interface Job {
  id: string;
  elements: Readonly<Record<string, Element>>;
}

export type OfKind<K extends ElementKind> = Extract<Element, { kind: K }>;

/** All elements of a kind, in the order they were put. */
export function ofKind<K extends ElementKind>(job: Job, kind: K): OfKind<K>[] {
  const found: OfKind<K>[] = [];
  for (const id in job.elements) {
    const element = job.elements[id]!;
    if (element.kind === kind) found.push(element as OfKind<K>);
  }
  return found;
}

/** The element of that id if it is of that kind. */
export function elementOf<K extends ElementKind>(job: Job, kind: K, id: string): OfKind<K> | undefined {
  const element = job.elements[id];
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
export function jobFrom(id: string, elements: Iterable<Element>): Job {
  const byId: Record<string, Element> = {};
  for (const element of elements) byId[element.id] = element;
  return { id, elements: byId };
}

/** What to call an element in a sentence. */
export function nameOf(job: Job, id: string): string {
  const element = job.elements[id];
  if (!element) return id;
  if (element.kind === 'run') return element.name ?? `${nameOf(job, element.from)} to ${nameOf(job, element.to)}`;
  return element.kind === 'rain' ? 'Design rain' : element.name;
}
