/** What a change would make of a job: its price, hours, trench, pitch, parts and snags beside the present ones. */
import { stepsOf } from '../days/steps';
import { headOf, type Job } from '../job/job';
import { priceOf } from '../price/price';
import { takeOff, type Part } from '../quantities/takeOff';
import { snagKey, type Snag } from '../snags';
import { tellSnag } from '../snags/tell';
import type { Plan } from '../verdict/planJob';
import { partLabel } from '../quantities/partLabel';
import type { PartUnit } from '../catalogue/items';

/** What a plan comes to. */
export interface Standing {
  /** What is asked for it before rounding, least units, and its currency. */
  asked: number;
  currency: string;
  /** Hours of the whole crew, of all its steps. */
  hours: number;
  /** Deepest trench, m, and least pitch of new pipe, m/m; null where none is laid. */
  deepest: number | null;
  leastPitch: number | null;
  parts: ReadonlyMap<string, Pick<Part, 'buy' | 'unit'> & { label: string }>;
  /** What each says, by what it is about. */
  snags: ReadonlyMap<string, Told>;
}

export interface Told {
  severity: Snag['severity'];
  said: string;
  /** By how much its figure misses its limit, in its own unit. */
  miss: number;
}

export interface Difference {
  /** How much dearer, least units; and how many hours more. */
  asked: number;
  currency: string;
  hours: number;
  /** From and to, m and m/m; null where they are the same. */
  deepest: readonly [number, number] | null;
  leastPitch: readonly [number, number] | null;
  /** What is bought more and less of, as it is called, what differs most in its own amount first. */
  parts: readonly { label: string; more: number; unit: PartUnit }[];
  /** Of what is to be mended: what comes, what goes, and what stays and is worse or better than it was. */
  come: readonly Told[];
  gone: readonly Told[];
  worse: readonly Told[];
  better: readonly Told[];
}

export function standingOf(job: Job, plan: Plan): Standing {
  const { units } = headOf(job);
  const taken = takeOff(job, plan);
  const price = priceOf(job, taken);
  const pitches = taken.trenches.flatMap(({ id }) => plan.runs[id]?.pitch ?? []);
  const depths = taken.trenches.map(({ depth }) => depth);
  return {
    asked: price.price - price.rounded,
    currency: price.currency,
    hours: stepsOf(job, taken, false).reduce((sum, { hours }) => sum + hours, 0),
    deepest: depths.length > 0 ? Math.max(...depths) : null,
    leastPitch: pitches.length > 0 ? Math.min(...pitches) : null,
    parts: new Map(taken.parts.map(({ key, item, buy, unit }) => [key, { buy, unit, label: partLabel(item, units) }])),
    snags: new Map(
      plan.snags.map((snag) => [
        snagKey(snag),
        {
          severity: snag.severity,
          said: tellSnag(job, plan, snag).headline,
          miss: Math.abs(snag.figure - snag.limit),
        },
      ]),
    ),
  };
}

/** Lengths that nobody would measure apart, m, pitches, and amounts of a part. */
const SAME = { depth: 0.006, pitch: 0.0002, part: 1e-6 };
/** A snag misses by as much while it does so within this share. */
const AS_MUCH = 0.05;

const pair = (from: number | null, to: number | null, same: number): readonly [number, number] | null =>
  from === null || to === null || Math.abs(from - to) < same ? null : [from, to];

/** What is otherwise in `then` than in `now`. */
export function differenceOf(now: Standing, then: Standing): Difference {
  const keys = new Set([...now.parts.keys(), ...then.parts.keys()]);
  const parts = [...keys].flatMap((key) => {
    const [was, is] = [now.parts.get(key), then.parts.get(key)];
    const { label, unit } = (is ?? was)!;
    const [before, after] = [was?.buy ?? 0, is?.buy ?? 0];
    const more = after - before;
    return Math.abs(more) < SAME.part ? [] : [{ label, more, unit, share: Math.abs(more) / Math.max(before, after) }];
  });
  parts.sort((a, b) => b.share - a.share);
  const without = (all: Standing['snags'], those: Standing['snags']): Told[] =>
    [...all].filter(([key]) => !those.has(key)).map(([, told]) => told);
  const moved = (by: (before: number, after: number) => boolean): Told[] =>
    [...then.snags].flatMap(([key, told]) => {
      const before = now.snags.get(key);
      return before && by(before.miss, told.miss) ? [told] : [];
    });
  const above = (one: number, other: number): boolean => one > other * (1 + AS_MUCH) + 1e-9;
  return {
    asked: then.asked - now.asked,
    currency: then.currency,
    hours: then.hours - now.hours,
    deepest: pair(now.deepest, then.deepest, SAME.depth),
    leastPitch: pair(now.leastPitch, then.leastPitch, SAME.pitch),
    parts: parts.map(({ share: _, ...part }) => part),
    come: without(then.snags, now.snags),
    gone: without(now.snags, then.snags),
    worse: moved((before, after) => above(after, before)),
    better: moved((before, after) => above(before, after)),
  };
}
