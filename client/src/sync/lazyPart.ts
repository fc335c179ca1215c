/**
 * What works on whole jobs comes after the list of them: the first screen is there without it. Whoever starts the application says
 * where it comes from.
 */
import type { headOf, Job, jobFrom, Plan, ReadFile } from '@katabasis/core';
import type * as api from './api';
import type * as sessions from './sessions';

interface OfCore {
  headOf: typeof headOf;
  jobFrom: typeof jobFrom;
  planHere: (job: Job) => Plan;
  sample: () => Job;
  beginLookRound: (job: string) => void;
  readJob: (file: Blob) => Promise<ReadFile>;
  saveJob: (job: Job) => Promise<string | null>;
}

export interface LazyPart
  extends OfCore, Pick<typeof api, 'api'>, Pick<typeof sessions, 'freeJobName' | 'listenForOthers' | 'startJob'> {}

let load: () => Promise<LazyPart> = () => Promise.reject(new Error('Nothing is there to come late.'));

export function setLazyPart(from: () => Promise<LazyPart>): void {
  load = from;
}

let start: (() => void) | null = null;

/** What listens to others may wait until the first screen stands; null when there is nothing to wait for any more. */
export function setListening(listen: (() => void) | null): void {
  start = listen;
}

/** A job is open: others are listened to from now on. */
export function startListening(): void {
  start?.();
}

export const lazyPart = (): Promise<LazyPart> => load();
