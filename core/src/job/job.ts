/** The job as the core, the screens and the server hold it. */
import type { Basin, Channel, Element, ElementKind, JobElement, RainElement } from './elements';

export interface Job {
  id: string;
  elements: Readonly<Record<string, Element>>;
}

export type OfKind<K extends ElementKind> = Extract<Element, { kind: K }>;

/** Elements by kind, worked out once for each state of a job; jobs are never changed in place. */
const sorted = new WeakMap<Job['elements'], Map<ElementKind, Element[]>>();

function byKind(elements: Job['elements']): Map<ElementKind, Element[]> {
  const kinds = new Map<ElementKind, Element[]>();
  for (const element of Object.values(elements)) {
    const known = kinds.get(element.kind);
    if (known) known.push(element);
    else kinds.set(element.kind, [element]);
  }
  sorted.set(elements, kinds);
  return kinds;
}

/** All elements of a kind, in the order they were put. */
export function ofKind<K extends ElementKind>(job: Job, kind: K): readonly OfKind<K>[] {
  const kinds = sorted.get(job.elements) ?? byKind(job.elements);
  return (kinds.get(kind) ?? []) as OfKind<K>[];
}

/** Inlets that water comes to over the ground. */
export const groundInlets = (job: Job): (Basin | Channel)[] => [...ofKind(job, 'basin'), ...ofKind(job, 'channel')];

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
