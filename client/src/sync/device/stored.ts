/** What this device keeps of jobs: the server's state as last known, one record an element, and every change not yet sent, one record each. */
import type { Change, Element } from '@katabasis/core';
import type { UndoStep } from '../undo/steps';

export interface Versioned {
  version: number;
  element: Element;
  /** Its place among the job's elements: one that replaces another keeps it. */
  place: number;
}

/** In the job's order. */
export const byPlace = (a: Versioned, b: Versioned): number => a.place - b.place;

/** A change not yet on the server. */
export interface Pending extends Change {
  /** Its own id: a change sent again is known by it. */
  change: string;
  /** Place among the waiting ones; rises. */
  order: number;
  /** Version of each element that it is the first waiting change to touch: what the server is asked to replace. */
  bases: Record<string, number>;
  /** Those same elements as they were at that version, null where they were not there; none of a change kept by an earlier program. */
  was?: Record<string, Element | null>;
}

/** Steps made here that can be undone, and those undone that can be made again. */
export type Stack = 'past' | 'future';
export interface StoredStep extends UndoStep {
  stack: Stack;
  /** Place in its stack; rises. */
  order: number;
}

/** A job as a whole. */
export interface Head {
  /** The server's sequence number as last known; −1 for a job that the server has not got. */
  seq: number;
  /** Whether the job was made here and is not on the server yet. */
  unsent: boolean;
  /** The server's epoch that the numbers are from; none of a job kept before epochs were told. */
  epoch?: string;
  /** When it was first on the server, by its clock. */
  createdAt?: string | null;
}

export interface StoredJob extends Head {
  elements: Versioned[];
  /** Oldest first. */
  waiting: Pending[];
  steps?: StoredStep[];
}

/** One step of what is kept. All that it names is written together or not at all. */
export interface Step {
  /** What is known of the job as a whole. */
  head?: Head;
  /** Elements as the server has them now, and ids of those that it has no longer. */
  elements?: readonly Versioned[];
  gone?: readonly string[];
  /** Changes added or written anew, and those that are done with. */
  waiting?: readonly Pending[];
  done?: readonly Pending[];
  /** Steps added or moved to the other stack, and ids of those that are gone. */
  steps?: readonly StoredStep[];
  forgotten?: readonly string[];
}

/** A job with something that the server has not got. */
export interface Waiting {
  job: string;
  /** Changes, and the job itself where it was made here. */
  count: number;
}

/**
 * Where a device keeps its jobs. `keep` begins to write before it returns, so that a page killed right after has kept what it showed;
 * its promise fails when there is no room.
 */
export interface DeviceStore {
  /** Whether what is kept outlives the page. */
  readonly durable: boolean;
  load(job: string): Promise<StoredJob | null>;
  keep(job: string, step: Step): Promise<void>;
  /** Takes the server's whole state of a job in place of what was known. */
  replace(job: string, head: Head, elements: readonly Versioned[]): Promise<void>;
  /** What waits to be sent, a job each. */
  waiting(): Promise<Waiting[]>;
  /** Jobs known from another epoch of the server's. */
  ofOtherEpochs(epoch: string): Promise<string[]>;
  /** Jobs made here that the server has not got. */
  unsent(): Promise<{ id: string; elements: Element[] }[]>;
}
