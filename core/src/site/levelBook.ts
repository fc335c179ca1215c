/** The level book: rod readings booked set-up by set-up, reduced to levels, and closed on what is known. */

export type Sight = 'back' | 'between' | 'fore';

export interface Reading {
  point: string;
  sight: Sight;
  /** m; negative with the rod upside down against a soffit. */
  rod: number;
}

export interface Level {
  point: string;
  /** m above the job's zero. */
  level: number;
}

/** Something that cannot be booked: which reading, by its place in the book, and why. */
export interface BookFault {
  reading: number;
  why: 'noSetUp' | 'unknownBack' | 'backTwice' | 'rodTooLong';
}

/** A stretch of set-ups between two known levels, or to the end. */
export interface Stretch {
  /** Set-ups, first and last, from 0. */
  from: number;
  to: number;
  /** Found less known where it ends on a known level, m; null where it ends on none. */
  misclosure: number | null;
}

export interface Booked {
  /** In the order first read; known ones left out. */
  points: Level[];
  /** Of the last stretch, m; null where the last fore sight is on no known point. */
  misclosure: number | null;
  /** Whether a misclosure was shared out. */
  adjusted: boolean;
  stretches: Stretch[];
  /** Height of instrument of each set-up, m above zero, as read. */
  heights: number[];
  faults: BookFault[];
}

/** ½ in, what a day's levels for drainage may be out, m. */
export const PERMITTED = 0.0127;
/** The longest rod there is with room to spare, m. */
export const LONGEST_ROD = 9;

interface Read {
  point: string;
  level: number;
  setUp: number;
}

/**
 * Levels of a book. HI = level + back sight; level = HI − rod; a fore sight makes a turning point. Where a stretch ends on a known
 * level and is within what is permitted, a level read in set-up k of n is corrected by −misclosure·k/n; beyond it levels stay as read.
 * A point read more than once keeps its last level within the same stretch. What cannot be booked is left out and named.
 */
export function bookLevels(known: readonly Level[], readings: readonly Reading[], permitted = PERMITTED): Booked {
  const fixed = new Map(known.map(({ point, level }) => [point, level]));
  const found = new Map<string, number>();
  const heights: number[] = [];
  const reads: Read[] = [];
  const stretches: Stretch[] = [];
  const faults: BookFault[] = [];
  let height: number | null = null;
  let start = 0;
  readings.forEach(({ point, sight, rod }, k) => {
    const no = (why: BookFault['why']): void => void faults.push({ reading: k, why });
    if (!(Math.abs(rod) <= LONGEST_ROD)) return no('rodTooLong');
    if (sight === 'back') {
      const level = fixed.get(point) ?? found.get(point);
      if (level === undefined) return no('unknownBack');
      if (height !== null) no('backTwice');
      // A set-up on a known level begins a stretch of its own.
      if (fixed.has(point)) start = heights.length;
      height = level + rod;
      heights.push(height);
      return;
    }
    if (height === null) return no('noSetUp');
    const level = height - rod;
    if (!fixed.has(point)) {
      found.set(point, level);
      reads.push({ point, level, setUp: heights.length - 1 });
    }
    if (sight === 'fore') {
      if (fixed.has(point))
        stretches.push({ from: start, to: heights.length - 1, misclosure: level - fixed.get(point)! });
      height = null;
    }
  });
  const last = readings.at(-1);
  const closes = last?.sight === 'fore' && fixed.has(last.point) && stretches.length > 0;
  let adjusted = false;
  const levels = new Map<string, number>();
  for (const { point, level, setUp } of reads) {
    const stretch = stretches.find(({ from, to }) => setUp >= from && setUp <= to);
    const share = stretch?.misclosure ?? 0;
    const within = stretch !== undefined && Math.abs(share) <= permitted;
    adjusted ||= within && share !== 0;
    const correction = within ? (-share * (setUp - stretch.from + 1)) / (stretch.to - stretch.from + 1) : 0;
    levels.set(point, level + correction);
  }
  return {
    points: [...levels].map(([point, level]) => ({ point, level })),
    misclosure: closes ? stretches.at(-1)!.misclosure : null,
    adjusted,
    stretches,
    heights,
    faults,
  };
}

/** Rod readings of a two-peg test, m; the end readings from beside A. */
export interface TwoPeg {
  /** Between the pegs, m. */
  distance: number;
  midA: number;
  midB: number;
  endA: number;
  endB: number;
}

/** Slope of the line of sight, m/m, up positive: from the middle both readings are wrong alike, from beside A only B's is. */
export const collimationOf = ({ distance, midA, midB, endA, endB }: TwoPeg): number =>
  (endB - endA - (midB - midA)) / distance;

/** A rod reading freed of the line of sight's slope, at its distance from the instrument, m. */
export const collimated = (rod: number, collimation: number, away: number): number => rod - collimation * away;

/** What a closed round of levels may be out by the usual rule, m: 12 mm by the root of its length in km. */
export const permittedOver = (metres: number): number => 0.012 * Math.sqrt(metres / 1000);
