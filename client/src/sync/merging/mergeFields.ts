/**
 * Two devices changed the same element: what comes of it, field by field. A field that only one of them changed is as that one left it;
 * where both did, and not alike, somebody must say whose stands. Pure.
 */
import { elementSchema, type Element } from '@katabasis/core';
import { same } from '../same';

export type Side = 'mine' | 'theirs';

/** One element in three states; null where it is not there. `was`: as both knew it before, undefined where nobody can tell. */
export interface Versions {
  was: Element | null | undefined;
  mine: Element | null;
  theirs: Element | null;
}

export interface Merged {
  to: Element | null;
  /** Whether something in it must be asked about; then `to` is as `side` has it. */
  collides: boolean;
}

type Fields = Readonly<Record<string, unknown>>;

/** Fields whose own fields are merged one by one: two people at the two ends of a line write down one test. */
const MERGED_WITHIN: ReadonlySet<string> = new Set(['visit.test']);

const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Three versions of some fields, merged one by one; where both changed one, and not alike, `side` stands. `of`: the kind of element whose own fields they are. */
function byField(
  was: Fields,
  mine: Fields,
  theirs: Fields,
  side: Side,
  of?: string,
): { to: Fields; collides: boolean } {
  const to: Record<string, unknown> = {};
  let collides = false;
  for (const field of new Set([...Object.keys(theirs), ...Object.keys(mine)])) {
    const [before, a, b] = [was[field], mine[field], theirs[field]];
    const both = !same(before, a) && !same(before, b) && !same(a, b);
    const inner = both && MERGED_WITHIN.has(`${of}.${field}`) ? mergeWithin(before, a, b, side) : null;
    collides ||= inner ? inner.collides : both;
    const mineStands = both ? side === 'mine' : !same(before, a);
    const value = inner ? inner.to : mineStands ? a : b;
    if (value !== undefined) to[field] = value;
  }
  return { to, collides };
}

/** The same of what one field holds; null where the three are not of one sort. */
function mergeWithin(was: unknown, mine: unknown, theirs: unknown, side: Side): ReturnType<typeof byField> | null {
  if (!isFields(was) || !isFields(mine) || !isFields(theirs)) return null;
  return was.type === mine.type && was.type === theirs.type ? byField(was, mine, theirs, side) : null;
}

/** What comes of the three; where they collide, `side` stands. */
export function mergeFields({ was, mine, theirs }: Versions, side: Side): Merged {
  if (same(mine, theirs)) return { to: theirs, collides: false };
  if (was !== undefined && same(was, mine)) return { to: theirs, collides: false };
  if (was !== undefined && same(was, theirs)) return { to: mine, collides: false };
  const whole: Merged = { to: side === 'mine' ? mine : theirs, collides: true };
  // Of one that nobody knows from before, every field in which the two differ is asked about.
  if (!was || !mine || !theirs || mine.kind !== theirs.kind || was.kind !== mine.kind) return whole;
  const [before, a, b] = [was, mine, theirs] as unknown as [Fields, Fields, Fields];
  const { to, collides } = byField(before, a, b, side, was.kind);
  if (same(to, theirs)) return { to: theirs, collides };
  // Fields that fit each alone need not fit together: a bottom above its top.
  const parsed = elementSchema.safeParse(to);
  return parsed.success ? { to: parsed.data, collides } : whole;
}
