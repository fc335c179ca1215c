/** Booking a reading: what it does to the level book and to the levels of the yard. */
import {
  freeName,
  freshId,
  levelsOf,
  ofKind,
  placesOf,
  type Change,
  type Element,
  type Job,
  type LevelBook,
  type Place,
  type SpotLevel,
} from '@katabasis/core';

export type Sight = LevelBook['readings'][number]['sight'];

/** Where the book stands: which set-up is open, and what it was set up by. */
export interface Booking {
  book: LevelBook | null;
  /** The back sight of the open set-up; null while none is open. */
  back: { point: string; place: Place; rod: number } | null;
  /** The turning point that the next back sight must be to; null where any known point will do. */
  turn: string | null;
}

export function bookingOf(job: Job): Booking {
  const book = ofKind(job, 'levelBook').at(-1) ?? null;
  let back: LevelBook['readings'][number] | null = null;
  let turn: string | null = null;
  for (const reading of book?.readings ?? []) {
    if (reading.sight === 'back') [back, turn] = [reading, null];
    if (reading.sight === 'fore') [back, turn] = [null, reading.point];
  }
  const place = back ? placeOfSpot(job, back.point) : undefined;
  return { book, back: back && place ? { point: back.point, place, rod: back.rod } : null, turn };
}

const placeOfSpot = (job: Job, id: string): Place | undefined => {
  const element = job.elements.get(id);
  return element ? placesOf(element)[0] : undefined;
};

/** What a new reading at a place can be, or why it cannot. */
export function sightAt(
  job: Job,
  { back, turn }: Booking,
  spot: SpotLevel | null,
  wanted: Sight,
): { sight: Sight; note: string } | { wrong: string } {
  if (back)
    return {
      sight: wanted === 'back' ? 'between' : wanted,
      note: wanted === 'fore' ? 'Then move the instrument.' : '',
    };
  if (turn !== null) return { sight: 'back', note: 'From the new set-up, to the same point.' };
  const levels = levelsOf(job).byId;
  if (spot && levels.has(spot.id)) return { sight: 'back', note: 'The set-up begins on this known point.' };
  if (levels.size === 0) return { sight: 'back', note: 'The first point: the job’s zero from now on.' };
  return { wrong: 'Begin on a known point: tap a level that is there already.' };
}

/** The change that books a reading; `spot` is the level that is read again, or null for a new one at `place`. */
export function booked(
  job: Job,
  { book }: Booking,
  { place, spot, sight, rod }: { place: Place; spot: SpotLevel | null; sight: Sight; rod: number },
): Change {
  const first = levelsOf(job).byId.size === 0;
  const point: SpotLevel = spot ?? {
    id: freshId('level'),
    kind: 'spotLevel',
    name: freeName(job, first ? 'Benchmark' : 'Level'),
    place,
    ...(first ? { level: 0, benchmark: true } : {}),
  };
  const next: LevelBook = {
    ...(book ?? { id: freshId('book'), kind: 'levelBook', name: freeName(job, 'Level book'), readings: [] }),
    readings: [...(book?.readings ?? []), { point: point.id, sight, rod }],
  };
  const puts: Element[] = spot ? [next] : [point, next];
  return { label: `Book ${point.name}`, puts, removes: [] };
}
