/** The job that comes of what the server has and of the changes that wait to be sent. Pure. */
import { changed, jobFrom, type Job, type Stands } from '@katabasis/core';
import { ownValue } from './ownValue';
import { same } from './same';
import { withPlaces } from './places';
import type { Known } from './sessionState';
import { byPlace, type Pending, type Versioned } from './device/stored';
import { acknowledge } from './merging/waiting';

/** States of a job remembered: as made, and the last few before it, to which one goes back and forth. */
const RECENT = 4;

/** Whether two jobs hold the same elements in the same order. */
const sameElements = (a: Job, b: Job): boolean =>
  a.elements.size === b.elements.size &&
  a.elements.all.every((element, k) => {
    const other = b.elements.all[k]!;
    return same(element, other);
  });

/** What is known with another job: the very one that stood there before, where it is of the same elements. */
export function withJob<K extends Known>(known: K, job: Job): K {
  const same = known.recent.find((each) => sameElements(each, job)) ?? job;
  return { ...known, job: same, recent: [same, ...known.recent.filter((each) => each !== same)].slice(0, RECENT) };
}

/** Lays what waits over the server's state anew; nothing while no state is known. */
export function laid<K extends Known>(known: K, isKnown = known.job !== null): K {
  if (!isKnown) return known;
  const stored = [...known.base.values()].sort(byPlace).map(({ element }) => element);
  return withJob(known, known.waiting.reduce<Job>(changed, jobFrom(known.id, stored)));
}

/** The server's state as it was just told. */
export const withBase = <K extends Known>(known: K, elements: readonly Versioned[]): K =>
  laid({ ...known, base: new Map(elements.map((each) => [each.element.id, each])) }, true);

/** Elements of the server's as they are kept: each at its place, those that are new where they are to stand, or else behind all. */
export function placed(
  { base }: Known,
  elements: readonly Omit<Versioned, 'place'>[],
  stands: readonly Stands[] = [],
): Versioned[] {
  if (elements.every(({ element }) => base.has(element.id)))
    return elements.map((each) => ({ ...each, place: base.get(each.element.id)!.place }));
  return withPlaces(elements, [...base.values()], stands);
}

export interface Settled<K> {
  known: K;
  /** What the server now has of the elements that were touched. */
  elements: Versioned[];
  gone: readonly string[];
  rewritten: Pending[];
}

/** A change is with the server: the elements that it touched are known at their new versions, and what waits goes on from there. */
export function settled<K extends Known>(
  known: K,
  done: Pending,
  versions: Readonly<Record<string, number>>,
  seq: number,
): Settled<K> {
  // Told of twice, or late: what is known here has it already, and what others have done since.
  const isNews = seq > known.seq;
  const elements = placed(
    known,
    isNews ? done.puts.map((element) => ({ version: ownValue(versions, element.id) ?? 1, element })) : [],
    done.stands,
  );
  const gone = isNews ? done.removes : [];
  const base = new Map(known.base);
  for (const id of gone) base.delete(id);
  // Another device's later change to the same element may be known already.
  for (const each of elements) {
    const known = base.get(each.element.id);
    const moved = known?.version === each.version && known.place !== each.place;
    if (moved || (known?.version ?? 0) < each.version) base.set(each.element.id, each);
  }
  const { waiting, rewritten } = acknowledge(known.waiting, done, versions);
  const unstored = new Set(known.unstored);
  unstored.delete(done.change);
  // News that skipped some of another device's leave the number as it is, so that those are still taken in.
  const next = { ...known, base, waiting, unstored, seq: seq === known.seq + 1 ? seq : known.seq };
  // What is known here is laid anew where it has gone on since: the change alone is in it already.
  const isAsSent = isNews && elements.every((each) => base.get(each.element.id) === each);
  return { known: isAsSent ? next : laid(next), elements, gone, rewritten };
}
