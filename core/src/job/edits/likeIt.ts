/** Another downspout like one that is there, with as much roof of its own. */
import { areaOf, bearing, footOnWay, distance, onward, type Place } from '../../site/place';
import { METRES_PER_FOOT } from '../../units/constants';
import { put, type Change } from '../change';
import { freshId } from '../ids';
import { ofKind, type Job } from '../job';
import type { Downspout, RoofFace } from '../kinds';
import { freeName, ownName } from './insert';

/** The next one stands so far on along the wall, m: 20 ft, as gutters are commonly led off. */
const APART = 20 * METRES_PER_FOOT;

/** The wall that a place stands at, from one corner to the next; null where no building is drawn. */
function wallAt(job: Job, place: Place): [Place, Place] | null {
  const walls = ofKind(job, 'building').flatMap(({ outline = [] }) =>
    outline.map((corner, k): [Place, Place] => [corner, outline[(k + 1) % outline.length]!]),
  );
  const away = (wall: [Place, Place]): number => footOnWay(wall, place)?.distance ?? Infinity;
  return walls.reduce<[Place, Place] | null>((best, wall) => (best && away(best) <= away(wall) ? best : wall), null);
}

/** Where the next one stands: on along the wall toward the end that has the room, or beside it. */
function nextPlace(job: Job, place: Place): Place {
  const wall = wallAt(job, place);
  if (!wall) return { east: place.east + APART, north: place.north };
  const [a, b] = wall;
  const to = distance(place, b) >= distance(place, a) ? b : a;
  const room = distance(place, to);
  return room < 0.5
    ? onward(place, bearing(to === b ? a : b, to), APART)
    : onward(place, bearing(place, to), Math.min(APART, room));
}

/** What a face adds to a downspout, seen from above, where it says so itself. */
const shareOf = (face: RoofFace, to: string): number => {
  const whole = face.feeds.reduce((sum, { share }) => sum + share, 0);
  return face.feeds.filter((feed) => feed.to === to).reduce((sum, { share }) => sum + share, 0) / whole;
};

/** A change that puts in another like `spout`, with a copy of each roof that is its own alone; and its id. */
export function anotherLike(job: Job, spout: Downspout): { change: Change; id: string } {
  const id = freshId('ds');
  const { place, landsOn: _upper, spillsTo: _over, ...rest } = spout;
  const another: Downspout = {
    ...rest,
    id,
    name: /\d$/.test(spout.name) ? ownName(job, id, spout.name) : freeName(job, 'Downspout'),
    ...(place ? { place: nextPlace(job, place) } : {}),
  };
  const faces = ofKind(job, 'roofFace')
    .filter((face) => face.feeds.some(({ to }) => to === spout.id) && shareOf(face, spout.id) > 1 - 1e-9)
    .map(({ outline, eave: _edge, valley: _valley, ...face }): RoofFace => {
      const faceId = freshId('face');
      // What is drawn stands where it is: the copy has as much area, and no place.
      const shape = face.shape.type === 'outline' ? { type: 'area' as const, area: areaOf(outline!) } : face.shape;
      return { ...face, shape, id: faceId, name: ownName(job, faceId, face.name), feeds: [{ to: id, share: 1 }] };
    });
  return { change: put(`Put in another like ${spout.name}`.slice(0, 200), ...faces, another), id };
}
