/** Levels of a job: typed, or read off the level book, each knowing its readings. */
import { keptOf, ofKind, type Job } from '../job/job';
import type { LevelBook, SpotLevel } from '../job/kinds';
import { step } from '../numeric/kept';
import { bookLevels, collimated, collimationOf, permittedOver, PERMITTED, type Booked } from '../site/levelBook';

export interface BookResult extends Booked {
  /** m */
  permitted: number;
  /** Slope of the line of sight, m/m; 0 where it was not tested. */
  collimation: number;
}

export interface Levels {
  /** m above the job's zero, by the id of its spot level; those with neither a level nor a reading are not in it. */
  byId: ReadonlyMap<string, number>;
  books: ReadonlyMap<string, BookResult>;
}

interface Read {
  spots: readonly SpotLevel[];
  books: readonly LevelBook[];
}

const levels = step('levels', ({ spots, books }: Read): Levels => {
  const byId = new Map<string, number>();
  for (const { id, level } of spots) if (level !== undefined) byId.set(id, level);
  const results = new Map<string, BookResult>();
  for (const book of books) {
    const known = [...byId].map(([point, level]) => ({ point, level }));
    const result = bookOf(book, known);
    results.set(book.id, result);
    for (const { point, level } of result.points) byId.set(point, level);
  }
  return { byId, books: results };
});

function bookOf(book: LevelBook, known: { point: string; level: number }[]): BookResult {
  const collimation = book.twoPeg ? collimationOf(book.twoPeg) : 0;
  const walked = book.readings.reduce((sum, { away = 0 }) => sum + away, 0);
  const permitted = book.permitted ?? Math.max(PERMITTED, permittedOver(walked));
  const readings = book.readings.map(({ point, sight, rod, away }) => ({
    point,
    sight,
    rod: away === undefined ? rod : collimated(rod, collimation, away),
  }));
  return { ...bookLevels(known, readings, permitted), permitted, collimation };
}

/** Levels of a job's spots; a later book may begin on what an earlier one found. */
export const levelsOf = (job: Job): Levels =>
  keptOf(job).ask(levels, { spots: ofKind(job, 'spotLevel'), books: ofKind(job, 'levelBook') });
