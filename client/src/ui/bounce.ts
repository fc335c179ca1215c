/** A thumb that comes down again sooner has seen nothing of what its first touch did, ms. */
const BOUNCE_MS = 250;

/** How far from the first a bounce comes down, px. */
const BOUNCE = 24;

/** Where a finger came down, px, and when, ms. */
export interface Touch {
  x: number;
  y: number;
  at: number;
}

export const apart = (one: Touch, other: Touch): number => Math.hypot(one.x - other.x, one.y - other.y);

/** Whether `now` is the bounce of the thumb that came down `before`, and not meant by itself. */
export const isBounce = (before: Touch | null, now: Touch): boolean =>
  before !== null && now.at - before.at < BOUNCE_MS && apart(before, now) < BOUNCE;
