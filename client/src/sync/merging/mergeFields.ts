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

/** Three versions of what one field holds, merged by its own fields; null where they are not of one sort. */
function mergeWithin(
  was: unknown,
  mine: unknown,
  theirs: unknown,
  side: Side,
): { to: Fields; collides: boolean } | null {
  if (!isFields(was) || !isFields(mine) || !isFields(theirs)) return null;
  if (was.type !== mine.type || was.type !== theirs.type) return null;
  const to: Record<string, unknown> = {};
  let collides = false;
  for (const field of new Set([...Object.keys(theirs), ...Object.keys(mine)])) {
    const [before, a, b] = [was[field], mine[field], theirs[field]];
    const both = !same(before, a) && !same(before, b) && !same(a, b);
    collides ||= both;
    const value = (both ? side === 'mine' : !same(before, a)) ? a : b;
    if (value !== undefined) to[field] = value;
  }
  return { to, collides };
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
  const to: Record<string, unknown> = {};
  let collides = false;
  let isTheirs = true;
  for (const field of new Set([...Object.keys(b), ...Object.keys(a)])) {
    const both = !same(before[field], a[field]) && !same(before[field], b[field]) && !same(a[field], b[field]);
    const within =
      both && MERGED_WITHIN.has(`${was.kind}.${field}`) ? mergeWithin(before[field], a[field], b[field], side) : null;
    collides ||= within ? within.collides : both;
    const mineStands = both ? side === 'mine' : !same(before[field], a[field]);
    const value = within ? within.to : mineStands ? a[field] : b[field];
    if (value !== undefined) to[field] = value;
    isTheirs &&= same(value, b[field]);
  }
  if (isTheirs) return { to: theirs, collides };
  // Fields that fit each alone need not fit together: a bottom above its top.
  const parsed = elementSchema.safeParse(to);
  return parsed.success ? { to: parsed.data, collides } : whole;
}
