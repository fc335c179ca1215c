/** A store that lives as long as the page: for tests, and for a device that lets nothing be kept. */
import type { Element } from '@katabasis/core';
import {
  byPlace,
  type DeviceStore,
  type Head,
  type Pending,
  type Step,
  type StoredJob,
  type StoredStep,
  type Versioned,
  type Waiting,
} from './stored';

interface Kept {
  head: Head;
  elements: Map<string, Versioned>;
  waiting: Map<string, Pending>;
  steps: Map<string, StoredStep>;
}

export class MemoryStore implements DeviceStore {
  readonly durable: boolean;
  /** Set by a test: nothing more fits. */
  full = false;
  private readonly jobs = new Map<string, Kept>();

  constructor(durable = false) {
    this.durable = durable;
  }

  load(job: string): Promise<StoredJob | null> {
    const kept = this.jobs.get(job);
    if (!kept) return Promise.resolve(null);
    const waiting = [...kept.waiting.values()].sort(byOrder);
    return Promise.resolve({
      ...kept.head,
      elements: [...kept.elements.values()].sort(byPlace),
      waiting,
      steps: [...kept.steps.values()].sort(byStep),
    });
  }

  keep(job: string, step: Step): Promise<void> {
    const { head, elements = [], gone = [], waiting = [], done = [], steps = [], forgotten = [] } = step;
    if (this.full && waiting.length > 0) return Promise.reject(new Error('no room'));
    const kept: Kept = this.jobs.get(job) ?? {
      head: { seq: -1, unsent: false },
      elements: new Map(),
      waiting: new Map(),
      steps: new Map(),
    };
    this.jobs.set(job, kept);
    kept.head = head ?? kept.head;
    for (const id of gone) kept.elements.delete(id);
    for (const each of elements) kept.elements.set(each.element.id, each);
    for (const pending of waiting) kept.waiting.set(pending.change, pending);
    for (const { change } of done) kept.waiting.delete(change);
    for (const each of steps) kept.steps.set(each.id, each);
    for (const id of forgotten) kept.steps.delete(id);
    return Promise.resolve();
  }

  replace(job: string, head: Head, elements: readonly Versioned[]): Promise<void> {
    this.jobs.get(job)?.elements.clear();
    return this.keep(job, { head, elements });
  }

  waiting(): Promise<Waiting[]> {
    const jobs = [...this.jobs].flatMap(([id, { head, waiting }]) =>
      new Array<string>(waiting.size + (head.unsent ? 1 : 0)).fill(id),
    );
    return Promise.resolve(countWaiting(jobs));
  }

  ofOtherEpochs(epoch: string): Promise<string[]> {
    return Promise.resolve([...this.jobs].flatMap(([id, { head }]) => (isOf(head, epoch) ? [] : [id])));
  }

  unsent(): Promise<{ id: string; elements: Element[] }[]> {
    const own = [...this.jobs.keys()].filter((id) => this.jobs.get(id)!.head.unsent);
    return Promise.all(own.map((id) => elementsKept(this, id)));
  }
}

/** A job that a store keeps, as its elements in their order. */
export const elementsKept = async (store: DeviceStore, id: string): Promise<{ id: string; elements: Element[] }> => ({
  id,
  elements: (await store.load(id))!.elements.map(({ element }) => element),
});

/** Whether what is known of a job is the server's of this epoch, seen with its money or (`~`) without; or is none of the server's at all. */
export const isOf = ({ unsent, seq, epoch: of = '' }: Head, epoch: string): boolean =>
  unsent || seq < 0 || of.replace(/~$/, '') === epoch;

/** How often each job is named. */
export function countWaiting(jobs: readonly string[]): Waiting[] {
  const counts = new Map<string, number>();
  for (const job of jobs) counts.set(job, (counts.get(job) ?? 0) + 1);
  return [...counts].map(([job, count]) => ({ job, count }));
}

/** Waiting changes in the order they were made; two pages that made one at once are told apart by the change's id. */
export const byOrder = (a: Pending, b: Pending): number => a.order - b.order || (a.change < b.change ? -1 : 1);

export const byStep = (a: StoredStep, b: StoredStep): number => a.order - b.order;
