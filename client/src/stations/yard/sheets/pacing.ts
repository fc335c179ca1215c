/** A house walked wall by wall: what has been paced, and whether it closes. */
import {
  bearingsOf,
  closeTraverse,
  freeName,
  freshId,
  onward,
  suspects,
  walked,
  type Building,
  type Job,
  type Place,
  type Side,
  type Suspect,
} from '@katabasis/core';

export interface Wall {
  length: number;
  /** Turn before it, rad, right positive; of the first none. */
  turn: number;
}

export interface Paced {
  /** As walked, from the start. */
  places: Place[];
  misclosure: number;
  permitted: number;
  corners: Place[];
  /** Most likely wrong, where it is out by too much. */
  suspects: Suspect[];
  closes: boolean;
}

/** A walk round a house closes to one in a hundred with a tape; a short one is never held to less than this, m. */
const RATIO = 0.01;
const LEAST = 0.15;

export function paced(start: Place, first: number, walls: readonly Wall[]): Paced {
  const bearings = bearingsOf(
    first,
    walls.map(({ turn }) => turn),
  );
  const sides: Side[] = walls.map(({ length }, k) => ({ length, bearing: bearings[k]! }));
  const about = (places: readonly Place[]): Place[] =>
    places.map(({ east, north }) => ({ east: start.east + east, north: start.north + north }));
  const whole = sides.reduce((sum, { length }) => sum + length, 0);
  const { misclosure, corners } = closeTraverse(sides);
  const permitted = Math.max(LEAST, RATIO * whole);
  return {
    places: about(walked(sides)),
    misclosure,
    permitted,
    corners: about(corners),
    suspects: misclosure > permitted ? suspects(sides) : [],
    closes: walls.length >= 3 && misclosure <= permitted,
  };
}

/** The length that would bring the next wall back to where the walk began, where that is straight on. */
export function homeward(start: Place, first: number, walls: readonly Wall[], turn: number): number | null {
  if (walls.length < 2) return null;
  const bearings = bearingsOf(first, [...walls.map((wall) => wall.turn), turn]);
  const end = paced(start, first, walls).places.at(-1)!;
  const next = onward(end, bearings.at(-1)!, 1);
  const [east, north] = [next.east - end.east, next.north - end.north];
  const along = (start.east - end.east) * east + (start.north - end.north) * north;
  const off = Math.abs((start.east - end.east) * north - (start.north - end.north) * east);
  return along > 0.1 && off < Math.max(LEAST, RATIO * along) ? along : null;
}

/** The building over the corners of a walk. */
export const houseOf = (job: Job, outline: Place[]): Building => ({
  id: freshId('house'),
  kind: 'building',
  name: freeName(job, 'Building'),
  storeys: 1,
  outline,
});
