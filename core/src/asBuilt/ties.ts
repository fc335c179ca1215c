/** A place found again by two tapes from corners of houses: which two corners tell it best, and what they are called. */
import { ofKind, type Job } from '../job/job';
import { centreOf, distance, type Place } from '../site/place';

export interface Corner {
  name: string;
  place: Place;
}

export interface Ties {
  /** The nearer first; m from each. */
  tapes: readonly [{ corner: string; length: number }, { corner: string; length: number }];
  /** Angle at which the tapes cut, rad, 0 to π/2. */
  cut: number;
}

/** A tape longer than this is pulled by nobody, m. */
const TAPE = 60;
/** Tapes that cut flatter than this tell a place badly, rad: 30°. */
const FLAT = Math.PI / 6;

const WINDS = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'] as const;

/** Every corner of every house: `Clinic, north-east corner`; those that lie the same way are counted as one goes round. `north`: how far north lies to the right of up, rad. */
export function cornersOf(job: Job, north = 0): Corner[] {
  return ofKind(job, 'building').flatMap(({ name, outline = [] }) => {
    if (outline.length === 0) return [];
    const middle = centreOf(outline);
    const winds = outline.map((corner) => {
      const from = Math.atan2(corner.east - middle.east, corner.north - middle.north) - north;
      return WINDS[(Math.round(from / (Math.PI / 4)) + 16) % 8]!;
    });
    return outline.map((place, k) => {
      const wind = winds[k]!;
      const alike = winds.filter((each) => each === wind).length;
      const turn = winds.slice(0, k + 1).filter((each) => each === wind).length;
      return { name: `${name}, ${wind} corner${alike > 1 ? ` ${turn}` : ''}`, place };
    });
  });
}

/** Angle at a place between the ways to two others, folded to 0 … π/2. */
function cutAt(place: Place, a: Place, b: Place): number {
  const turn = (to: Place): number => Math.atan2(to.east - place.east, to.north - place.north);
  const angle = Math.abs(turn(a) - turn(b)) % Math.PI;
  return Math.min(angle, Math.PI - angle);
}

/** The two corners nearest to a place whose tapes cut well; the best cut there is where none do; null where fewer than two are in reach. */
export function tiesOf(corners: readonly Corner[], place: Place): Ties | null {
  const near = corners
    .map((corner) => ({ ...corner, length: distance(corner.place, place) }))
    .filter(({ length }) => length <= TAPE && length > 0.01)
    .sort((a, b) => a.length - b.length);
  let best: Ties | null = null;
  let worth = -Infinity;
  for (const [k, one] of near.entries())
    for (const other of near.slice(k + 1)) {
      const cut = cutAt(place, one.place, other.place);
      const sum = one.length + other.length;
      // Any pair that cuts well goes before any that does not; among those the shorter tapes.
      const each = cut >= FLAT ? 1e6 - sum : cut * 1e3;
      if (each <= worth) continue;
      worth = each;
      best = {
        tapes: [
          { corner: one.name, length: one.length },
          { corner: other.name, length: other.length },
        ],
        cut,
      };
    }
  return best;
}
