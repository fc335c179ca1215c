/** What keeps a trench from a place. */
import { ofKind, type Job } from '../job/job';
import { distance, distanceTo, footOnWay, isWithin, type Place } from '../site/place';
import type { NotHere } from './ends';
import { TRUNK } from './trenchGrid';

/** Something by its id; a patch that somebody put out of bounds; that nothing is drawn so far out; or that no way leads there. */
export type Bar = { what: 'element'; id: string } | { what: 'notHere' | 'outside' | 'cutOff' };

/** What bars a place that no trench goes through: the nearest of all that does. */
export function barAt(job: Job, notHere: readonly NotHere[], place: Place): Bar {
  if (notHere.some(({ place: at, reach }) => distance(at, place) <= reach)) return { what: 'notHere' };
  const houses = ofKind(job, 'building').flatMap(({ id, outline }) =>
    outline ? [{ id, away: isWithin(outline, place) ? 0 : distanceTo(outline, place) }] : [],
  );
  const trunks = ofKind(job, 'tree').flatMap(({ id, place: at }) =>
    at ? [{ id, away: Math.max(0, distance(at, place) - TRUNK) }] : [],
  );
  const walls = ofKind(job, 'barrier').flatMap(({ id, form, way }) =>
    way && form !== 'fence' && form !== 'propertyLine'
      ? [{ id, away: footOnWay(way, place)?.distance ?? Infinity }]
      : [],
  );
  const [nearest] = [...houses, ...trunks, ...walls].sort((a, b) => a.away - b.away);
  return nearest ? { what: 'element', id: nearest.id } : { what: 'cutOff' };
}
