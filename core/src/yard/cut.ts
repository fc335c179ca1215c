/** A section through the yard along any way: its ground, and what it meets. */
import { keeping, type Job } from '../job/job';
import { placeAlong } from '../job/places';
import { wayLength, type Place } from '../site/place';
import { crossingsOf, type Crossing } from './crossings';
import { groundOf } from './ground';

export interface Cut {
  /** m */
  length: number;
  /** Ground where it was levelled: m along the way, and m above zero; `null` parts what was levelled from what was not. */
  ground: readonly ({ along: number; level: number } | null)[];
  meets: readonly Crossing[];
  /** Fall from the first levelled place to the last, m; null where fewer than two are. */
  fall: number | null;
}

/** Stations of a section, and no nearer together than this, m. */
const STATIONS = 160;
const LEAST_STEP = 0.05;

/** The section along a way of two places or more; one of no length where there are fewer. */
export function cutAlong(given: Job, way: readonly Place[]): Cut {
  const job = keeping(given);
  const length = way.length > 1 ? wayLength(way) : 0;
  if (length === 0) return { length: 0, ground: [], meets: [], fall: null };
  const { surface } = groundOf(job);
  const count = Math.max(1, Math.min(STATIONS, Math.ceil(length / LEAST_STEP)));
  const ground: ({ along: number; level: number } | null)[] = [];
  for (let k = 0; k <= count; k++) {
    const along = (length * k) / count;
    const level = surface?.levelAt(placeAlong(way, along)) ?? null;
    if (level !== null) ground.push({ along, level });
    else if (ground.at(-1)) ground.push(null);
  }
  const known = ground.filter((each) => each !== null);
  return {
    length,
    ground,
    meets: crossingsOf(job, way),
    fall: known.length > 1 ? known[0]!.level - known.at(-1)!.level : null,
  };
}
