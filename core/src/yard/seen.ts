/** What was seen beside what the levels say: wet spots with and without a pond, ponds that nobody saw. */
import { cellAt, placeOf } from '../ground/grid';
import type { Pond } from '../ground/ponds';
import { ofKind, type Job, keeping } from '../job/job';
import type { WetSpot } from '../job/kinds';
import { distance, type Place } from '../site/place';
import { groundOf } from './ground';
import { yardWater, type YardWater } from './water';

/** A wet spot this near to a pond's edge is of it, m. */
const OF_A_POND = 1.5;

export interface Seen {
  wet: WetSpot;
  /** The pond that the levels hold there; null where they let it run off. */
  pond: Pond | null;
  /** The nearest level to it, by id, and how far, m. */
  nearest: { id: string; away: number } | null;
  /** Whether the ground there was levelled at all. */
  levelled: boolean;
}

/** The pond at a place: that it stands in, or whose edge is near. */
export function pondAt({ grid, ponds }: YardWater, place: Place): Pond | null {
  const own = cellAt(grid, place);
  const inside = ponds.find(({ cells }) => cells.includes(own));
  if (inside) return inside;
  let best: { pond: Pond; away: number } | null = null;
  for (const pond of ponds) {
    for (const cell of pond.cells) {
      const away = distance(placeOf(grid, cell), place);
      if (away <= OF_A_POND && (!best || away < best.away)) best = { pond, away };
    }
  }
  return best?.pond ?? null;
}

/** Every wet spot on the plan with what the levels say of it. */
export function seenOf(given: Job): Seen[] {
  const job = keeping(given);
  const water = yardWater(job);
  const { surface, points } = groundOf(job);
  return ofKind(job, 'wetSpot').flatMap((wet): Seen[] => {
    const { place } = wet;
    if (!place) return [];
    const nearest = points.reduce<Seen['nearest']>((best, { id, east, north }) => {
      const away = distance({ east, north }, place);
      return best && best.away <= away ? best : { id, away };
    }, null);
    return [
      { wet, pond: water ? pondAt(water, place) : null, nearest, levelled: (surface?.levelAt(place) ?? null) !== null },
    ];
  });
}

/** Ponds that the levels hold and nobody has noted. */
export function unseenPonds(given: Job): Pond[] {
  const job = keeping(given);
  const water = yardWater(job);
  if (!water) return [];
  const seen = new Set(seenOf(job).map(({ pond }) => pond));
  const inlets = [
    ...ofKind(job, 'basin').flatMap(({ place }) => place ?? []),
    ...ofKind(job, 'channel').flatMap(({ way }) => way ?? []),
  ].map((place) => pondAt(water, place));
  return water.ponds.filter((pond) => !seen.has(pond) && !inlets.includes(pond));
}
